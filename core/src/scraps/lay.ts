import type { BagDocument, Motif } from '../document/index.ts';
import { yarnOf } from '../document/look-up.ts';
import { freeId, LIMITS } from '../fields/index.ts';
import type { ScrapSquares } from './ask.ts';

/** The document with a motif's colourways made of what the scraps allow, and as many of each as there will be. */
export function laidOfScraps(document: BagDocument, motif: Motif, { designs }: ScrapSquares): BagDocument {
  const { cells = {}, stock = [], kept = [] } = document.arrangement ?? {};
  // Names of designs that lie somewhere are not given again.
  const taken = [
    ...motif.colourways.map(({ id }) => id),
    ...[cells, ...kept.map((one) => one.cells)].flatMap((laid) =>
      Object.values(laid).flatMap(({ design }) => design ?? []),
    ),
  ];
  const colourways = designs.slice(0, LIMITS.colourways).map(({ rounds }, i) => {
    const id = freeId('way', taken);
    taken.push(id);
    const [heart = ''] = rounds;
    return { id, name: `${yarnOf(document, heart).colourName} heart ${i + 1}`, rounds: [...rounds] };
  });
  if (colourways.length === 0) return document;
  return {
    ...document,
    motifs: document.motifs.map((one) => (one.id === motif.id ? { ...one, colourways } : one)),
    arrangement: {
      ...document.arrangement,
      stock: [
        ...stock.filter((one) => one.motif !== motif.id),
        ...colourways.map(({ id }, i) => ({ motif: motif.id, design: id, many: designs[i]?.many ?? 0 })),
      ],
    },
  };
}
