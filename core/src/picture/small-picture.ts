import {
  type DrawnFacet,
  drawnFacets,
  edgingParts,
  move,
  type Piece,
  pieceIndex,
  type Strap,
  strapPath,
} from '../bag/index.ts';
import { motifOf, yarnOf, yarnOfSwatch, yarnOfTrim } from '../document/index.ts';
import { extent, must } from '../geometry/index.ts';
import type { Plan } from '../plan/index.ts';
import { tenths, thousandths, whole } from './figures.ts';
import { motifRings } from './motif-rings.ts';
import { type Camera, camera, project, type SeenFacet, seenFacets, viewOf } from './project.ts';

/** The finest cloths and motifs of one picture, each drawn once. */
class Defined {
  private readonly ids = new Map<string, string>();
  readonly svg: string[] = [];

  /** The name of what `make` draws, made when it is first asked for. */
  use(key: string, make: (id: string) => string): string {
    const known = this.ids.get(key);
    if (known) return known;
    const id = `d${this.ids.size}`;
    this.ids.set(key, id);
    this.svg.push(make(id));
    return id;
  }
}

/** A panel's cloth: rows of slanting stitches in its colour, two stitches and two rows a tile. */
function clothTile(id: string, colour: string, wide: number, high: number): string {
  const [w, h] = [tenths(2 * wide), tenths(2 * high)];
  const v = (x: number, y: number) =>
    `M${tenths(x)} ${tenths(y + high * 0.85)}L${tenths(x + wide / 2)} ${tenths(y + high * 0.2)}L${tenths(x + wide)} ${tenths(y + high * 0.85)}`;
  const d = [v(0, 0), v(wide, 0), v(0, high), v(wide, high)].join('');
  return `<pattern id="${id}" width="${w}" height="${h}" patternUnits="userSpaceOnUse"><path d="M0 0H${w}V${h}H0Z" fill="${colour}"/><path d="${d}" fill="none" stroke="#16211d" stroke-opacity=".3" stroke-width="${tenths(high * 0.3)}"/></pattern>`;
}

/** The small made-up picture of a bag, as one SVG: what stands on its card, and in a list of hundreds. */
export function smallPicture(plan: Plan): string {
  const { graph, document, designs } = plan;
  const depth = plan.tapes.find(({ measure }) => measure === 'depth')?.finished.value ?? 0;
  const view = viewOf(depth);
  const eye = camera(view);
  const defined = new Defined();
  const find = pieceIndex(graph);

  /** What fills a piece's outline, and stands on it. */
  const cloth = (piece: Piece): { fill: string; on: string } => {
    const { make } = piece;
    if (make.of === 'motif') {
      const motif = motifOf(document, make.motif);
      const design = designs.get(piece.id);
      const way = must(
        motif.colourways.find(({ id }) => id === design),
        'colourway',
      );
      const colours = way.rounds.map((yarn) => yarnOf(document, yarn).colour);
      const { width, height } = extent(piece.outline);
      const id = defined.use(
        `${make.motif} ${make.rounds} ${way.id} ${width.toFixed(1)} ${height.toFixed(1)}`,
        (own) => `<g id="${own}">${motifRings(motif, make.rounds, piece, colours)}</g>`,
      );
      return { fill: 'none', on: `<use href="#${id}"/>` };
    }
    const { width, height } = extent(piece.outline);
    const turned = make.rowsRun === 'upright';
    const [wide, high] = [(turned ? height : width) / make.stitches, (turned ? width : height) / make.rows];
    const { colour } = yarnOfSwatch(document, make.swatch);
    const key = `${colour} ${wide.toFixed(1)} ${high.toFixed(1)}`;
    return { fill: `url(#${defined.use(key, (id) => clothTile(id, colour, wide, high))})`, on: '' };
  };

  const drawn = ({ facet, matrix, inside, shadow }: SeenFacet, piece: Piece): string => {
    const { fill, on } = cloth(piece);
    const d = `M${facet.outline.map(({ x, y }) => `${whole(x)} ${whole(y)}`).join('L')}Z`;
    const entire = facet.outline === piece.outline;
    const clip =
      on !== '' && !entire ? defined.use(d, (id) => `<clipPath id="${id}"><path d="${d}"/></clipPath>`) : '';
    const [a, b, c, e, x, y] = matrix;
    const place = `matrix(${[a, b, c, e].map(thousandths).join(' ')} ${whole(x)} ${whole(y)})`;
    const shade = inside ? 0.45 : shadow * 0.34;
    const body =
      on === '' ? `<path d="${d}" fill="${fill}"/>` : clip ? `<g clip-path="url(#${clip})">${on}</g>` : on;
    return `<g transform="${place}">${body}<path d="${d}" fill="#16211d" fill-opacity="${thousandths(shade)}" stroke="#16211d" stroke-opacity=".3"/></g>`;
  };

  const strap = (own: Strap): string => {
    const { colour } = yarnOfTrim(document, own.swatch);
    const d = `M${strapPath(own)
      .map((p) => project(eye, p))
      .map(({ x, y }) => `${whole(x)} ${whole(y)}`)
      .join('L')}`;
    const width = tenths(own.width);
    return `<g fill="none" stroke-linecap="round"><path d="${d}" stroke="#16211d" stroke-opacity=".45" stroke-width="${whole(own.width + 3)}"/><path d="${d}" stroke="${colour}" stroke-width="${width}"/></g>`;
  };

  const edging = edgingParts(graph);
  const rims: DrawnFacet[] = edging.map(({ piece, motion }) => ({
    piece: piece.id,
    outline: piece.outline,
    motion,
    face: 'front',
  }));
  const rimPieces = new Map(edging.map(({ piece }) => [piece.id, piece]));
  const facets = [...drawnFacets(graph), ...rims];
  const straps = graph.trim?.straps ?? [];
  const far = straps.filter(({ behind }) => behind).map(strap);
  const body = seenFacets(facets, view).map((seen) =>
    drawn(seen, rimPieces.get(seen.facet.piece) ?? find(seen.facet.piece)),
  );
  const near = straps.filter(({ behind }) => !behind).map(strap);
  const box = boundsOf(facets, straps, eye);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}"><defs>${defined.svg.join('')}</defs>`,
    `<g transform="scale(1 -1)">${[...far, ...body, ...near].join('')}</g></svg>`,
  ].join('');
}

/** The bag is wanted, not its straps: of long ones so much is shown above it, as a share of its height. */
const STRAP_SHOWN = 0.7;
/** Room round the bag, as a share of it. */
const ROOM = 0.05;

/** What is seen, y down, with a little room round it. */
function boundsOf(facets: readonly DrawnFacet[], straps: readonly Strap[], eye: Camera): string {
  const body = facets.flatMap(({ outline, motion }) => outline.map((p) => project(eye, move(motion, p))));
  const hung = straps.flatMap(strapPath).map((p) => project(eye, p));
  const xs = [...body, ...hung].map(({ x }) => x);
  const ys = body.map(({ y }) => y);
  const [left, right, low, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const high = Math.min(top + STRAP_SHOWN * (top - low), Math.max(top, ...hung.map(({ y }) => y)));
  const pad = ROOM * Math.max(right - left, high - low) + 4;
  return [left - pad, -high - pad, right - left + 2 * pad, high - low + 2 * pad].map(whole).join(' ');
}
