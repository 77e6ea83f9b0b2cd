import type { BagDocument } from './schema.ts';

/** A document without a swatch, and without what was weighed of it alone or among others: that says nothing without it. */
export function withoutSwatch(document: BagDocument, id: string): BagDocument {
  const { weighings, ...rest } = document;
  const left = weighings?.filter(({ worked }) => worked.every(({ swatch }) => swatch !== id));
  return {
    ...rest,
    swatches: document.swatches.filter((swatch) => swatch.id !== id),
    ...(left && { weighings: left }),
  };
}
