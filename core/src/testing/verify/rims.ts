import {
  type BagGraph,
  cornersOf,
  fabricAt,
  type Interval,
  insideAngle,
  type Piece,
  type Seam,
} from '../../bag/index.ts';
import { edgeCounts } from '../../edging/index.ts';
import { type Check, differ } from './check.ts';
import { sidesOf, takenParts } from './outline.ts';

/** Places on one edge nearer than this are one, mm. */
const SAME = 2e-3;
/** A corner turns by more than 30 degrees, which hexagons beside squares come to exactly. */
const CORNER = Math.PI / 6 + 1e-3;

/** A point of a piece's outline at which something begins, ends or bends, with the angle inside the piece there. */
interface Place {
  readonly piece: string;
  readonly edge: number;
  readonly at: number;
  readonly angle: number;
}

/** A point of the bag: all the places that seams bring together there. */
export interface Corner {
  angle: number;
  /** Free parts that end and begin there, and seams that end there. */
  arrive: Place[];
  leave: Place[];
  readonly seams: Set<Seam>;
}

const angleAt = (piece: Piece, vertex: number): number => {
  const n = piece.outline.length;
  const [o, p, q] = [vertex - 1 + n, vertex, vertex + 1].map((i) => piece.outline[i % n] ?? { x: 0, y: 0 });
  if (!o || !p || !q) return Math.PI;
  const turn = Math.atan2(
    (p.x - o.x) * (q.y - p.y) - (p.y - o.y) * (q.x - p.x),
    (p.x - o.x) * (q.x - p.x) + (p.y - o.y) * (q.y - p.y),
  );
  return Math.PI - turn;
};

/** All places of a piece in the order of its outline: its corners and bends, and the ends of its seams. */
function placesOf(piece: Piece, ends: readonly number[][]): Place[] {
  const { id, edges } = piece;
  let vertex = -1;
  let edge = -1;
  const bends = sidesOf(piece).map((side): Place => {
    vertex++;
    if (side.edge !== edge) edge = side.edge;
    return { piece: id, edge, at: side.from, angle: angleAt(piece, vertex) };
  });
  return edges.flatMap(({ length }, k) => {
    const own = bends.filter((bend) => bend.edge === k);
    const marks = (ends[k] ?? [])
      .filter((at) => at > SAME && at < length - SAME && !own.some((bend) => Math.abs(bend.at - at) < SAME))
      .sort((a, b) => a - b)
      .filter((at, i, all) => i === 0 || at - (all[i - 1] ?? 0) > SAME)
      .map((at): Place => ({ piece: id, edge: k, at, angle: Math.PI }));
    return [...own, ...marks].sort((a, b) => a.at - b.at);
  });
}

/** The points of a bag, and which of them a place on an edge is. */
export interface Points {
  readonly corners: readonly Corner[];
  at(piece: string, edge: number, at: number): Corner | undefined;
}

/** All points of the bag, found by bringing together what its seams bring together. */
export function pointsOf(graph: BagGraph): Points {
  const ends = new Map<string, number[][]>(graph.pieces.map(({ id, edges }) => [id, edges.map(() => [])]));
  for (const { a, b } of graph.seams)
    for (const { piece, edge, from, to } of [a, b]) ends.get(piece)?.[edge]?.push(from, to);
  const places = new Map(graph.pieces.map((piece) => [piece.id, placesOf(piece, ends.get(piece.id) ?? [])]));
  const groups = new Map<Place, Set<Place>>();
  for (const own of places.values()) for (const place of own) groups.set(place, new Set([place]));
  const length = new Map(
    graph.pieces.map(({ id, edges }) => [id, edges.map((edge) => edge.length as number)]),
  );
  const find = ({ piece, edge }: Pick<Interval, 'piece' | 'edge'>, at: number): Place | undefined => {
    const own = places.get(piece) ?? [];
    const many = length.get(piece)?.length ?? 1;
    const last = Math.abs(at - (length.get(piece)?.[edge] ?? 0)) < SAME;
    return last
      ? own.find((place) => place.edge === (edge + 1) % many && place.at < SAME)
      : own.find((place) => place.edge === edge && Math.abs(place.at - at) < SAME);
  };
  const seams = new Map<Place, Seam[]>();
  for (const seam of graph.seams) {
    const { a, b } = seam;
    for (const [p, q] of [
      [find(a, a.from), find(b, b.from)],
      [find(a, a.to), find(b, b.to)],
    ] as const) {
      if (!p || !q) continue;
      seams.set(p, [...(seams.get(p) ?? []), seam]);
      const [one, other] = [groups.get(p), groups.get(q)];
      if (!one || !other || one === other) continue;
      for (const place of other) {
        one.add(place);
        groups.set(place, one);
      }
    }
  }
  const corners = new Map<Set<Place>, Corner>();
  const cornerOf = (place: Place): Corner => {
    const group = groups.get(place) ?? new Set([place]);
    const known = corners.get(group);
    if (known) return known;
    const fresh: Corner = { angle: 0, arrive: [], leave: [], seams: new Set() };
    for (const one of group) {
      fresh.angle += one.angle;
      for (const seam of seams.get(one) ?? []) fresh.seams.add(seam);
    }
    corners.set(group, fresh);
    return fresh;
  };
  const taken = takenParts(graph);
  for (const own of places.values()) {
    own.forEach((from, i) => {
      const to = own[(i + 1) % own.length] ?? from;
      const end =
        to.edge === from.edge && to.at > from.at ? to.at : (length.get(from.piece)?.[from.edge] ?? 0);
      const middle = (from.at + end) / 2;
      cornerOf(from);
      const free = !(taken.get(`${from.piece}/${from.edge}`) ?? []).some(
        ([low, high]) => low < middle && middle < high,
      );
      if (!free) return;
      cornerOf(from).leave.push(from);
      cornerOf(to).arrive.push(to);
    });
  }
  return {
    corners: [...corners.values()],
    at: (piece, edge, at) => {
      const place = find({ piece, edge }, at);
      return place && cornerOf(place);
    },
  };
}

