import { type BagDocument, swatchOf } from '../document/index.ts';
import { outstanding } from '../fabric/index.ts';
import { fabricOf } from '../fit/index.ts';
import type { StandingRows } from '../match/index.ts';

/** The rows of a bag's panels that stand out, by the fabrics they are worked in. */
export const standingRows =
  (document: BagDocument): StandingRows =>
  ({ make }) => {
    // By rows of its own it has no repeat.
    if (make.of === 'motif' || make.panel !== undefined) return undefined;
    const fabric = fabricOf(document, swatchOf(document, make.swatch));
    return fabric && outstanding(fabric);
  };
