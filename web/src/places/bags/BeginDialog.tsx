import { type BagDocument, beginDocument, FAMILIES, type FamilyId, mm } from '@fennot/core';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { useCreateBag } from '../../api/queries.ts';
import { uuid } from '../../api/uuid.ts';
import { FamilyIcon } from '../../drawing/FamilyIcon.tsx';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { Cards } from '../../ui/Cards.tsx';
import { LengthField, TextField } from '../../ui/fields.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { Row } from '../../ui/Section.tsx';

type Size = Record<'width' | 'height' | 'depth', number>;

/** Name, rough size and way of building: enough to lay a first bag on the table. */
export default function BeginDialog({
  open,
  onClose,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  const [name, setName] = useState('My bag');
  const [family, setFamily] = useState<FamilyId>('wrap-round');
  const [size, setSize] = useState<Size>({ width: 320, height: 320, depth: 80 });
  const create = useCreateBag();
  // Made once: asked for again after a lost answer, it is the same bag.
  const [id] = useState(uuid);
  const [trouble, setTrouble] = useState<string>();
  const navigate = useNavigate();
  const deep = FAMILIES.some(({ id, deep: has }) => id === family && has);
  const target = (value: number) => ({ value: mm(value), tolerance: 15 });

  const begin = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    // What stands in a field and could not be read is not passed over.
    const wrong = event.currentTarget.querySelector<HTMLInputElement>('[aria-invalid="true"]');
    if (wrong) {
      wrong.focus();
      return;
    }
    const bag: BagDocument = beginDocument({
      name,
      family,
      brief: {
        width: target(size.width),
        height: target(size.height),
        ...(deep ? { depth: target(size.depth) } : {}),
      },
    });
    const answer = planFor(bag);
    if (!answer.ok) {
      setTrouble(answer.problem);
      return;
    }
    setTrouble(undefined);
    create.mutate({ id, document: bag }, { onSuccess: () => navigate(`/bags/${id}/swatch`) });
  };
  return (
    <Modal
      open={open}
      onClose={onClose}
      title="Begin a bag"
      about="About how large, and built in which way? Everything can be changed later."
    >
      <form onSubmit={begin} className="flex flex-col gap-4">
        <TextField label="Name" value={name} onChange={setName} />
        <Cards
          label="Way of building"
          className="grid-cols-2 sm:grid-cols-4"
          value={family}
          onChange={setFamily}
          options={FAMILIES.map((entry) => ({
            value: entry.id,
            title: entry.about,
            content: (
              <span className="flex flex-col items-center gap-1 text-center text-xs font-semibold">
                <FamilyIcon drawing={entry.drawing} />
                {entry.name}
              </span>
            ),
          }))}
        />
        <p className="-mt-2 text-sm text-soft">{FAMILIES.find(({ id }) => id === family)?.about}</p>
        <Row>
          <LengthField label="Width" value={size.width} onChange={(width) => setSize({ ...size, width })} />
          <LengthField
            label="Height"
            value={size.height}
            onChange={(height) => setSize({ ...size, height })}
          />
          {deep && (
            <LengthField label="Depth" value={size.depth} onChange={(depth) => setSize({ ...size, depth })} />
          )}
        </Row>
        {trouble && (
          <p role="alert" className="text-sm text-loosestrife">
            {trouble}
          </p>
        )}
        {create.error && (
          <p role="alert" className="text-sm text-loosestrife">
            {create.error.message} Nothing is lost: try again.
          </p>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Not now</Button>
          <Button look="main" type="submit" disabled={create.isPending}>
            Lay it on the table
          </Button>
        </div>
      </form>
    </Modal>
  );
}