/** Loops of all edges that no seam takes: each edge's own, less what its seams take of it. */
function freeLoops(graph: BagGraph): { readonly loops: number; readonly parted: number } {
  let [loops, parted] = [0, 0];
  for (const { id, edges } of graph.pieces) {
    edges.forEach((edge, k) => {
      const parts = graph.seams
        .flatMap(({ a, b }) => [a, b])
        .filter((side) => side.piece === id && side.edge === k)
        .map(({ from, to }) => [Math.min(from, to), Math.max(from, to)] as const);
      const marks = [...new Set([0, edge.length, ...parts.flat()])].sort((p, q) => p - q);
      marks.forEach((to, i) => {
        const from = marks[i - 1];
        if (from === undefined || to - from < 2e-3) return;
        const middle = (from + to) / 2;
        if (!parts.some(([low, high]) => low < middle && middle < high))
          loops += (edge.loops * (to - from)) / edge.length;
      });
      // Wherever an edge is parted, rounding to whole stitches moves at most one across.
      parted += Math.max(0, marks.length - 2);
    });
  }
  return { loops, parted };
}

/** The corners, joins and stitches of the first edge round. */
export const rims: Check = {
  name: 'First edge round',
  how: 'points of the bag by bringing together what seams bring together: corners by the fabric round each, joins where the rim changes pieces; stitches as what seams leave of every edge',
  of(plan) {
    const { graph } = plan;
    const counts = edgeCounts(graph);
    const sum = (of: 'along' | 'joins' | 'peaks' | 'notches' | 'first') =>
      counts.reduce((all, one) => all + one[of], 0);
    const corners = pointsOf(graph).corners.filter(({ arrive }) => arrive.length > 0);
    // Where the rim touches itself, only going round tells which fabric lies between.
    const touching = corners.filter(({ arrive }) => arrive.length > 1).length;
    const peaks = corners.filter(({ angle }) => Math.PI - angle > CORNER).length;
    const notches = corners.filter(({ angle }) => angle - Math.PI > CORNER).length;
    const joins = corners.filter(({ seams }) => [...seams].some(({ kind }) => kind !== 'grown')).length;
    const { loops, parted } = freeLoops(graph);
    const stitches = sum('along') + sum('joins') + 2 * sum('peaks') - 2 * sum('notches') - sum('first');
    return [
      ...differ('Peaks', sum('peaks'), peaks, 2 * touching),
      ...differ('Notches', sum('notches'), notches, 2 * touching),
      ...differ('Joins along the rim', sum('joins'), joins, 2 * touching),
      ...differ('Loops along the rim', sum('along'), loops, 0.5 + 0.5 * parted),
      ...(counts.some(({ first }) => first <= 1)
        ? []
        : differ('First round out of its parts', -stitches, 0, 0)),
      ...counts.flatMap(({ parts, events, first }, i) => {
        const along = parts.reduce((all, { from, to }) => all + to - from, 0);
        const lost = events.length;
        return Math.abs(along - first) <= 2 * lost
          ? []
          : [`Parts of rim ${i}: ${along} of ${first} stitches`];
      }),
    ];
  },
};

/** Turns of the rim as the product tells them, and what the rest of the bag leaves for them. */
export const turning: Check = {
  name: 'Corners that balance',
  how: 'Gauss and Bonnet: what the rim turns by and what is missing of a full turn round every inner point add up to 360 degrees times points less sides plus pieces',
  of({ graph }) {
    const byId = new Map(graph.pieces.map((piece) => [piece.id, piece]));
    const between = fabricAt(graph);
    let turns = 0;
    for (const { interval } of cornersOf(graph).rims().flat()) {
      const { piece, edge, from, to } = interval;
      const own = byId.get(piece);
      if (!own) return [`The rim runs along ${piece}, which is not there`];
      for (const side of sidesOf(own))
        if (side.edge === edge && side.from > from + SAME && side.from < to - SAME)
          turns += Math.PI - insideAngle(own, edge, side.from);
      const fabric = between({ piece, edge, at: to });
      // A seam that turns a piece over: the bag has no two sides there.
      if (!fabric) return [];
      turns += Math.PI - fabric.angle;
    }
    const { corners } = pointsOf(graph);
    const rim = corners.filter(({ arrive }) => arrive.length > 0);
    const inner = corners.filter(({ arrive }) => arrive.length === 0);
    // A bend within a seam has its partner's straight side before it, and is no point of its own.
    const bends = inner.filter(({ seams }) => seams.size === 0);
    const missing = inner.reduce((sum, { angle }) => sum + 2 * Math.PI - angle, 0) - bends.length * Math.PI;
    const points = inner.length - bends.length + rim.reduce((sum, { arrive }) => sum + arrive.length, 0);
    const sides = graph.seams.length + rim.reduce((sum, { leave }) => sum + leave.length, 0);
    const whole = 2 * Math.PI * (points - sides + graph.pieces.length);
    const degrees = (angle: number) => (angle * 180) / Math.PI;
    return differ('The rim turns by, degrees', degrees(turns), degrees(whole - missing), 0.5);
  },
};
