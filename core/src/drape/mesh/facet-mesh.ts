import Delaunator from 'delaunator';
import earcut from 'earcut';
import { along, area, contains, distance, extent, type Point } from '../../geometry/index.ts';
import { offSegment } from './facet-borders.ts';

/** Inner nodes keep this far from the border, as a share of the spacing. */
const CLEAR = 0.6;
/** Rows of a mesh of even-sided triangles lie so far apart, as a share of its spacing. */
const RISE = Math.sqrt(3) / 2;

/**
 * A lattice of inner nodes for a piece: rows of them, each half a spacing beside the one before, laid from the middle
 * out so that a piece with two like halves has a mesh with two like halves.
 */
export function latticeOn(outline: readonly Point[], spacing: number): Point[] {
  const { width, height } = extent(outline);
  const rows = Math.ceil(height / 2 / (spacing * RISE));
  const columns = Math.ceil(width / 2 / spacing) + 1;
  const points: Point[] = [];
  for (let j = -rows; j <= rows; j++) {
    for (let i = -columns; i <= columns; i++) {
      const aside = j % 2 === 0 ? 0 : 0.5;
      points.push({ x: width / 2 + (i + aside) * spacing, y: height / 2 + j * spacing * RISE });
    }
  }
  return points;
}

/** Those points of a lattice that lie well inside an outline. */
export const clearOf = (outline: readonly Point[], lattice: readonly Point[], spacing: number): Point[] =>
  lattice.filter(
    (p) =>
      contains(outline, p) &&
      outline.every(
        (from, i) => offSegment(p, from, outline[(i + 1) % outline.length] ?? from).off > CLEAR * spacing,
      ),
  );

export type Triple = readonly [number, number, number];

/** A filled outline: its triangles, counter-clockwise, as places in the border's list and then in that of the inner points. */
export interface Filled {
  readonly triangles: readonly Triple[];
  /** The inner points that were given, and some more. */
  readonly inner: readonly Point[];
}

/** Triangles that fill an outline, over the points of its border in order and some inside. */
export function triangulated(border: readonly Point[], inner: readonly Point[]): Filled {
  const filled = delaunay(border, inner);
  // In sharp corners the nearest neighbours lie across the border: there it is cut up by ears, without inner points.
  const whole = Math.abs(areaOf(filled, [...border, ...inner]) - area(border)) < 1e-6 * area(border);
  const [triangles, within] = whole ? [filled, inner] : [ears(border), []];
  return withoutChords(withWholeBorder(triangles, border), border, within);
}

function delaunay(border: readonly Point[], inner: readonly Point[]): Triple[] {
  const points = [...border, ...inner];
  const { triangles } = Delaunator.from(
    points,
    ({ x }) => x,
    ({ y }) => y,
  );
  return triplesOf(triangles, points).filter((triple) => {
    // Inner points lie so far inside that nothing round them reaches out; if it did, the area would tell.
    if (triple.some((k) => k >= border.length)) return true;
    const [p, q, r] = triple.map((k) => points[k]);
    return p && q && r && contains(border, { x: (p.x + q.x + r.x) / 3, y: (p.y + q.y + r.y) / 3 });
  });
}

const ears = (border: readonly Point[]): Triple[] =>
  triplesOf(earcut(border.flatMap(({ x, y }) => [x, y])), border);

