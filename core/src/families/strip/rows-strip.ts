import { z } from 'zod';
import { type Interval, type Piece, wholeEdge } from '../../bag/index.ts';
import type { Side } from '../../fabric/index.ts';
import { idSchema } from '../../fields/index.ts';
import { along, area, extent, type Point, pathLength } from '../../geometry/index.ts';
import type { Materials } from '../layout/materials.ts';
import { affineOf, asItIs, edgeOf, stoodUpright } from '../layout/rows-sides.ts';

export const rowsStripSchema = z
  .strictObject({
    of: z.literal('rows'),
    panel: idSchema,
    /** `across`: its rows run across the strip, its row ends along it. `along`: its chain and its last row do. */
    worked: z.enum(['across', 'along']),
  })
  .meta({ description: 'A strip that is a panel by its rows.' });
export type RowsStrip = z.infer<typeof rowsStripSchema>;

/** The ways a piece can lie as a strip: so that either of its long sides is one, without steps. */
export function stripWays(sides: readonly Side[]): RowsStrip['worked'][] {
  const one = (at: Side['at']) => sides.filter((side) => side.at === at).length === 1;
  // What is worked round, or begins in a ring, has no two.
  if (!one('bottom') || !one('top')) return [];
  return one('left') && one('right') ? ['across', 'along'] : ['along'];
}

/** A panel laid as a strip, at 0, 0. */
export interface LaidStrip {
  readonly piece: Piece;
  /** Along it, and across it one place with another, mm. */
  readonly length: number;
  readonly depth: number;
  /** Rows, or stitches, along it. */
  readonly count: number;
  /** Its lower edge from left to right, its upper one from right to left; each may have steps. */
  readonly lower: readonly Interval[];
  readonly upper: readonly Interval[];
}

/** Lays a panel by its rows as a strip: half a join is added at either long edge. */
export function layRowsStrip({ panel, worked }: RowsStrip, materials: Materials): LaidStrip {
  const { piece, swatch, stitches, rows } = materials.panel(panel);
  const lying = worked === 'across' ? stoodUpright(piece.sides) : { sides: piece.sides, way: asItIs };
  const straight = withStraightEnds(lying.sides);
  const bare = straight.flatMap(({ path }) => path);
  const box = extent(bare);
  const [left, low] = [Math.min(...bare.map(({ x }) => x)), Math.min(...bare.map(({ y }) => y))];
  const taller = 1 + materials.join() / box.height;
  const moved = ({ x, y }: Point): Point => ({ x: x - left, y: (y - low) * taller });
  const sides = straight.map((side): Side => ({ ...side, path: side.path.map(moved) }));
  const outline = sides.flatMap(({ path }) => path.slice(0, -1));
  const laid: Piece = {
    id: 'strip',
    name: 'Strip',
    make: {
      of: 'panel',
      swatch,
      stitches,
      rows,
      rowsRun: worked === 'across' ? 'upright' : 'across',
      panel,
      placed: affineOf((p) => moved(lying.way(p))),
    },
    outline,
    edges: sides.map(edgeOf),
    at: { x: 0, y: 0 },
    turn: 0,
    cell: { sheet: 'strip', row: 0, column: 0 },
  };
  const edgesAt = (at: Side['at']) =>
    sides.flatMap((side, edge) => (side.at === at ? [wholeEdge(laid, edge)] : []));
  return {
    piece: laid,
    length: box.width,
    depth: Math.abs(area(outline)) / box.width,
    count: worked === 'across' ? rows : stitches,
    lower: edgesAt('bottom'),
    upper: edgesAt('top'),
  };
}

/** The sides with both ends of the strip drawn straight: however its first and last rows curl, they lie on the rim. */
function withStraightEnds(sides: readonly Side[]): Side[] {
  const drawn = new Map<Side, Side>();
  for (const at of ['left', 'right'] as const) {
    const end = sides.filter((side) => side.at === at);
    const [from, to] = [end[0]?.path[0], end.at(-1)?.path.at(-1)];
    if (!from || !to) continue;
    const way = end.reduce((sum, { path }) => sum + pathLength(path), 0);
    let passed = 0;
    for (const side of end) {
      const begun = passed;
      passed += pathLength(side.path);
      const path = [begun, passed].map((at) => along(from, to, at / way));
      drawn.set(side, { ...side, path });
    }
  }
  return sides.map((side) => drawn.get(side) ?? side);
}
