import { type HoldingChange, itemFrom, type Keepable, taught } from '@fennot/core';
import { BookMarked } from 'lucide-react';
import { useChangeHoldings, useLibrary } from '../../../api/holdings.ts';
import { uuid } from '../../../api/uuid.ts';
import { Button } from '../../../ui/Button.tsx';
import type { StationProps } from '../../station.ts';

interface LibraryLineProps extends StationProps {
  readonly what: Keepable;
}

/** Whether a swatch or motif is kept in the library: keeps it there, or teaches the library what the bag has learnt. */
export function LibraryLine({ plan, store, what }: LibraryLineProps) {
  const { data } = useLibrary();
  const change = useChangeHoldings();
  const { document } = plan;
  if (!data) return null;
  const list = what.of === 'swatch' ? document.swatches : document.motifs;
  const own = list.find(({ id }) => id === what.id);
  const kept = data.items.find(({ id }) => id === own?.origin?.id);
  const marked = (origin: { readonly id: string; readonly version: number }) =>
    store.getState().change((doc) => {
      const mark = <T extends { readonly id: string }>(one: T): T =>
        one.id === what.id ? { ...one, origin } : one;
      return what.of === 'swatch'
        ? { ...doc, swatches: doc.swatches.map(mark) }
        : { ...doc, motifs: doc.motifs.map(mark) };
    });
  const keep = async (of: HoldingChange, version: number, says: string) => {
    const why = await change([of], says);
    if (why === undefined && of.of === 'keep') marked({ id: of.id, version });
  };
  if (!own) return null;
  if (!kept)
    return (
      <p className="text-xs">
        <Button
          small
          look="bare"
          onClick={() =>
            void keep(
              { of: 'keep', id: uuid(), item: itemFrom(document, what) },
              1,
              `${own.name} is in the library.`,
            )
          }
        >
          <BookMarked size={13} /> Keep it in the library
        </Button>
      </p>
    );
  const better = own.origin?.version === kept.version ? taught(document, kept) : undefined;
  return (
    <p className="flex flex-wrap items-center gap-2 text-xs text-soft">
      <span className="inline-flex items-center gap-1">
        <BookMarked size={13} aria-hidden /> A copy of the library’s
      </span>
      {better && (
        <Button
          small
          onClick={() =>
            void keep(
              { of: 'keep', id: kept.id, basedOn: kept.version, item: better },
              kept.version + 1,
              `The library knows now what this bag has learnt of ${own.name}.`,
            )
          }
        >
          Teach the library what was learnt here
        </Button>
      )}
    </p>
  );
}
