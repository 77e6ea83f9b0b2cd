import { type LibraryItem, usualHeight } from '@fennot/core';
import { motifPicture } from './motif-picture.ts';

/** Rounds a motif is drawn with that nobody has measured. */
const USUAL_ROUNDS = 5;

/** A motif in its first colourway, or a swatch as rows of its yarn's colour. */
export function ItemPicture({ item, size = 34 }: { readonly item: LibraryItem; readonly size?: number }) {
  const { motif, swatch, yarns, fabric } = item;
  const colourOf = (id: string) => yarns.find((yarn) => yarn.id === id)?.colour ?? '#d9cfbd';
  if (motif) {
    const [way] = motif.colourways;
    const rounds =
      motif.making?.of === 'rounds'
        ? motif.making.rounds.length
        : (motif.measured[0]?.rounds ?? Math.max(USUAL_ROUNDS, way?.rounds.length ?? 0));
    return (
      <img
        src={motifPicture(motif, rounds, (way?.rounds ?? []).map(colourOf))}
        alt=""
        width={size}
        height={size}
        className="shrink-0 object-contain"
      />
    );
  }
  const colour = colourOf(swatch.yarn);
  const tall = usualHeight({ fabrics: fabric ? [fabric] : [] }, swatch);
  const rows = Math.max(2, Math.round(6 / tall));
  return (
    <svg width={size} height={size} viewBox="0 0 36 36" aria-hidden="true" className="shrink-0">
      <rect width={36} height={36} rx={2} fill={colour} />
      {Array.from({ length: rows }, (_, row) =>
        Array.from({ length: 6 }, (_, i) => {
          const [x, y, high] = [3 + i * 6, (36 * row) / rows, 36 / rows];
          return (
            <path
              key={`${row} ${x}`}
              d={`M${x - 2.4} ${y + 1.2} h4.8 M${x} ${y + 1.2} V${y + high - 0.6}`}
              stroke="#000000"
              strokeOpacity={0.28}
              strokeWidth={1.1}
              fill="none"
            />
          );
        }),
      )}
    </svg>
  );
}
