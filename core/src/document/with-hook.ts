import { SAME_HOOK } from '../gauge/index.ts';
import type { BagDocument, Swatch } from './schema.ts';

/** A measure with the hook it was taken with, left out where that is the new one. */
const kept = <T extends { readonly hook?: number | undefined }>(one: T, from: number, to: number): T => {
  const own = one.hook ?? from;
  return { ...one, hook: Math.abs(own - to) < SAME_HOOK ? undefined : own };
};

/** A swatch worked with another hook: its counts keep the one they were taken with. */
export function swatchWithHook(swatch: Swatch, hook: number): Swatch {
  const { stitches, rows, blocked } = swatch;
  const own = <T extends { readonly hook?: number | undefined }>(one: T) => kept(one, swatch.hook, hook);
  return {
    ...swatch,
    hook,
    stitches: stitches && own(stitches),
    rows: rows && own(rows),
    blocked: blocked && { stitches: own(blocked.stitches), rows: own(blocked.rows) },
  };
}

/**
 * A document whose swatch is worked with another hook. What was counted, measured and weighed with the old one keeps that
 * hook beside it: it says of the new one only by guess, and as it did before once the maker goes back.
 */
export function withHook(document: BagDocument, id: string, hook: number): BagDocument {
  const swatch = document.swatches.find((one) => one.id === id);
  if (!swatch) return document;
  const own = <T extends { readonly hook?: number | undefined }>(one: T) => kept(one, swatch.hook, hook);
  const worked = new Set(document.motifs.filter((one) => one.swatch === id).map((one) => one.id));
  const { measuredStrip } = document.joins;
  return {
    ...document,
    swatches: document.swatches.map((one) => (one.id === id ? swatchWithHook(one, hook) : one)),
    motifs: document.motifs.map((one) =>
      worked.has(one.id) ? { ...one, measured: one.measured.map(own) } : one,
    ),
    ...(document.weighings && {
      weighings: document.weighings.map((one) => ({
        ...one,
        worked: one.worked.map((part) => (part.swatch === id ? own(part) : part)),
      })),
    }),
    joins:
      measuredStrip && worked.has(measuredStrip.motif)
        ? { ...document.joins, measuredStrip: own(measuredStrip) }
        : document.joins,
  };
}
