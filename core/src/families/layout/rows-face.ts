import { type Interval, type Piece, pathOn, wholeEdge } from '../../bag/index.ts';
import type { Side } from '../../fabric/index.ts';
import { extent, must, type Point, pathLength } from '../../geometry/index.ts';
import type { FaceMake } from './face.ts';
import { type FaceOptions, type FaceSide, type LaidFace, sideId } from './laid-face.ts';
import type { Materials } from './materials.ts';
import { affineOf, asItIs, edgeOf, fromBehind, startingAt, stoodUpright } from './rows-sides.ts';

type RowsFace = Extract<FaceMake, { of: 'rows' }>;

/** What each side is called once it is a side of a bag. */
const NAMES: Record<Side['at'], string> = {
  left: 'left side',
  bottom: 'bottom',
  right: 'right side',
  top: 'round',
};

/**
 * A panel by its rows as a face. It stands on its first row and opens along its last, or with its rows upright on its
 * right side, opening along its left; a fan that begins in a ring hangs
 * with its round below and opens along its straight side; what is worked round opens over a share of its round.
 */
export function rowsFace(
  face: RowsFace,
  materials: Materials,
  { id, name, at, mirrored = false, hangs = false }: FaceOptions,
): LaidFace {
  const { piece, swatch, stitches, rows } = materials.panel(face.panel);
  const ring = !piece.sides.some(({ at: side }) => side === 'bottom');
  const round = piece.sides.length === 1;
  // What begins in a ring has no rows that could stand upright.
  const upright = (face.upright ?? false) && !ring;
  const stood = upright ? stoodUpright(piece.sides) : { sides: piece.sides, way: asItIs };
  const worked = mirrored ? fromBehind(stood.sides) : stood.sides;
  const turned = ring && !round;
  const sides = turned ? startingAt(worked, 'top') : worked;
  const opens: readonly Side['at'][] = turned ? ['left', 'right'] : ['top'];
  const hung = hangs && !round ? hungBy(sides, opens, turned) : { sides, flat: asItIs };
  if (!hung) return { width: 0, height: 0, at, pieces: [], seams: [], lines: [], sides: [], open: [] };
  const place = placing(hung.sides, turned, materials.join());
  const seen = (p: Point) => {
    const { x, y } = stood.way(p);
    return place(hung.flat({ x: mirrored ? -x : x, y }));
  };
  const placed = hung.sides.map((side) => ({ ...side, path: side.path.map(place) }));
  const outline = placed.flatMap(({ path }) => path.slice(0, -1));
  const laid: Piece = {
    id,
    name,
    make: {
      of: 'panel',
      swatch,
      stitches,
      rows,
      rowsRun: upright ? 'upright' : 'across',
      panel: face.panel,
      placed: affineOf(seen),
    },
    outline,
    edges: placed.map(edgeOf),
    at,
    turn: 0,
    cell: { sheet: id, row: 0, column: 0 },
  };
  const sewn = (of: Side['at']): FaceSide[] => {
    const chain = placed.flatMap(({ at: side }, edge) => (side === of ? [wholeEdge(laid, edge)] : []));
    return chain.length > 0 ? [faceSide(NAMES[of], laid, chain)] : [];
  };
  const open = placed.flatMap(({ at: side }, edge) => (opens.includes(side) ? [wholeEdge(laid, edge)] : []));
  const { width, height } = extent(outline);
  const shared = { width, height, at, pieces: [laid], seams: [], lines: [] };
  if (round) {
    const { length } = must(laid.edges[0], 'edge');
    const share = face.open / 200;
    const part: Interval = { piece: id, edge: 0, from: length * share, to: length * (1 - share) };
    return { ...shared, sides: [faceSide(NAMES.top, laid, [part])], open: [] };
  }
  if (turned) return { ...shared, sides: sewn('top'), open };
  return { ...shared, sides: [...sewn('left'), ...sewn('bottom'), ...sewn('right')], open };
}

const faceSide = (name: string, piece: Piece, chain: readonly Interval[]): FaceSide => ({
  name,
  id: sideId(name),
  chain,
  path: chain.flatMap((interval, i) => pathOn(piece, interval).slice(i === 0 ? 0 : 1)),
});

/**
 * The sides of a piece that hangs by some of them: those are drawn straight, and lie level.
 *
 * @param turned it will hang the other way up.
 * @returns with how its plane is turned; nothing where the rest would stand above what it hangs by.
 */
function hungBy(
  sides: readonly Side[],
  opens: readonly Side['at'][],
  turned: boolean,
): { readonly sides: readonly Side[]; readonly flat: (p: Point) => Point } | undefined {
  const own = sides.filter(({ at }) => opens.includes(at));
  const [a, b] = [own[0]?.path[0], own.at(-1)?.path.at(-1)];
  if (!a || !b) return undefined;
  const way = own.reduce((sum, { path }) => sum + pathLength(path), 0);
  const level = Math.atan2(b.y - a.y, b.x - a.x);
  const [cos, sin] = [Math.cos(level), Math.sin(level)];
  // From the one end to the other along x, and against it where it hangs as it was worked: then up is up.
  const sign = turned ? 1 : -1;
  const flat = (p: Point): Point => ({
    x: sign * ((p.x - a.x) * cos + (p.y - a.y) * sin),
    y: sign * ((p.y - a.y) * cos - (p.x - a.x) * sin),
  });
  const end = flat(b).x;
  let passed = 0;
  const drawn = sides.map((side): Side => {
    if (!opens.includes(side.at)) return { ...side, path: side.path.map(flat) };
    const from = passed;
    passed += pathLength(side.path);
    return { ...side, path: [from, passed].map((length) => ({ x: (end * length) / way, y: 0 })) };
  });
  const below = drawn.flatMap(({ path }) => path).every(({ y }) => (turned ? y > -ABOVE : y < ABOVE));
  return below ? { sides: drawn, flat } : undefined;
}
/** So much may stand above, mm: it is pressed down. */
const ABOVE = 1e-6;

/** Brings a piece to 0, 0 with its joins: as much larger as half a join all round makes it; the other way up where it hangs. */
function placing(sides: readonly Side[], turned: boolean, join: number): (p: Point) => Point {
  const points = sides.flatMap(({ path }) => path);
  const { width, height } = extent(points);
  const by = 1 + join / Math.max(width, height);
  const sign = turned ? -1 : 1;
  const [left, low] = [
    Math.min(...points.map(({ x }) => sign * x)),
    Math.min(...points.map(({ y }) => sign * y)),
  ];
  return ({ x, y }) => ({ x: (sign * x - left) * by, y: (sign * y - low) * by });
}
