import { type BagGraph, type Facet, inNet, move, type Piece, pieceIndex, pointOnEdge } from '../bag/index.ts';
import { contains, cross, dot, groupBy, type Point, type Point3, unit } from '../geometry/index.ts';
import { facetBorders } from './mesh/facet-borders.ts';
import type { Mesh } from './mesh/mesh.ts';

/** How a part of the net stands in space: images of its own directions, and of its origin. */
interface Stand {
  readonly x: Point3;
  readonly y: Point3;
  readonly z: Point3;
  readonly at: Point3;
}

/** Two facets that hang together along a line of the net. */
interface Hinge {
  readonly a: Facet;
  readonly b: Facet;
  readonly from: Point;
  readonly to: Point;
}

/** From so much of the way on what is eased, or lay apart, finds its exact place. */
const FITS = 0.75;

/**
 * The way from the flat net to the pressed bag: facets turn about their folds and flat joins, all at once; what lies apart
 * in the net flies to its place. A picture of the folding, not a simulation: the net lies in the plane of the front.
 *
 * @param pressed where every node of the mesh lies when the bag is pressed, mm.
 * @returns for a share of the way from 0 to 1 the place of every vertex of the mesh, mm.
 */
export function unfolding(
  graph: BagGraph,
  mesh: Mesh,
  pressed: ArrayLike<number>,
): (share: number) => Float32Array {
  const hinges = hingesOf(graph);
  const trees = treesOf(graph, hinges);
  const facetOf = new Map<number, Facet>();
  mesh.facets.forEach((facet, t) => {
    for (const v of mesh.corners.subarray(3 * t, 3 * t + 3)) if (!facetOf.has(v)) facetOf.set(v, facet);
  });
  const [first] = trees;
  return (share) => {
    const stands = new Map<Facet, Stand>();
    for (const tree of trees) {
      const home = madeUp(tree.root, graph);
      // The net lies where its first part stands.
      const flat = first ? madeUp(first.root, graph) : home;
      stands.set(tree.root, tree === first ? home : between(flat, home, tree.middle, share));
      for (const { parent, child, from, way, angle } of tree.turns) {
        const stand = stands.get(parent);
        if (stand) stands.set(child, turnedAbout(stand, from, way, angle * share));
      }
    }
    const exact = Math.max(0, (share - FITS) / (1 - FITS));
    const places = new Float32Array(3 * mesh.vertices.length);
    mesh.vertices.forEach((vertex, v) => {
      const facet = facetOf.get(v);
      const stand = facet && stands.get(facet);
      if (!stand) return;
      const p = placeIn(stand, inNet(vertex.piece, vertex));
      [p.x, p.y, p.z].forEach((value, k) => {
        places[3 * v + k] = value + ((pressed[3 * vertex.node + k] ?? value) - value) * exact;
      });
    });
    return places;
  };
}

const plus = (p: Point3, q: Point3, by = 1): Point3 => ({
  x: p.x + by * q.x,
  y: p.y + by * q.y,
  z: p.z + by * q.z,
});

const placeIn = ({ x, y, at }: Stand, p: Point): Point3 => plus(plus(at, x, p.x), y, p.y);

/** How a facet stands on the made-up bag, as seen from the net; what is eased there is taken at its own size. */
function madeUp({ piece: id, motion }: Facet, graph: BagGraph): Stand {
  const { at, turn } = pieceIndex(graph)(id);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const [u, v] = [unit(motion.u), unit(motion.v)];
  const x = plus({ x: u.x * cos, y: u.y * cos, z: u.z * cos }, v, -sin);
  const z = unit(cross(u, v));
  const y = cross(z, x);
  const home = move(motion, { x: 0, y: 0 });
  return { x, y, z, at: plus(plus(home, x, -at.x), y, -at.y) };
}

/** Turned about a line of the net, which stays where it is. */
function turnedAbout({ x, y, z, at }: Stand, from: Point, way: Point, angle: number): Stand {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  // Rodrigues' formula about (way.x, way.y, 0) for the three directions of the net.
  const image = (a: number, b: number, c: number): Point3 =>
    plus(plus({ x: x.x * a, y: x.y * a, z: x.z * a }, y, b), z, c);
  const { x: p, y: q } = way;
  const own = {
    x: image(cos + p * p * (1 - cos), p * q * (1 - cos), -q * sin),
    y: image(p * q * (1 - cos), cos + q * q * (1 - cos), p * sin),
    z: image(q * sin, -p * sin, cos),
  };
  const held = plus(plus(at, x, from.x), y, from.y);
  return { ...own, at: plus(plus(held, own.x, -from.x), own.y, -from.y) };
}

