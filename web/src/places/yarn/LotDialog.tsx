import { ballSchema, boundsOf, type Lot, lotSchema, YARN_WEIGHTS } from '@fennot/core';
import { useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { Balls } from '../../enough/balls.tsx';
import { AmountField } from '../../ui/AmountField.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TypedField } from '../../ui/Field.tsx';
import { NumberField, WordsField } from '../../ui/fields.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { Row } from '../../ui/Section.tsx';
import { TakeFromScale } from '../../ui/TakeFromScale.tsx';
import { WeightField } from '../../ui/WeightField.tsx';

interface LotDialogProps {
  readonly title: string;
  /** As it stands, or what a new one begins with. */
  readonly lot: Lot;
  /** Keeps it; answers why not. */
  readonly onKeep: (lot: Lot) => Promise<string | undefined>;
  readonly onRemove?: (() => Promise<string | undefined>) | undefined;
  readonly onClose: () => void;
}

/** A lot nobody has said anything of. */
export const NEW_LOT: Lot = {
  yarn: 'Yarn',
  colourName: 'Natural',
  colour: '#d9cfbd',
  weight: 4,
  fibre: '',
  dyeLot: '',
  ball: { grams: 50, metres: 100 },
  full: 1,
  parts: [],
  place: '',
  note: '',
};

const { yarn, colourName, fibre, dyeLot, place, note, full } = lotSchema.shape;

/** What is left of begun balls, as it is typed: `20 + 12.5`. */
function readParts(text: string): { ok: true; value: number[] } | { ok: false; error: string } {
  const parts = text
    .split(/[+;]/)
    .map((part) => part.trim().replace(/g$/i, '').trim().replace(',', '.'))
    .filter(Boolean);
  const grams = parts.map(Number);
  const wrong = parts.find((_, i) => !Number.isFinite(grams[i]));
  return wrong === undefined
    ? { ok: true, value: grams }
    : { ok: false, error: `“${wrong}” is no weight: type grams, with + between balls.` };
}

/** A lot of yarn: what it is, what is left of it, what it cost and where it lies. */
export function LotDialog({ title, lot: first, onKeep, onRemove, onClose }: LotDialogProps) {
  const { currency } = useSettings();
  const [lot, setLot] = useState(first);
  const [problem, setProblem] = useState<string | undefined>(undefined);
  const [busy, setBusy] = useState(false);
  const put = (fields: Partial<Lot>) => {
    setProblem(undefined);
    setLot((now) => ({ ...now, ...fields }));
  };
  const of = lot.price?.currency ?? currency;
  const then = async (act: () => Promise<string | undefined>) => {
    setBusy(true);
    const why = await act();
    setBusy(false);
    if (why === undefined) onClose();
    else setProblem(why);
  };
  const keep = () => {
    const read = lotSchema.safeParse(lot);
    if (!read.success) setProblem(read.error.issues[0]?.message ?? 'This lot cannot be kept.');
    else void then(() => onKeep(read.data));
  };
  return (
    <Modal title={title} open onClose={onClose}>
      <div className="flex flex-col gap-3">
        <Row>
          <WordsField
            label="Yarn"
            value={lot.yarn}
            schema={yarn}
            onChange={(value) => put({ yarn: value })}
          />
          <WordsField
            label="Colour"
            value={lot.colourName}
            schema={colourName}
            onChange={(value) => put({ colourName: value })}
          />
        </Row>
        <Row>
          <label className="block">
            <span className="mb-0.5 block text-xs font-medium text-soft">Looks like</span>
            <input
              type="color"
              aria-label="What the colour looks like"
              value={lot.colour}
              onChange={(event) => put({ colour: event.target.value })}
              className="h-8 w-full rounded-sm border border-line bg-card"
            />
          </label>
          <WordsField
            label="Dye lot"
            value={lot.dyeLot}
            schema={dyeLot}
            onChange={(value) => put({ dyeLot: value })}
          />
          <Choice
            label="Weight"
            value={String(lot.weight)}
            options={YARN_WEIGHTS.map(({ name }, i) => ({ value: String(i), label: `${i} ${name}` }))}
            onChange={(value) => put({ weight: Number(value) })}
          />
        </Row>
        {lot.ball ? (
          <Row>
            <WeightField
              label="A full ball weighs"
              name="the weight of a ball"
              value={lot.ball.grams}
              bounds={boundsOf(ballSchema.shape.grams)}
              onChange={(grams) => put({ ball: { metres: 1, ...lot.ball, grams } })}
            />
            <NumberField
              label="and is long"
              name="the length of a ball"
              suffix="m"
              value={lot.ball.metres}
              bounds={boundsOf(ballSchema.shape.metres)}
              onChange={(metres) => put({ ball: { grams: 1, ...lot.ball, metres } })}
            />
            <Button small look="bare" className="mt-5" onClick={() => put({ ball: undefined, full: 0 })}>
              Not known
            </Button>
          </Row>
        ) : (
          <p className="text-sm text-soft">
            What a full ball holds is not known: grams say nothing of metres.{' '}
            <Button small onClick={() => put({ ball: { grams: 50, metres: 100 } })}>
              Say it
            </Button>
          </p>
        )}
        <div className="flex items-center gap-3">
          <div className="grow">
            <Row>
              {lot.ball && (
                <NumberField
                  label="Full balls"
                  name="full balls"
                  value={lot.full}
                  bounds={boundsOf(full)}
                  onChange={(value) => put({ full: value })}
                  buttons
                />
              )}
              <TypedField
                label="Left of begun balls"
                value={lot.parts}
                show={(parts) => parts.join(' + ')}
                read={readParts}
                onChange={(parts) => put({ parts })}
                suffix="g"
                placeholder="20 + 12.5"
              />
              <span className="pt-5">
                <TakeFromScale of="a begun ball" onTake={(grams) => put({ parts: [...lot.parts, grams] })} />
              </span>
            </Row>
          </div>
          <Balls lot={lot} />
        </div>
        <Row>
          <AmountField
            label="A ball cost"
            value={lot.price?.amount}
            currency={of}
            onChange={(amount) => put({ price: amount === undefined ? undefined : { amount, currency: of } })}
          />
          <WordsField
            label="Where it lies"
            value={lot.place}
            schema={place}
            onChange={(value) => put({ place: value })}
          />
          <WordsField
            label="Fibre"
            value={lot.fibre}
            schema={fibre}
            onChange={(value) => put({ fibre: value })}
          />
        </Row>
        <WordsField
          label="Note"
          value={lot.note}
          schema={note}
          grows
          onChange={(value) => put({ note: value })}
        />
        {problem !== undefined && (
          <p role="alert" className="text-sm font-medium text-loosestrife">
            {problem}
          </p>
        )}
        <div className="flex justify-between gap-2">
          {onRemove ? (
            <Button look="risk" disabled={busy} onClick={() => void then(onRemove)}>
              Take it out
            </Button>
          ) : (
            <span />
          )}
          <Button look="main" disabled={busy} onClick={keep}>
            Keep
          </Button>
        </div>
      </div>
    </Modal>
  );
}
