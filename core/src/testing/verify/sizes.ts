import { type BagGraph, bodyRims, type Facet } from '../../bag/index.ts';
import { sizeTable } from '../../fit/index.ts';
import { type Check, differ } from './check.ts';
import { sidesOf, takenParts } from './outline.ts';
import { trianglesOf } from './solid.ts';

/** The tapes against the made-up bag as it stands, and the mouth against what seams leave. */
export const sizes: Check = {
  name: 'Sizes under the tape',
  how: 'width, height and depth as the box round all made-up triangles; the mouth as the lengths of all outlines less what seams take, or as the walked rim and where flap and handles grow out',
  of(plan) {
    const { graph, tapes } = plan;
    const said = (name: string) => tapes.find(({ measure }) => measure === name)?.finished.value ?? 0;
    const body = graph.facets.filter(({ face }) => face !== 'flap' && face !== 'handle');
    const points = trianglesOf({ ...graph, facets: body }).flatMap(({ corners }) => corners);
    const box = [0, 1, 2].map((axis) => {
      const values = points.map((p) => p[axis] ?? 0);
      return Math.max(...values) - Math.min(...values);
    });
    const [width = 0, height = 0, depth = 0] = box;
    const { height: edge = 0, growth = 0 } = graph.trim?.edging ?? {};
    const taken = takenParts(graph);
    const open = graph.pieces.reduce((sum, piece) => {
      const length = sidesOf(piece).reduce((all, side) => all + side.length, 0);
      const seams = piece.edges.flatMap((_, k) => taken.get(`${piece.id}/${k}`) ?? []);
      return sum + length - seams.reduce((all, [low, high]) => all + high - low, 0);
    }, 0);
    const hanging = graph.facets.length > body.length;
    return [
      ...differ('Width', said('width'), width, 0.01),
      ...differ('Height', said('height'), height + edge, 0.01),
      ...differ('Depth', said('depth'), depth, 0.01),
      ...(hanging ? [] : differ('Opening', said('opening'), open * (1 + growth), 0.05)),
      // Where flap or handles hang on it, the mouth is the walked rim of the body and where they grow out.
      ...(hanging && plan.mismatches.length === 0
        ? differ('Opening', said('opening'), (walked(graph) + roots(graph)) * (1 + growth), 0.1)
        : []),
    ];
  },
};

/** The rim of the body as the edge round walks it, mm. */
const walked = (graph: BagGraph): number =>
  bodyRims(graph)
    .flat()
    .reduce((sum, { from, to }) => sum + Math.hypot(from.x - to.x, from.y - to.y, from.z - to.z), 0);

/** Where flap and handles grow out of the body, by seams and by folds, mm. */
function roots({ facets, folds, seams }: BagGraph): number {
  const off = ({ face }: Facet) => face === 'flap' || face === 'handle';
  const own = (id: string) => facets.filter(({ piece }) => piece === id);
  const all = (id: string) => own(id).every(off);
  const none = (id: string) => !own(id).some(off);
  const bySeam = seams
    .filter(({ a, b }) => (all(a.piece) && none(b.piece)) || (none(a.piece) && all(b.piece)))
    .reduce((sum, { a, b }) => sum + Math.abs(all(a.piece) ? b.to - b.from : a.to - a.from), 0);
  const byFold = folds.reduce((sum, { piece, from, to }) => {
    const middle: readonly [number, number] = [(from.x + to.x) / 2, (from.y + to.y) / 2];
    const beside = own(piece).filter(({ outline }) =>
      outline.some((p, i) => {
        const q = outline[(i + 1) % outline.length] ?? p;
        const length = Math.hypot(q.x - p.x, q.y - p.y) || 1;
        const along = ((middle[0] - p.x) * (q.x - p.x) + (middle[1] - p.y) * (q.y - p.y)) / length;
        const away = Math.abs((middle[0] - p.x) * (q.y - p.y) - (middle[1] - p.y) * (q.x - p.x)) / length;
        return away < 1e-3 && along > 0 && along < length;
      }),
    );
    return beside.some(off) && !beside.every(off) ? sum + Math.hypot(to.x - from.x, to.y - from.y) : sum;
  }, 0);
  return bySeam + byFold;
}

/** Every rectangular panel against its own counts in its own gauge. */
export const panels: Check = {
  name: 'Panels by their counts',
  how: 'sides of every rectangular panel against stitches times pitch and rows times height, with up to a join at its ends',
  of({ graph, document, settled }) {
    const table = sizeTable(document);
    const joins = Object.values(document.joins.lines ?? {}).length > 0 ? 3 : 1;
    return graph.pieces.flatMap(({ make, outline, name, id, cell }) => {
      if (make.of !== 'panel' || outline.length !== 4) return [];
      // Written rows are as high as their own stitches: they are added up in another check.
      if (make.panel !== undefined) return [];
      const corner = { x: Math.max(...outline.map(({ x }) => x)), y: Math.max(...outline.map(({ y }) => y)) };
      // A wall is worked out of a face's border and takes its length from there.
      if (settled.family === 'grown-sides' && /wall(-\d)?$/.test(cell.sheet)) return [];
      const square = outline.every(
        ({ x, y }) => Math.min(x, corner.x - x) < 1e-6 && Math.min(y, corner.y - y) < 1e-6,
      );
      if (!square) return [];
      const { gauge } = table.swatch(make.swatch);
      const [wide, tall] = [make.stitches * gauge.pitch.value, make.rows * gauge.row.value];
      const [x, y] = make.rowsRun === 'across' ? [wide, tall] : [tall, wide];
      // Where part of a side is drawn in the band is left as it comes, within half a stitch; no band has less than one.
      const beside = settled.family === 'gathered' && /^(left|right)-band$/.test(id);
      const part = beside ? gauge.pitch.value / (make.stitches === 1 ? 1 : 2) : 0;
      const slack = Math.abs(table.join().value) * joins + part + 0.01;
      return [
        ...differ(`${name || id} wide`, corner.x, x, slack),
        ...differ(`${name || id} high`, corner.y, y, slack),
      ];
    });
  },
};