/** Part of the way from one stand to another: its middle goes straight, and it turns the shortest way. */
function between(from: Stand, to: Stand, middle: Point, share: number): Stand {
  const mixed = (p: Point3, q: Point3): Point3 => plus(p, plus(q, p, -1), share);
  const goes = mixed(placeIn(from, middle), placeIn(to, middle));
  // Where the two look against one another, halfway the mean has no direction: it goes over the side.
  const aside = Math.sin(Math.PI * share) * 1e-3;
  const z = unit(plus(mixed(from.z, to.z), { x: aside, y: aside, z: 0 }));
  const rough = plus(mixed(from.x, to.x), { x: 0, y: aside, z: aside });
  const x = unit(plus(rough, z, -dot(rough, z)));
  const y = cross(z, x);
  return { x, y, z, at: plus(plus(goes, x, -middle.x), y, -middle.y) };
}

const middleOf = (piece: Piece, { outline }: Facet): Point => {
  const n = outline.length;
  return inNet(
    piece,
    outline.reduce((sum, p) => ({ x: sum.x + p.x / n, y: sum.y + p.y / n }), { x: 0, y: 0 }),
  );
};

/** Shares of a flat join at which is looked which facets meet there. */
const LOOKED_AT = [0.1, 0.5, 0.9];

function hingesOf(graph: BagGraph): Hinge[] {
  const pieceOf = pieceIndex(graph);
  const facets = groupBy(graph.facets, ({ piece }) => piece);
  const folds = graph.pieces.flatMap((piece) =>
    facetBorders(piece, facets.get(piece.id) ?? []).flatMap(({ from, to, beside: [a, b] }): Hinge[] =>
      a && b ? [{ a, b, from: inNet(piece, from), to: inNet(piece, to) }] : [],
    ),
  );
  const joins = graph.seams.flatMap(({ kind, a, b }): Hinge[] => {
    if (kind !== 'flat') return [];
    const [p, q] = [pieceOf(a.piece), pieceOf(b.piece)];
    const on = ({ edge, from, to }: typeof a, piece: Piece, share: number) =>
      pointOnEdge(piece, edge, from + (to - from) * share);
    const ends = [on(a, p, 0), on(a, p, 1)].map((end) => inNet(p, end));
    const [from, to] = ends;
    if (!from || !to) return [];
    return LOOKED_AT.flatMap((share): Hinge[] => {
      const one = facets.get(p.id)?.find(({ outline }) => contains(outline, on(a, p, share), 1e-3));
      const other = facets.get(q.id)?.find(({ outline }) => contains(outline, on(b, q, share), 1e-3));
      return one && other ? [{ a: one, b: other, from, to }] : [];
    });
  });
  return [...folds, ...joins];
}

interface Turn {
  readonly parent: Facet;
  readonly child: Facet;
  /** A place on the hinge and its way, in the net. */
  readonly from: Point;
  readonly way: Point;
  readonly angle: number;
}

interface Tree {
  readonly root: Facet;
  /** The middle of its root in the net. */
  readonly middle: Point;
  readonly turns: readonly Turn[];
}

/** What hangs together in the net, from the front on, with how each facet turns against the one it hangs on. */
function treesOf(graph: BagGraph, hinges: readonly Hinge[]): Tree[] {
  const pieceOf = pieceIndex(graph);
  const beside = new Map<Facet, Array<{ readonly other: Facet; readonly hinge: Hinge }>>();
  const put = (facet: Facet, other: Facet, hinge: Hinge) =>
    beside.set(facet, [...(beside.get(facet) ?? []), { other, hinge }]);
  for (const hinge of hinges) {
    put(hinge.a, hinge.b, hinge);
    put(hinge.b, hinge.a, hinge);
  }
  const reached = new Set<Facet>();
  const roots = [...graph.facets].sort((a, b) => Number(b.face === 'front') - Number(a.face === 'front'));
  return roots.flatMap((root): Tree[] => {
    if (reached.has(root)) return [];
    reached.add(root);
    const turns: Turn[] = [];
    const queue = [root];
    for (let parent = queue.shift(); parent; parent = queue.shift()) {
      for (const { other, hinge } of beside.get(parent) ?? []) {
        if (reached.has(other)) continue;
        reached.add(other);
        turns.push(turnOf(graph, parent, other, hinge));
        queue.push(other);
      }
    }
    return [{ root, middle: middleOf(pieceOf(root.piece), root), turns }];
  });
}

function turnOf(graph: BagGraph, parent: Facet, child: Facet, { from, to }: Hinge): Turn {
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
  const way = { x: (to.x - from.x) / length, y: (to.y - from.y) / length };
  const [p, c] = [madeUp(parent, graph), madeUp(child, graph)];
  const along = plus({ x: p.x.x * way.x, y: p.x.y * way.x, z: p.x.z * way.x }, p.y, way.y);
  const angle = Math.atan2(dot(cross(p.z, c.z), along), dot(p.z, c.z));
  const middle = middleOf(pieceIndex(graph)(child.piece), child);
  // Left of the way the child rises for an angle above zero: folded flat, it goes behind, where the wrong side is.
  const left = way.x * (middle.y - from.y) - way.y * (middle.x - from.x) > 0;
  const folded = Math.abs(angle) > Math.PI - 1e-3;
  return { parent, child, from, way, angle: folded ? (left ? -Math.PI : Math.PI) : angle };
}
