import type { BagGraph, Facet, Interval, Piece } from '../../bag/index.ts';
import { along, distance, groupBy, type Point } from '../../geometry/index.ts';
import { type EdgeNodes, edgeNodes } from './edge-nodes.ts';
import { facetBorders, meeting, offSegment, type SewnAcross, sewnAcross } from './facet-borders.ts';
import { clearOf, latticeOn, triangulated } from './facet-mesh.ts';
import { rimLoops } from './rim-loops.ts';

/** A place of a piece in the mesh: pieces that meet share nodes, not vertices. */
export interface Vertex extends Point {
  readonly piece: Piece;
  readonly node: number;
  /** Whether it lies on the outline of its piece. */
  readonly onBorder: boolean;
}

/**
 * The bag as one surface of triangles. What is sewn together is one: a seam has the same nodes on both sides. Corners
 * that are tucked away inside are left out, the bag is closed across them.
 */
export interface Mesh {
  /** How many nodes. */
  readonly count: number;
  readonly vertices: readonly Vertex[];
  /** Vertices of every triangle, three numbers each, counter-clockwise as seen from the right side. */
  readonly corners: Int32Array;
  /** Their nodes. */
  readonly triangles: Int32Array;
  /** The facet each triangle lies on. */
  readonly facets: readonly Facet[];
  /** Nodes round each opening, the one with the most first, in the direction of the outlines. */
  readonly rims: ReadonlyArray<readonly number[]>;
  /** Vertices round each piece, by its id. */
  readonly outlines: ReadonlyMap<string, readonly number[]>;
  /** Vertices along every seam, by its id, on the piece that comes first. */
  readonly seams: ReadonlyMap<string, readonly number[]>;
  /** Wanted distance of nodes, mm. */
  readonly spacing: number;
}

/** Sides of triangles along the outline that are shorter than this share of the spacing are none: their ends are one node. */
const SHORT = 0.12;
/** Vertices this near a border of a facet lie on it, mm. */
const ON = 0.011;

/**
 * Lays a mesh over the whole bag, with nodes along its folds and seams.
 *
 * @param spacing wanted distance of nodes, mm.
 */
export function meshOf(graph: BagGraph, spacing: number): Mesh {
  const edges = edgeNodes(graph, spacing);
  const { nodes } = edges;
  const vertices: Vertex[] = [];
  const corners: number[] = [];
  const facets: Facet[] = [];
  const outlines = new Map<string, readonly number[]>();
  const across: Sewn[] = [];
  const facetsOf = groupBy(graph.facets, ({ piece }) => piece);
  for (const piece of graph.pieces) {
    const put = (p: Point, node: number, onBorder = false) =>
      vertices.push({ x: p.x, y: p.y, piece, node, onBorder }) - 1;
    const border = outlineOf(piece, edges, (p, node) => put(p, node, true));
    outlines.set(piece.id, border);
    const parts = facetsOf.get(piece.id) ?? [];
    const known = [...border];
    const lines: Line[] = [];
    for (const fold of parts.length > 1 ? facetBorders(piece, parts) : []) {
      const line = nodesAlong(fold.from, fold.to, known, vertices, spacing, (p) => put(p, nodes.add()));
      known.push(...line.filter((v) => !known.includes(v)));
      lines.push({ beside: fold.beside, vertices: line });
      const where = sewnAcross(fold);
      if (where) across.push({ where, nodes: line.map((v) => vertices[v]?.node ?? 0) });
    }
    const lattice = latticeOn(piece.outline, spacing);
    for (const facet of parts) {
      if (facet.tucked) continue;
      const ring = parts.length > 1 ? ringOf(facet, border, lines, vertices) : border;
      const places = ring.map((v): Point => vertices[v] ?? { x: 0, y: 0 });
      const { triangles, inner } = triangulated(places, clearOf(facet.outline, lattice, spacing));
      const all = [...ring, ...inner.map((p) => put(p, nodes.add()))];
      for (const triple of triangles) {
        corners.push(...triple.map((k) => all[k] ?? 0));
        facets.push(facet);
      }
    }
  }
  sewAcross(across, nodes);
  const seams = new Map(graph.seams.map(({ id, a }) => [id, verticesOn(a, edges, outlines)]));
  return compacted({ vertices, corners, facets, outlines, seams, nodes, spacing });
}

