import type { Affine, Edge } from '../../bag/index.ts';
import type { Side } from '../../fabric/index.ts';
import { type Point, pathLength } from '../../geometry/index.ts';
import { mm } from '../../units/index.ts';

/** A way from plane to plane. */
export type Way = (p: Point) => Point;

export const asItIs: Way = (p) => p;

/** The sides of a panel by its rows, moved, with the way its plane went. */
export interface MovedSides {
  readonly sides: readonly Side[];
  readonly way: Way;
}

/** What a way that keeps straight lines straight does. */
export function affineOf(way: Way): Affine {
  const [o, x, y] = [way({ x: 0, y: 0 }), way({ x: 1, y: 0 }), way({ x: 0, y: 1 })];
  return [x.x - o.x, x.y - o.y, y.x - o.x, y.y - o.y, o.x, o.y];
}

export function edgeOf({ kind, loops, path }: Side): Edge {
  return {
    kind,
    loops,
    length: mm(pathLength(path)),
    ...(path.length > 2 ? { sides: path.length - 1 } : {}),
  };
}

/** The same piece from its other side. */
export const fromBehind = (sides: readonly Side[]): Side[] =>
  sides
    .map(({ at, path, ...side }): Side => {
      const seen = path.map(({ x, y }): Point => ({ x: -x, y })).reverse();
      return { ...side, at: at === 'left' ? 'right' : at === 'right' ? 'left' : at, path: seen };
    })
    .reverse();

/** The sides in their order, from another one on. */
export function startingAt(sides: readonly Side[], first: Side['at']): readonly Side[] {
  const from = sides.findIndex(({ at }) => at === first);
  return from < 0 ? sides : [...sides.slice(from), ...sides.slice(0, from)];
}

/** Which side each one becomes when a piece is turned a quarter with the clock. */
const TURNED: Record<Side['at'], Side['at']> = {
  right: 'bottom',
  top: 'right',
  left: 'top',
  bottom: 'left',
};

/** A piece turned a quarter with the clock, so that its rows stand upright: its chain lies at its left. */
export function stoodUpright(sides: readonly Side[]): MovedSides {
  const way: Way = ({ x, y }) => ({ x: y, y: -x });
  const moved = sides.map((side) => ({ ...side, at: TURNED[side.at], path: side.path.map(way) }));
  return { sides: startingAt(moved, 'bottom'), way };
}