/** Triples of a list, counter-clockwise; three in a line are no triangle: what lies along a straight border. */
function triplesOf(list: ArrayLike<number>, points: readonly Point[]): Triple[] {
  const triples: Triple[] = [];
  for (let t = 0; t < list.length; t += 3) {
    const [a = 0, b = 0, c = 0] = [list[t], list[t + 1], list[t + 2]];
    const [p, q, r] = [points[a], points[b], points[c]];
    if (!p || !q || !r) continue;
    const turn = (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
    if (Math.abs(turn) < 1e-6 * (1 + distance(p, q) + distance(q, r))) continue;
    triples.push(turn > 0 ? [a, b, c] : [a, c, b]);
  }
  return triples;
}

/** What lies so near to a straight line, mm, lies on it. */
const ON_LINE = 1e-5;

/**
 * Ears are cut from bend to bend: a point that lies in one line with its neighbours, on a straight part of the border or
 * where ears before have left it so, may be passed over, and the mesh would come open there. Every triangle that passes
 * some over is divided into a fan over them.
 */
function withWholeBorder(triangles: readonly Triple[], border: readonly Point[]): Triple[] {
  const around = border.length;
  const sides = new Set(triangles.flatMap(([a, b, c]) => [`${a}/${b}`, `${b}/${c}`, `${c}/${a}`]));
  /** The points of the border that a side with nothing beyond it passes over, from its start on. */
  const passed = (a: number, b: number): number[] => {
    const [p, q] = [border[a], border[b]];
    if (!p || !q || b === (a + 1) % around || sides.has(`${b}/${a}`)) return [];
    return border
      .map((point, k) => ({ k, ...offSegment(point, p, q) }))
      .filter(({ k, off, share }) => k !== a && k !== b && off < ON_LINE && share > 0 && share < 1)
      .sort((one, other) => one.share - other.share)
      .map(({ k }) => k);
  };
  const divided = ([a, b, c]: Triple): Triple[] => {
    const over = passed(a, b);
    if (over.length === 0) {
      if (passed(b, c).length > 0) return divided([b, c, a]);
      return passed(c, a).length > 0 ? divided([c, a, b]) : [[a, b, c]];
    }
    const way = [a, ...over, b];
    const fan = over.map((from, i): Triple => [from, way[i + 2] ?? b, c]);
    const first: Triple = [a, over[0] ?? b, c];
    for (const [p, q, r] of [first, ...fan])
      for (const side of [`${p}/${q}`, `${q}/${r}`, `${r}/${p}`]) sides.add(side);
    return [first, ...fan].flatMap(divided);
  };
  return triangles.flatMap(divided);
}

const areaOf = (triangles: readonly Triple[], points: readonly Point[]) =>
  triangles.reduce((sum, triple) => sum + area(triple.map((k) => points[k] ?? { x: 0, y: 0 })), 0);

/**
 * Divides every side that goes from border to border in its middle: two pieces that meet all round would else have that
 * side in common, and lie in one another there.
 */
function withoutChords(given: readonly Triple[], border: readonly Point[], inner: readonly Point[]): Filled {
  const around = border.length;
  const triangles = [...given];
  const points = [...border, ...inner];
  const owner = new Map<string, number>();
  const put = (triple: Triple, t: number) => {
    triangles[t] = triple;
    triple.forEach((a, k) => {
      owner.set(`${a}/${triple[(k + 1) % 3]}`, t);
    });
  };
  given.forEach(put);
  const isChord = (a: number, b: number) =>
    a < around && b < around && b !== (a + 1) % around && a !== (b + 1) % around;
  // What is new has no chords but those that were there.
  for (let t = 0; t < triangles.length; t++) {
    for (let again = true; again; ) {
      again = false;
      const triple = triangles[t];
      if (!triple) break;
      for (let k = 0; k < 3; k++) {
        const [a = 0, b = 0, c = 0] = [triple[k], triple[(k + 1) % 3], triple[(k + 2) % 3]];
        const beside = owner.get(`${b}/${a}`);
        const [p, q] = [points[a], points[b]];
        if (!isChord(a, b) || beside === undefined || !p || !q) continue;
        const far = (triangles[beside] ?? []).find((v) => v !== a && v !== b);
        if (far === undefined) continue;
        const middle = points.push(along(p, q, 0.5)) - 1;
        put([a, middle, c], t);
        put([middle, b, c], triangles.length);
        put([b, middle, far], beside);
        put([middle, a, far], triangles.length);
        again = true;
        break;
      }
    }
  }
  return { triangles, inner: points.slice(around) };
}
