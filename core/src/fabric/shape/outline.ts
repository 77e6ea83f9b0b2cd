import type { EdgeKind } from '../../bag/index.ts';
import type { Point } from '../../geometry/index.ts';
import { type LaidFlat, type LaidRow, placeAt } from './lay-flat.ts';

/** A side of a worked piece: what it is made of, where it runs, and how many a join can take of it. */
export interface Side {
  /** Where on the piece it is: what it begins on, its right and left, its last row. */
  readonly at: 'bottom' | 'right' | 'top' | 'left';
  readonly kind: EdgeKind;
  readonly path: readonly Point[];
  readonly loops: number;
}

/**
 * The sides of a piece, counter-clockwise: from the left end of what it begins on. A row that begins or ends inside the
 * row below leaves tops of that open: a step. Worked round, it has one.
 *
 * @param first stitches of what it begins on; 0 for a ring.
 * @param rowEndRate insertions of one row's end.
 */
export function sidesOf({ base, rows }: LaidFlat, first: number, rowEndRate: number): Side[] {
  const last = rows.at(-1);
  if (!last) return [];
  const many = last.layer.many;
  if (last.layer.round) {
    // Rounds run with the clock.
    const path = [...last.nodes, ...last.nodes.slice(0, 1)].reverse();
    return [{ at: 'top', kind: 'round', path, loops: many }];
  }
  const bottom: Side[] = first > 0 ? [{ at: 'bottom', kind: 'chain', path: base, loops: first }] : [];
  const top: Side = { at: 'top', kind: 'tops', path: [...last.nodes].reverse(), loops: many };
  const start = { nodes: base, loops: first, kind: 'chain' as const };
  const up = ends('right', rows, start, rowEndRate);
  const down = ends('left', rows, start, rowEndRate).map(({ path, ...side }) => ({
    ...side,
    path: [...path].reverse(),
  }));
  return [...bottom, ...up, top, ...down.reverse()];
}

/** One end of all rows, from the bottom up. */
function ends(
  at: 'right' | 'left',
  rows: readonly LaidRow[],
  start: { readonly nodes: readonly Point[]; readonly loops: number; readonly kind: EdgeKind },
  rate: number,
): Side[] {
  const sides: Side[] = [];
  let below = start;
  /** Ends of rows one over another, not yet a side. */
  let running: { path: Point[]; rows: number } | undefined;
  const finish = () => {
    if (running && running.path.length > 1)
      sides.push({
        at,
        kind: 'row-ends',
        path: running.path,
        loops: Math.max(1, Math.round(running.rows * rate)),
      });
    running = undefined;
  };
  for (const row of rows) {
    const foot = at === 'right' ? row.right : row.left;
    const open = Math.round((at === 'right' ? 1 - foot : foot) * below.loops);
    if (open > 0 && below.nodes.length > 1) {
      finish();
      const path = part(below.nodes, at === 'right' ? 1 : 0, foot);
      sides.push({ at, kind: below.kind, path, loops: open });
    }
    const end = at === 'right' ? row.nodes.at(-1) : row.nodes[0];
    running ??= { path: [placeAt(below.nodes, foot)], rows: 0 };
    if (end) running.path.push(end);
    running.rows += row.rows;
    below = { nodes: row.nodes, loops: row.layer.many, kind: 'tops' };
  }
  finish();
  return sides;
}

/** The nodes from one share of them to another, either way. */
function part(nodes: readonly Point[], from: number, to: number): Point[] {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const between = nodes.filter((_, k) => {
    const share = k / (nodes.length - 1);
    return share > low + 1e-9 && share < high - 1e-9;
  });
  const path = [placeAt(nodes, low), ...between, placeAt(nodes, high)];
  return from <= to ? path : path.reverse();
}
