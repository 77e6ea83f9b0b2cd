import { randomUUID } from 'node:crypto';
import { type BagDocument, type HoldingChange, itemFrom, type Keepable, mm } from '@fennot/core';

/** What of which bag the ringers keep for all of them. */
const KEPT: ReadonlyArray<{ readonly bag: string } & Keepable> = [
  { bag: 'Practice-night tote', of: 'motif', id: 'square' },
  { bag: 'Nine-bell tote', of: 'motif', id: 'square' },
  { bag: 'Handbell hauler', of: 'motif', id: 'diamond' },
  { bag: 'Glove pouch', of: 'swatch', id: 'texture' },
  { bag: 'Folder satchel', of: 'swatch', id: 'strip' },
];

/** Squares of this bag were measured after it was planned: it is offered them. */
const LEARNT = 'Practice-night tote';
const LATER = [98, 97, 98, 99, 97];

/** The demo bags with their origins, and the changes that make the library. */
export function demoLibrary(bags: readonly BagDocument[]): {
  readonly bags: readonly BagDocument[];
  readonly changes: readonly HoldingChange[];
} {
  const changes: HoldingChange[] = [];
  const kept = (document: BagDocument, { of, id: own }: Keepable): BagDocument => {
    const id = randomUUID();
    const item = itemFrom(document, { of, id: own });
    changes.push({ of: 'keep', id, item });
    if (document.name === LEARNT && item.motif) {
      const measured = [...item.motif.measured, ...LATER.map((size) => ({ rounds: 4, size: mm(size) }))];
      changes.push({ of: 'keep', id, basedOn: 1, item: { ...item, motif: { ...item.motif, measured } } });
    }
    const mark = <T extends { readonly id: string }>(one: T): T =>
      one.id === own ? { ...one, origin: { id, version: 1 } } : one;
    return of === 'motif'
      ? { ...document, motifs: document.motifs.map(mark) }
      : { ...document, swatches: document.swatches.map(mark) };
  };
  const marked = bags.map((document) => {
    const own = KEPT.find(({ bag }) => bag === document.name);
    return own ? kept(document, own) : document;
  });
  return { bags: marked, changes };
}