/** The vertices along a part of an edge. */
function verticesOn(
  { piece, edge, from, to }: Interval,
  edges: EdgeNodes,
  outlines: ReadonlyMap<string, readonly number[]>,
): number[] {
  const outline = outlines.get(piece) ?? [];
  let first = 0;
  for (let before = 0; before < edge; before++) first += edges.of(piece, before).length - 1;
  const [low, high] = [Math.min(from, to) - ON, Math.max(from, to) + ON];
  return edges
    .of(piece, edge)
    .flatMap(({ position }, k) =>
      position > low && position < high ? (outline[(first + k) % outline.length] ?? []) : [],
    );
}

/** The vertices round a piece; each edge's last is the next one's first. */
function outlineOf(piece: Piece, edges: EdgeNodes, put: (p: Point, node: number) => number): number[] {
  return piece.edges.flatMap((_, edge) =>
    edges
      .of(piece.id, edge)
      .slice(0, -1)
      .map(({ at, node }) => put(at, node)),
  );
}

/** Vertices along a fold, the known ones at its ends and new ones between. */
function nodesAlong(
  from: Point,
  to: Point,
  known: readonly number[],
  vertices: readonly Vertex[],
  spacing: number,
  put: (p: Point) => number,
): number[] {
  const at = (p: Point) =>
    known.find((v) => {
      const vertex = vertices[v];
      return vertex !== undefined && distance(vertex, p) < ON;
    }) ?? put(p);
  const many = Math.max(1, Math.round(distance(from, to) / spacing));
  return Array.from({ length: many + 1 }, (_, k) =>
    k === 0 ? at(from) : k === many ? at(to) : put(along(from, to, k / many)),
  );
}

/** The vertices along a border between facets. */
interface Line {
  readonly beside: readonly Facet[];
  readonly vertices: readonly number[];
}

/** The vertices round a facet, among those on the outline of its piece and on its own borders. */
function ringOf(
  facet: Facet,
  border: readonly number[],
  lines: readonly Line[],
  vertices: readonly Vertex[],
): number[] {
  const { outline } = facet;
  const own = lines.filter(({ beside }) => beside.includes(facet)).map((line) => line.vertices);
  const ring: number[] = [];
  outline.forEach((from, i) => {
    const to = outline[(i + 1) % outline.length] ?? from;
    const off = (v: number | undefined) => offSegment(vertices[v ?? 0] ?? from, from, to);
    // A border is on this side with both its ends or not at all: where the facet is sharp, so is one of the next side.
    const inner = own.filter((line) => off(line[0]).off < ON && off(line.at(-1)).off < ON).flat();
    const on = [...new Set([...border, ...inner])]
      .map((v) => ({ v, ...off(v) }))
      .filter((one) => one.off < ON)
      .sort((a, b) => a.share - b.share);
    for (const { v } of on) if (!ring.includes(v)) ring.push(v);
  });
  return ring;
}

interface Sewn {
  readonly where: SewnAcross;
  readonly nodes: readonly number[];
}

function sewAcross(across: readonly Sewn[], nodes: EdgeNodes['nodes']): void {
  across.forEach((a, i) => {
    for (const b of across.slice(i + 1)) {
      const way = meeting(a.where, b.where);
      if (!way) continue;
      const other = way === 'along' ? b.nodes : [...b.nodes].reverse();
      a.nodes.forEach((node, k) => {
        const share = k / Math.max(1, a.nodes.length - 1);
        nodes.join(node, other[Math.round(share * (other.length - 1))] ?? node);
      });
    }
  });
}

/**
 * Makes one node of the ends of short sides, where the surface stays one: two nodes may have no other neighbours in
 * common than those of their triangles, else a triangle beyond would be folded onto one that is not its neighbour.
 *
 * @param triangles nodes of every triangle, three numbers each.
 */
