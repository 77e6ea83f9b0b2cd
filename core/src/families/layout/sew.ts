import type { BagGraph, Facet, Fold, Interval, Seam, SeamLine } from '../../bag/index.ts';
import { NOTHING } from '../../geometry/index.ts';
import { pairChains } from './pair.ts';
import { innerSeams, piecesOf, type Sheet } from './sheet.ts';

/** A named line with its seams. */
export interface SewnLine {
  readonly line: SeamLine;
  readonly seams: readonly Seam[];
}

/** Sews two ways of edges together as one named line. */
export const sew = (
  kind: Seam['kind'],
  id: string,
  name: string,
  a: readonly Interval[],
  b: readonly Interval[],
  wayOf?: (interval: Interval) => number,
): SewnLine => ({ line: { id, name }, seams: pairChains(id, kind, a, b, wayOf) });

export interface NamedSheet {
  readonly sheet: Sheet;
  readonly id: string;
  /** Put before the names of its inner lines; empty for the only sheet. */
  readonly name: string;
}

/** A bag of sheets: their inner joins, the lines sewn between them, and how they are bent. */
export function sheetsToGraph(
  sheets: readonly NamedSheet[],
  sewn: readonly SewnLine[],
  bent: ReadonlyArray<{ readonly facets: readonly Facet[]; readonly folds: readonly Fold[] }>,
  rims = 1,
): BagGraph {
  const inner = sheets.map(({ sheet, id, name }) => innerSeams(sheet, id, name));
  return {
    pieces: sheets.flatMap(({ sheet }) => piecesOf(sheet)),
    seams: [...inner.flatMap(({ seams }) => seams), ...sewn.flatMap(({ seams }) => seams)],
    lines: [...inner.flatMap(({ lines }) => lines), ...sewn.map(({ line }) => line)],
    folds: bent.flatMap(({ folds }) => folds),
    facets: bent.flatMap(({ facets }) => facets),
    rims,
  };
}

/** The same chain begun `skip` mm in: what lies before comes last. */
export function turned(chain: readonly Interval[], skip: number): Interval[] {
  const [before, after] = split(chain, skip);
  return [...after, ...before];
}

/** The first `way` mm of a chain, and the rest. */
export function split(chain: readonly Interval[], way: number): [Interval[], Interval[]] {
  const before: Interval[] = [];
  const after: Interval[] = [];
  let at = 0;
  for (const i of chain) {
    const length = Math.abs(i.to - i.from);
    const cut = Math.min(length, Math.max(0, way - at));
    const middle = i.from + (Math.sign(i.to - i.from) || 1) * cut;
    if (cut > NOTHING) before.push({ ...i, to: middle });
    if (cut < length - NOTHING) after.push({ ...i, from: middle });
    at += length;
  }
  return [before, after];
}

/** Gap between pieces that lie apart in the net, mm. */
export const APART = 60;
