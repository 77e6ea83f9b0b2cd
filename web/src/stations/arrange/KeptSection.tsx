import { type BagDocument, freeId, LIMITS } from '@fennot/core';
import { Trash2 } from 'lucide-react';
import { Button } from '../../ui/Button.tsx';
import { Section } from '../../ui/Section.tsx';
import type { StationProps } from '../station.ts';
import { SmallBag } from './SmallBag.tsx';

type Kept = NonNullable<NonNullable<BagDocument['arrangement']>['kept']>;

/** Up to three arrangements kept beside the one on the table, front and back. */
export function KeptSection({ plan, store }: StationProps) {
  const { document, cells } = plan;
  const kept: Kept = document.arrangement?.kept ?? [];
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
  return (
    <Section title="Kept beside it">
      {kept.map(({ id, name, cells: own }) => (
        <div key={id} className="rounded-sm border border-line p-1.5">
          <SmallBag
            document={{ ...document, arrangement: { ...document.arrangement, cells: own } }}
            label={name}
          />
          <div className="flex items-center gap-1.5 pt-1">
            <span className="grow text-sm font-medium">{name}</span>
            <Button
              small
              onClick={() => change((doc) => ({ ...doc, arrangement: { ...doc.arrangement, cells: own } }))}
            >
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
      <Button small className="self-start" disabled={kept.length >= LIMITS.arrangements} onClick={keep}>
        Keep this one
      </Button>
      {kept.length === 0 && (
        <p className="text-xs text-soft">Up to three are kept, to be compared front and back.</p>
      )}
    </Section>
  );
}