function joinShort(
  short: ReadonlyArray<{ readonly a: number; readonly b: number }>,
  triangles: readonly number[],
  nodes: EdgeNodes['nodes'],
): void {
  if (short.length === 0) return;
  /** Triangles at every node, by where they begin. */
  const at = new Map<number, number[]>();
  triangles.forEach((node, k) => {
    const root = nodes.find(node);
    at.set(root, [...(at.get(root) ?? []), k - (k % 3)]);
  });
  const cornersOf = (t: number) => [0, 1, 2].map((k) => nodes.find(triangles[t + k] ?? 0));
  const beside = (node: number) => new Set((at.get(node) ?? []).flatMap(cornersOf));
  for (const side of short) {
    const [a, b] = [nodes.find(side.a), nodes.find(side.b)];
    if (a === b) continue;
    const others = beside(b);
    const common = [...beside(a)].filter((node) => node !== a && node !== b && others.has(node));
    const between = new Set(
      (at.get(a) ?? [])
        .map(cornersOf)
        .flatMap((triple) => (triple.includes(b) && new Set(triple).size === 3 ? triple : [])),
    );
    if (common.some((node) => !between.has(node))) continue;
    const all = [...(at.get(a) ?? []), ...(at.get(b) ?? [])];
    nodes.join(a, b);
    at.set(nodes.find(a), all);
  }
}

/** Numbers the nodes that there are, and leaves out triangles that have shrunk to nothing. */
function compacted({
  vertices,
  corners,
  facets,
  outlines,
  seams,
  nodes,
  spacing,
}: {
  readonly vertices: readonly Vertex[];
  readonly corners: readonly number[];
  readonly facets: readonly Facet[];
  readonly outlines: Mesh['outlines'];
  readonly seams: Mesh['seams'];
  readonly nodes: EdgeNodes['nodes'];
  readonly spacing: number;
}): Mesh {
  const vertexAt = (v: number | undefined) => vertices[v ?? 0] ?? vertices[0];
  // Of what is sewn together the longer side counts.
  const sides = new Map<string, { readonly a: number; readonly b: number; readonly length: number }>();
  for (let t = 0; t < corners.length; t += 3) {
    for (let k = 0; k < 3; k++) {
      const [p, q] = [vertexAt(corners[t + k]), vertexAt(corners[t + ((k + 1) % 3)])];
      if (!p?.onBorder || !q?.onBorder) continue;
      const [a, b] = [nodes.find(p.node), nodes.find(q.node)].sort((i, j) => i - j);
      if (a === undefined || b === undefined) continue;
      const length = Math.max(distance(p, q), sides.get(`${a}/${b}`)?.length ?? 0);
      sides.set(`${a}/${b}`, { a, b, length });
    }
  }
  const short = [...sides.values()].filter(({ length }) => length < SHORT * spacing);
  joinShort(
    short,
    corners.map((v) => vertexAt(v)?.node ?? 0),
    nodes,
  );
  const number = new Map<number, number>();
  const numbered = (node: number) => {
    const root = nodes.find(node);
    const known = number.get(root);
    if (known !== undefined) return known;
    number.set(root, number.size);
    return number.size - 1;
  };
  const kept: number[] = [];
  const triangles: number[] = [];
  const keptFacets: Facet[] = [];
  facets.forEach((facet, t) => {
    const triple = corners.slice(3 * t, 3 * t + 3);
    const [a = 0, b = 0, c = 0] = triple.map((v) => numbered(vertexAt(v)?.node ?? 0));
    if (a === b || b === c || c === a) return;
    kept.push(...triple);
    triangles.push(a, b, c);
    keptFacets.push(facet);
  });
  const own = vertices.map((vertex) => ({ ...vertex, node: number.get(nodes.find(vertex.node)) ?? -1 }));
  const drawn = Int32Array.from(triangles);
  return {
    count: number.size,
    vertices: own,
    corners: Int32Array.from(kept),
    triangles: drawn,
    facets: keptFacets,
    rims: rimLoops(drawn).sort((p, q) => q.length - p.length),
    outlines,
    seams,
    spacing,
  };
}
