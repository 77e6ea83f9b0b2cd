import { type BagDocument, freeId, type Swatch } from '@fennot/core';

/** The document with one more swatch, of the same yarn, hook and stitch, nothing counted on it yet. */
export function withSwatchLike(doc: BagDocument, like: Swatch): BagDocument {
  const { stitches: _s, rows: _r, blocked: _b, rowEnds: _e, ...same } = like;
  const id = freeId(
    'swatch',
    doc.swatches.map((one) => one.id),
  );
  return { ...doc, swatches: [...doc.swatches, { ...same, id, name: `Swatch ${id.split('-').at(-1)}` }] };
}
