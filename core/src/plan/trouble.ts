import type { BagGraph } from '../bag/index.ts';
import type { BagDocument } from '../document/index.ts';
import { LIMITS } from '../fields/index.ts';
import { readFabric, type SizeTable } from '../fit/index.ts';
import { extent } from '../geometry/index.ts';
import { rowsTrouble } from './rows-trouble.ts';

/** Nothing that is crocheted is smaller, mm: below this a figure under *Swatch* must be wrong. */
const LEAST_SIDE = 1;

/** Nothing can be sewn to an edge that is shorter, mm. */
const LEAST_EDGE = 0.05;

const counted = (many: number) => Math.round(many).toLocaleString('en');

const inCm = (length: number) => `${(length / 10).toFixed(1)} cm`;

interface MotifUse {
  readonly motif: string;
  readonly rounds: number;
}

/** Every motif with its rounds that some part of the document is made of or was measured by. */
function motifsIn(part: unknown): MotifUse[] {
  if (typeof part !== 'object' || part === null) return [];
  const inner = Object.values(part).flatMap(motifsIn);
  const own = 'motif' in part && 'rounds' in part ? [part] : [];
  return [
    ...own.flatMap(({ motif, rounds }) =>
      typeof motif === 'string' && typeof rounds === 'number' ? [{ motif, rounds }] : [],
    ),
    ...inner,
  ];
}

/**
 * Why pieces of these sizes cannot be: a square that measures nothing, or one that its joins eat up. Said before
 * anything is built, since such figures make every later one meaningless.
 */
export function sizeTrouble(document: BagDocument, table: SizeTable): string | undefined {
  const { construction, features } = document;
  const rows = rowsTrouble(document, table);
  if (rows) return rows;
  for (const swatch of document.swatches) {
    const reading = readFabric(document, swatch);
    if (reading?.is === 'nothing')
      return `The fabric of “${swatch.name}” does not come out. ${reading.why.message}`;
  }
  const join = table.join().value;
  for (const { motif: id, rounds } of motifsIn([construction, features])) {
    const { motif, size } = table.motif(id);
    const side = size.at(rounds).value;
    if (side < LEAST_SIDE)
      return `By what was measured, “${motif.name}” of ${rounds} ${rounds === 1 ? 'round' : 'rounds'} would come out ${inCm(side)} large, which cannot be. Look at its measured pieces under Swatch.`;
    if (side + join < LEAST_SIDE)
      return `By the joined strip, each join takes ${inCm(-join)}, but “${motif.name}” of ${rounds} rounds is only ${inCm(side)} large. Look at the joined strip under Swatch.`;
  }
  return undefined;
}

/**
 * Why a bag that was built cannot be planned: too much of something, or a piece that has no extent or loses it.
 *
 * @param join what a join adds, mm; negative where it takes.
 */
export function graphTrouble({ pieces, facets }: BagGraph, join: number): string | undefined {
  if (pieces.length > LIMITS.pieces)
    return `This would be ${counted(pieces.length)} pieces. Fennot works out bags of up to ${LIMITS.pieces}: beyond that every change would keep you waiting.`;
  for (const { name, make } of pieces) {
    if (make.of !== 'panel') continue;
    const [many, what] = make.rows > make.stitches ? [make.rows, 'rows'] : [make.stitches, 'stitches'];
    if (many > LIMITS.worked)
      return `${name} would take ${counted(many)} ${what}, more than anyone works. Look at the swatch it is worked in: what was counted, and over what length.`;
  }
  const loops = pieces.reduce((sum, { edges }) => sum + edges.reduce((own, edge) => own + edge.loops, 0), 0);
  if (loops > LIMITS.loops)
    return `The edges of this bag would have ${counted(loops)} loops to join. Fennot works out up to ${counted(LIMITS.loops)}: look at the counts, and at the swatches.`;
  const placed = new Set(facets.map(({ piece }) => piece));
  for (const { id, name, outline, edges } of pieces) {
    const { width, height } = extent(outline);
    const small = Math.min(width, height);
    if (small + join < 0)
      return `By the joined strip, each join takes ${inCm(-join)}, but ${name} is only ${inCm(small)} small. Look at the joined strip under Swatch.`;
    const sound = small >= LEAST_SIDE && edges.every(({ length }) => length >= LEAST_EDGE) && placed.has(id);
    if (!sound)
      return `${name} would come out ${inCm(small)} small, too little to be folded or joined. Look at its counts, and at what was measured under Swatch.`;
  }
  return undefined;
}
