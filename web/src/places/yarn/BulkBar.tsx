import { gramsLeft, type HoldingChange, inCoins, type Lot } from '@fennot/core';
import { useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { gramsText } from '../../enough/balls.tsx';
import { Button } from '../../ui/Button.tsx';
import type { LotRow } from './lot-columns.tsx';

interface BulkBarProps {
  readonly rows: readonly LotRow[];
  readonly change: (changes: readonly HoldingChange[], says: string) => Promise<string | undefined>;
  readonly onExport: (lots: readonly Lot[]) => void;
  readonly onDone: () => void;
}

const field = 'w-36 rounded-sm border border-line bg-card px-2 py-1 hover:border-kingfisher';

/** What can be done with all lots that are chosen. */
export function BulkBar({ rows, change, onExport, onDone }: BulkBarProps) {
  const { currency } = useSettings();
  const [place, setPlace] = useState('');
  const [price, setPrice] = useState('');
  const amount = inCoins(price, currency);
  const grams = rows.reduce((sum, { kept }) => sum + gramsLeft(kept.lot), 0);
  const many = `${rows.length} ${rows.length === 1 ? 'lot' : 'lots'}`;
  const each = (make: (lot: Lot) => Lot) =>
    rows.map(
      ({ kept }): HoldingChange => ({
        of: 'change',
        id: kept.id,
        basedOn: kept.version,
        lot: make(kept.lot),
      }),
    );
  return (
    <section
      aria-label="What is chosen"
      className="sticky bottom-0 z-10 mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-sm border border-kingfisher bg-card px-3 py-2 text-sm"
    >
      <b className="tabular-nums">
        {many}, {gramsText(grams)}
      </b>
      <form
        className="flex items-center gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          void change(
            each((lot) => ({ ...lot, place: place.trim() })),
            `${many} now ${place.trim() === '' ? 'lie nowhere that is said' : `lie in: ${place.trim()}`}.`,
          );
        }}
      >
        <input
          aria-label="Where they lie"
          placeholder="Where they lie"
          maxLength={80}
          value={place}
          onChange={(event) => setPlace(event.target.value)}
          className={field}
        />
        <Button small type="submit">
          Put there
        </Button>
      </form>
      <form
        className="flex items-center gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          if (amount === undefined) return;
          void change(
            each((lot) => ({ ...lot, price: { amount, currency } })),
            `A ball of ${many} cost that.`,
          );
        }}
      >
        <input
          aria-label={`What a ball cost, ${currency}`}
          placeholder={`A ball cost, ${currency}`}
          value={price}
          onChange={(event) => setPrice(event.target.value)}
          className={field}
        />
        <Button small type="submit" disabled={amount === undefined}>
          Price them
        </Button>
      </form>
      <span className="ml-auto flex gap-2">
        <Button small onClick={() => onExport(rows.map(({ kept }) => kept.lot))}>
          Export these
        </Button>
        <Button
          small
          look="risk"
          onClick={() => {
            const changes = rows.map(
              ({ kept }): HoldingChange => ({ of: 'remove', id: kept.id, basedOn: kept.version }),
            );
            void change(changes, `${many} taken out.`).then((why) => why === undefined && onDone());
          }}
        >
          Take them out
        </Button>
      </span>
    </section>
  );
}
