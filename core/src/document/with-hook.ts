import { SAME_HOOK } from '../gauge/index.ts';
import type { BagDocument } from './schema.ts';

/**
 * A document whose swatch is worked with another hook. What was counted and measured with the old one keeps that hook
 * beside it: it says of the new one only by guess, and as it did before once the maker goes back.
 */
export function withHook(document: BagDocument, id: string, hook: number): BagDocument {
  const swatch = document.swatches.find((one) => one.id === id);
  if (!swatch) return document;
  /** A measure with the hook it was taken with, left out where that is the new one. */
  const kept = <T extends { readonly hook?: number | undefined }>(one: T): T => {
    const own = one.hook ?? swatch.hook;
    return { ...one, hook: Math.abs(own - hook) < SAME_HOOK ? undefined : own };
  };
  const { stitches, rows, blocked } = swatch;
  const changed = {
    ...swatch,
    hook,
    stitches: stitches && kept(stitches),
    rows: rows && kept(rows),
    blocked: blocked && { stitches: kept(blocked.stitches), rows: kept(blocked.rows) },
  };
  const worked = new Set(document.motifs.filter((one) => one.swatch === id).map((one) => one.id));
  const { measuredStrip } = document.joins;
  return {
    ...document,
    swatches: document.swatches.map((one) => (one.id === id ? changed : one)),
    motifs: document.motifs.map((one) =>
      worked.has(one.id) ? { ...one, measured: one.measured.map(kept) } : one,
    ),
    joins:
      measuredStrip && worked.has(measuredStrip.motif)
        ? { ...document.joins, measuredStrip: kept(measuredStrip) }
        : document.joins,
  };
}
