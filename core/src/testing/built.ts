import { type BagGraph, measure } from '../bag/index.ts';
import {
  type Choices,
  type Construction,
  type FaceMake,
  familyOf,
  type Materials,
} from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { testDocument } from './arbitraries.ts';

/** A bag built for a test, with what its sizes are made of, mm. */
export interface Built {
  readonly graph: BagGraph;
  readonly materials: Materials;
  /** What its controls can choose among. */
  readonly choices: Choices;
  readonly size: ReturnType<typeof measure>;
  /** Side of a square of four rounds, and what a join adds. */
  readonly s: number;
  readonly j: number;
  /** Stitch pitch and row height of the swatch `s2`. */
  readonly w: number;
  readonly h: number;
}

/** Builds a construction out of the test document. */
export function built(construction: Construction): Built {
  const document = testDocument(construction);
  const materials = materialsOf(sizeTable(document), document);
  const graph = familyOf(construction).build(materials);
  return {
    graph,
    materials,
    choices: document,
    size: measure(graph),
    s: materials.motifSide('m1', 4),
    j: materials.join(),
    w: materials.pitch('s2'),
    h: materials.rowHeight('s2'),
  };
}

/** Squares of four rounds in columns and rows. */
export const squares = (columns: number, rows: number) =>
  ({ of: 'motifs', motif: 'm1', rounds: 4, columns, rows }) as const;

/** A panel of so many stitches and rows in the swatch `s2`. */
export const panel = (stitches: number, rows: number, rowsRun: 'across' | 'upright' = 'across') =>
  ({ of: 'worked', swatch: 's2', stitches, rows, rowsRun, multiple: { multiple: 1, extra: 0 } }) as const;

/** How many seams of each line a bag has. */
export function seamsByLine({ seams }: BagGraph): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { line } of seams) counts[line] = (counts[line] ?? 0) + 1;
  return counts;
}

/** Two faces and a strip of the swatch `s2` as long as its way, so many stitches deep. */
export const facesAndStrip = (face: FaceMake, depth = 10): Construction => ({
  family: 'faces-and-strip',
  face,
  strip: {
    swatch: 's2',
    worked: 'across',
    depth,
    length: { by: 'way' },
    multiple: { multiple: 1, extra: 0 },
  },
});
