import type { BagGraph } from '../bag/index.ts';
import { pieceIndex } from '../bag/index.ts';
import type { Bound } from './bound.ts';
import type { Judged } from './judge.ts';
import type { Neighbour } from './neighbours.ts';

const things = (many: number, one: string, more = `${one}s`) =>
  `${many === 0 ? 'no' : many} ${many === 1 ? one : more}`;

/** How many twins touch, and whether fewer are possible. */
export function twinsText(twins: number, bound?: Bound): string {
  const said =
    twins === 0
      ? 'No twins touch'
      : twins === 1
        ? 'One pair of twins touches'
        : `${twins} pairs of twins touch`;
  if (twins === 0) return `${said}: fewer cannot be.`;
  if (!bound) return `${said}.`;
  if (bound.least >= twins) return `${said}: it cannot be fewer.`;
  return bound.proven
    ? `${said}; it could be ${bound.least === 0 ? 'none' : bound.least}.`
    : `${said}; no less than ${bound.least} is possible.`;
}

/**
 * The scores of an arrangement in a line: `no twins touch, 3 pairs of twins at corners`.
 *
 * @param outers whether designs end in different colours at all.
 */
export const scoreText = ({ twins, corners, lines, outer }: Judged, outers = true): string =>
  [
    twins.length === 0
      ? 'no twins touch'
      : things(twins.length, 'pair of twins touches', 'pairs of twins touch'),
    ...(corners > 0 ? [`${corners} at a corner`] : []),
    ...(lines > 0 ? [`${lines} three in a line`] : []),
    ...(outers && outer > 0 ? [`${things(outer, 'join')} between the same last colour`] : []),
  ].join(', ');

/** Two neighbours in words: `A1 and B1, side by side`, `A1 and A6, across the side seam`. */
export function neighbourText(graph: BagGraph, { a, b, how, seams }: Neighbour): string {
  const find = pieceIndex(graph);
  const both = `${find(a).name} and ${find(b).name}`;
  if (how === 'corner') return `${both}, at a corner`;
  if (how === 'strip') return `${both}, over the strip`;
  const closing = graph.seams.find((seam) => seams.includes(seam.id) && seam.kind !== 'flat');
  const line = closing && graph.lines.find(({ id }) => id === closing.line);
  if (!line) return `${both}, side by side`;
  const { name } = line;
  return `${both}, across: ${name.charAt(0).toLowerCase()}${name.slice(1)}`;
}
