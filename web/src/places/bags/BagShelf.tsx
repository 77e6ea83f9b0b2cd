import type { ListedBag } from '@fennot/core';
import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { BagCard } from './BagCard.tsx';

interface BagShelfProps {
  readonly bags: readonly ListedBag[];
  /** Bags with changes that wait in this browser. */
  readonly unsaved: ReadonlySet<string>;
  /** Bags on all pages. */
  readonly total: number;
  /** Fetches the next page; nothing when it is being fetched, or there is none. */
  readonly onEnd: (() => void) | undefined;
}

/** A card's height and the room between two, px; cards narrower than this stand one below the other. */
const [HIGH, GAP] = [320, 16];
const NARROW = 300;
const MOST_COLUMNS = 3;
/** Rows that are ready before they are seen. */
const READY = 4;

/** The bags as cards on shelves. Only those near the window are there: a list of thousands is as quick as one of ten. */
export function BagShelf({ bags, unsaved, total, onEnd }: BagShelfProps) {
  const list = useRef<HTMLUListElement>(null);
  const [place, setPlace] = useState({ width: 0, top: 0 });
  useLayoutEffect(() => {
    const own = list.current;
    if (!own) return;
    const look = () => setPlace({ width: own.clientWidth, top: own.offsetTop });
    look();
    const observer = new ResizeObserver(look);
    observer.observe(own);
    return () => observer.disconnect();
  }, []);
  const columns = Math.max(1, Math.min(MOST_COLUMNS, Math.floor((place.width + GAP) / (NARROW + GAP))));
  const rows = Math.ceil(bags.length / columns);
  const shelves = useWindowVirtualizer({
    count: rows,
    estimateSize: () => HIGH,
    gap: GAP,
    overscan: READY,
    scrollMargin: place.top,
  });
  const seen = shelves.getVirtualItems();
  const last = seen.at(-1)?.index ?? -1;
  useEffect(() => {
    if (last >= rows - 1) onEnd?.();
  }, [last, rows, onEnd]);
  const wide = (place.width - (columns - 1) * GAP) / columns;
  return (
    <ul
      ref={list}
      aria-label={`${total} bags`}
      className="relative"
      style={{ height: shelves.getTotalSize() }}
    >
      {place.width > 0 &&
        seen.flatMap(({ index, start }) =>
          bags.slice(index * columns, (index + 1) * columns).map((bag, column) => (
            <BagCard
              key={bag.id}
              bag={bag}
              unsaved={unsaved.has(bag.id)}
              place={{
                width: wide,
                height: HIGH,
                transform: `translate(${column * (wide + GAP)}px, ${start - place.top}px)`,
              }}
            />
          )),
        )}
    </ul>
  );
}
