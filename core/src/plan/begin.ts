import { type BagDocument, type BriefMeasure, FORMAT, type Target, VERSION } from '../document/index.ts';
import { type Body, type Construction, FAMILIES, type FamilyId } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { must } from '../geometry/index.ts';
import { isSquare } from '../motif/index.ts';
import { mm } from '../units/index.ts';

/** A size to begin with where the brief says nothing, mm. */
const USUAL = { width: 320, height: 320, depth: 80 } as const;

const wanted = (brief: BagDocument['brief'], measure: 'width' | 'height' | 'depth') =>
  brief[measure]?.value ?? USUAL[measure];

/** A body to start from: the document's first square, or a plain panel when it has none. */
function firstBody(document: BagDocument): Body {
  const motif = document.motifs.find(({ kind }) => isSquare(kind));
  const swatch = must(document.swatches[0], 'swatch').id;
  return motif
    ? { of: 'motifs', motif: motif.id, rounds: 5, columns: 1, rows: 1 }
    : {
        of: 'worked',
        swatch,
        stitches: 1,
        rows: 1,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      };
}

/** A first construction of the family at about the brief's size, from the document's own squares. */
export function beginConstruction(document: BagDocument, family: FamilyId): Construction {
  const entry = FAMILIES.find(({ id }) => id === family);
  if (!entry) throw new Error(`There is no family ${family}.`);
  const size = {
    width: wanted(document.brief, 'width'),
    height: wanted(document.brief, 'height'),
    depth: wanted(document.brief, 'depth'),
  };
  return entry.begin(size, firstBody(document), materialsOf(sizeTable(document), document));
}

export interface Beginning {
  readonly name: string;
  readonly brief?: Partial<Record<BriefMeasure, Target>>;
  readonly family?: FamilyId;
}

/** A new bag: a medium cotton, no measurements yet, one cluster square, at about the wanted size. */
export function beginDocument({ name, brief = {}, family = 'wrap-round' }: Beginning): BagDocument {
  const blank: BagDocument = {
    format: FORMAT,
    version: VERSION,
    name,
    note: '',
    brief: {
      width: brief.width ?? { value: mm(USUAL.width), tolerance: 15 },
      height: brief.height ?? { value: mm(USUAL.height), tolerance: 15 },
      ...brief,
    },
    yarns: [
      { id: 'y1', name: 'Main yarn', colourName: 'Reed', colour: '#5f8a50', weight: 4, fibre: 'cotton' },
      { id: 'y2', name: 'Second yarn', colourName: 'Foam', colour: '#e9ece2', weight: 4, fibre: 'cotton' },
      { id: 'y3', name: 'Third yarn', colourName: 'Marigold', colour: '#e8ad1c', weight: 4, fibre: 'cotton' },
    ],
    swatches: [
      {
        id: 's1',
        name: 'First swatch',
        yarn: 'y1',
        hook: 4.5,
        stitch: 'tall',
        turning: 'counts',
        strands: 1,
      },
    ],
    motifs: [
      {
        id: 'm1',
        name: 'Cluster square',
        kind: 'cluster',
        cornerChains: 2,
        gapChains: 0,
        turning: 'counts',
        swatch: 's1',
        oneWay: false,
        colourways: [
          { id: 'c1', name: 'Marigold heart', rounds: ['y3', 'y2', 'y1'] },
          { id: 'c2', name: 'Foam heart', rounds: ['y2', 'y3', 'y1'] },
        ],
        measured: [],
      },
    ],
    construction: {
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 5, columns: 6, rows: 3 },
    },
    joins: { method: 'flat-slip', yarn: 'y1', school: 'lines', flatFirst: true },
  };
  return { ...blank, construction: beginConstruction(blank, family) };
}
