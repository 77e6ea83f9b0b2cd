import { type BagDocument, freeId, LIMITS } from '@fennot/core';
import { Columns3, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';
import { CompareModal } from './CompareModal.tsx';
import { SmallBag } from './SmallBag.tsx';

type Kept = NonNullable<NonNullable<BagDocument['arrangement']>['kept']>;

const NONE: Kept = [];

/** The bag with other cells laid. */
const laid =
  (cells: Kept[number]['cells']) =>
  (document: BagDocument): BagDocument => ({
    ...document,
    arrangement: { ...document.arrangement, cells },
  });

/** Up to three arrangements kept beside the one on the table, front and back. */
export function KeptSection({ plan, store }: StationProps) {
  const { document, cells } = plan;
  const kept: Kept = document.arrangement?.kept ?? NONE;
  const { change } = store.getState();
  const setKept = (doc: BagDocument, next: Kept): BagDocument => ({
    ...doc,
    arrangement: { ...doc.arrangement, kept: next },
  });
  const keep = () => {
    const names = new Set(kept.map(({ name }) => name));
    const name = ['First', 'Second', 'Third', 'Fourth'].find((one) => !names.has(one)) ?? 'Kept';
    // What is dealt is said, too: it must not change when the designs do.
    const said = Object.fromEntries(
      cells.map(({ piece, design, turn, locked }) => [
        piece,
        { design, ...(turn > 0 && { turn }), ...(locked && { locked: true as const }) },
      ]),
    );
    const id = freeId(
      'kept',
      kept.map((one) => one.id),
    );
    return change((doc) => setKept(doc, [...kept, { id, name, cells: said }]));
  };
  const [comparing, setComparing] = useState(false);
  const beside = useMemo(
    () => kept.map(({ id, name, cells: own }) => ({ id, name, document: laid(own)(document) })),
    [kept, document],
  );
  const take = (id: string) => {
    const found = kept.find((one) => one.id === id);
    if (found) tell(change(laid(found.cells)));
  };
  return (
    <Section title="Kept beside it">
      {kept.map(({ id, name, cells: own }) => (
        <div key={id} className="rounded-sm border border-line p-1.5">
          <SmallBag document={laid(own)(document)} label={name} />
          <div className="flex items-center gap-1.5 pt-1">
            <span className="grow text-sm font-medium">{name}</span>
            <Button small onClick={() => take(id)}>
              Put on the table
            </Button>
            <Button
              small
              look="bare"
              aria-label={`Take ${name} out`}
              onClick={() =>
                change((doc) =>
                  setKept(
                    doc,
                    kept.filter((one) => one.id !== id),
                  ),
                )
              }
            >
              <Trash2 size={13} />
            </Button>
          </div>
        </div>
      ))}
      <div className="flex gap-2">
        <Button small disabled={kept.length >= LIMITS.arrangements} onClick={keep}>
          Keep this one
        </Button>
        {kept.length > 0 && (
          <Button small onClick={() => setComparing(true)}>
            <Columns3 size={13} /> Side by side
          </Button>
        )}
      </div>
      <CompareModal
        plan={plan}
        kept={beside}
        open={comparing}
        onClose={() => setComparing(false)}
        onTake={take}
      />
      {kept.length === 0 && (
        <p className="text-xs text-soft">Up to three are kept, to be compared front and back.</p>
      )}
    </Section>
  );
}
