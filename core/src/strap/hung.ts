import { type BagGraph, type Extents, measure, type Strap } from '../bag/index.ts';
import type { BagDocument, Panel } from '../document/index.ts';
import { panelOf, strapSwatch, yarnOf } from '../document/look-up.ts';
import { edgeCounts, faceStitches, flapRoot } from '../edging/index.ts';
import { type Finished, panelPiece, type SizeTable } from '../fit/index.ts';
import { dropOf } from './drop.ts';
import { type PanelStrap, planStraps, type StrapPlaces, type StrapPlan } from './straps.ts';

/** A bag with its straps, worked out and hung on. */
export interface Hanging {
  readonly graph: BagGraph;
  /** Nothing of these for a bag without straps. */
  readonly straps: StrapPlan | undefined;
  /** How far they hang, with what that rests on. */
  readonly drop: Finished | undefined;
}

/** Works the document's straps out for a bag, and hangs them on it. */
export function hangStraps(graph: BagGraph, document: BagDocument, table: SizeTable): Hanging {
  const own = document.finish?.straps;
  if (!own) return { graph, straps: undefined, drop: undefined };
  const panel = own.panel === undefined ? undefined : panelOf(document, own.panel);
  const { swatch, gauge } = table.swatch(strapSwatch(document, own));
  const size = measure(graph);
  const { fibre } = yarnOf(document, swatch.yarn);
  const rim = faceStitches(edgeCounts(graph));
  const back = rim.back + flapRoot(graph);
  const straps = planStraps(
    own,
    gauge,
    fibre,
    { width: size.width, front: rim.front, back },
    panel && panelStrap(document, panel, table),
  );
  const rows = straps.counts === 'rows';
  const drop = dropOf(straps, rows ? table.row(swatch.id) : table.pitch(swatch.id));
  return { graph: hungOnto(graph, size, straps, swatch.id), straps, drop };
}

/** A panel as a strap: as long as its rows are high; nothing where no row makes a stitch. */
function panelStrap(document: BagDocument, panel: Panel, table: SizeTable): PanelStrap | undefined {
  const { swatch } = table.swatch(panel.swatch);
  const { program, piece } = panelPiece(document, panel, swatch, table.sizes);
  if (!piece) return undefined;
  return {
    rows: program.rows.length,
    wide: Math.max(...program.rows.map(({ makes }) => makes)),
    length: piece.height,
    width: piece.widest.width,
  };
}

/** Straps where they are fixed: a pair on its faces, one strap from side to side. */
function hungOnto(
  graph: BagGraph,
  { width, height, depth }: Extents,
  { hanging: length, width: wide, front, back }: StrapPlan,
  swatch: string,
): BagGraph {
  const strap = (name: string, on: Strap['on'], x: number, z: number): Strap => ({
    name,
    on,
    from: { x: -x, y: height, z },
    to: { x, y: height, z },
    length,
    width: wide,
    behind: false,
    swatch,
  });
  const onFace = (name: string, on: Strap['on'], places: StrapPlaces | undefined, z: number): Strap[] =>
    places
      ? [strap(name, on, width / 2 - (width * (places.fromSide + places.under / 2)) / places.loops, z)]
      : [];
  const hung =
    front || back
      ? [
          ...onFace('Front strap', 'front', front, depth / 2),
          ...onFace('Back strap', 'back', back, -depth / 2),
        ]
      : [strap('Strap', 'sides', width / 2, 0)];
  return { ...graph, trim: { ...graph.trim, straps: [...(graph.trim?.straps ?? []), ...hung] } };
}
