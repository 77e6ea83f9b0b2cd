import fc from 'fast-check';
import type { Features, Finish } from '../document/index.ts';
import { type BagDocument, CARRIED, documentSchema, STRAP_KINDS } from '../document/index.ts';
import {
  type Body,
  type Construction,
  FAMILIES,
  type FaceMake,
  type FamilyId,
  type SheetMake,
} from '../families/index.ts';
import { sizeTable } from '../fit/index.ts';
import { type MotifKind, type MotifRound, OWN_KINDS, READY_MOTIFS } from '../motif/index.ts';
import { beginDocument } from '../plan/index.ts';
import { JOIN_METHODS, SCHOOLS } from '../runs/index.ts';
import { STITCHES } from '../stitches/index.ts';
import { mm } from '../units/index.ts';

const row = (stitch: MotifRound['stitch'], into: MotifRound['into']): MotifRound => ({
  stitch,
  hold: 'both',
  into,
});
const each = { of: 'each', many: 1, spread: 0, corner: { each: 2, chains: 2 } } as const;

/** Shapes no ready motif has: half a disc, half a square, one on a chain. */
const OWN_HALVES: ReadonlyArray<{ id: string; kind: MotifKind; rounds: readonly MotifRound[] }> = [
  {
    id: 'own-half',
    kind: 'half-disc',
    rounds: [
      row('tall', { of: 'ring', groups: 1, each: 8, chains: 0 }),
      row('tall', { ...each, many: 2 }),
      row('low', { ...each, spread: 4 }),
    ],
  },
  {
    id: 'own-triangle',
    kind: 'triangle',
    rounds: [
      row('tall', { of: 'ring', groups: 2, each: 4, chains: 2 }),
      row('mid', { ...each, ends: 2 }),
      row('tall', { ...each, ends: 1 }),
    ],
  },
  {
    id: 'own-oblong',
    kind: 'rectangle',
    rounds: [row('tall', { of: 'chain', each: 3, long: 6, chains: 2 }), row('low', each), row('tall', each)],
  },
];

/** Motifs by rounds of their own, and some whose making is not known. */
const OWN = [
  ...[...READY_MOTIFS, ...OWN_HALVES].map(({ id, kind, rounds }) => ({
    id,
    kind,
    making: { of: 'rounds' as const, rounds },
  })),
  ...OWN_KINDS.map((kind) => ({ id: `given-${kind}`, kind, making: { of: 'given' as const, loops: 24 } })),
];
const SHAPES = ['disc', 'half-disc', 'hexagon', 'triangle', 'rectangle'] as const;

/** A fabric over 4 n + 1. */
const BOBBLES = 'Row 1: sc across\nRow 2: 2 sc, (bobble, 3 sc) to last 3, bobble, 2 sc';

/** Panels by their rows: one that widens and narrows, one with steps, two rectangles (of bobbles, of tall and low rows), a half disc, a disc. */
const PANELS = [
  [
    'widens',
    'ch 30\nRow 1: 30 sc\nRows 2-9: inc, sc to last 1, inc\nRows 10-20: sc across\nRows 21-24: dec, sc to last 2, dec',
  ],
  [
    'steps',
    'ch 36\nRow 1: 36 dc\nRow 2: start in 6th st, 26 dc, leave 5\nRow 3: 26 hdc\nRow 4: start in 7th st, 14 sc, leave 6',
  ],
  [
    'bobbles',
    'ch 34\nRow 1: sc in 2nd ch from hook, sc across (33)\nRow 2: sc, (bobble, sc) to end\nRows 3-30: repeat rows 1-2',
  ],
  ['tall-and-low', 'ch 30\nRow 1: 30 dc\nRows 2-6: dc across\nRows 7-24: sc across'],
  [
    'fan',
    'Row 1: 6 hdc in ring\nRow 2: (hdc, inc) x3\nRow 3: (inc, 2 hdc) x3\nRow 4: (3 hdc, inc) x3\nRow 5: (inc, 4 hdc) x3\nRow 6: (5 hdc, inc) x3',
  ],
  ['round', 'Round 1: 12 dc in ring\nRound 2: inc x12\nRound 3: (dc, inc) x12\nRound 4: (2 dc, inc) x12'],
].map(([id = '', rows = '']) => ({ id, name: id, swatch: 's2', terms: 'us', rows }));

/** Documents for tests: a bag with one measured square, a motif of every other shape and two swatches. */
export const testDocument = (construction?: Construction): BagDocument => {
  const fresh = beginDocument({ name: 'Test bag' });
  return documentSchema.parse({
    ...fresh,
    motifs: [
      ...fresh.motifs.map((motif) => ({ ...motif, measured: [{ rounds: 4, size: 100 }] })),
      ...OWN.flatMap(({ id, kind, making }) =>
        fresh.motifs.map((motif) => ({ ...motif, id, name: id, kind, gapChains: 0, making })),
      ),
      ...SHAPES.flatMap((kind) => fresh.motifs.map((motif) => ({ ...motif, id: kind, name: kind, kind }))),
    ],
    swatches: [
      ...fresh.swatches,
      {
        id: 's2',
        name: 'Low stitches',
        yarn: 'y1',
        hook: 4,
        stitch: 'low',
        turning: 'counts',
        strands: 1,
        stitches: { count: 20, length: 120 },
        rows: { count: 20, length: 110 },
      },
      {
        id: 's3',
        name: 'Bobble rows',
        yarn: 'y2',
        hook: 4,
        stitch: 'low',
        fabric: 'bobbles',
        turning: 'does-not-count',
        strands: 1,
        stitches: { count: 20, length: 124 },
      },
    ],
    panels: PANELS,
    fabrics: [{ id: 'bobbles', name: 'Bobble rows', terms: 'us', rows: BOBBLES }],
    ...(construction ? { construction } : {}),
  });
};

const motifBody = (most: number): fc.Arbitrary<Body> =>
  fc.record({
    of: fc.constant('motifs' as const),
    motif: fc.constantFrom('m1', 'm1', ...OWN.flatMap(({ id, kind }) => (kind === 'solid' ? [id] : []))),
    rounds: fc.integer({ min: 1, max: 8 }),
    columns: fc.integer({ min: 1, max: most }),
    rows: fc.integer({ min: 1, max: most }),
  });

const workedBody: fc.Arbitrary<Body> = fc.record({
  of: fc.constant('worked' as const),
  swatch: fc.constantFrom('s1', 's2', 's3'),
  stitches: fc.integer({ min: 1, max: 90 }),
  rows: fc.integer({ min: 1, max: 90 }),
  multiple: fc.record({ multiple: fc.integer({ min: 1, max: 6 }), extra: fc.integer({ min: 0, max: 3 }) }),
  rowsRun: fc.constantFrom('across' as const, 'upright' as const),
});

/** Those of the panels that make rectangles. */
const rowsSheet = fc.record(
  {
    of: fc.constant('rows' as const),
    panel: fc.constantFrom('bobbles', 'tall-and-low'),
    upright: fc.constant(true as const),
  },
  { requiredKeys: ['of', 'panel'] },
);

/** Sheets of every kind. */
const body: fc.Arbitrary<SheetMake> = fc.oneof(motifBody(9), workedBody, rowsSheet);

/** Faces of every kind. */
const face: fc.Arbitrary<FaceMake> = fc.oneof(
  motifBody(5),
  workedBody,
  fc.record({
    of: fc.constant('one' as const),
    motif: fc.constantFrom('m1', ...SHAPES, ...OWN.map(({ id }) => id)),
    rounds: fc.integer({ min: 1, max: 14 }),
    open: fc.integer({ min: 5, max: 60 }),
  }),
  fc.record({
    of: fc.constant('shaped' as const),
    swatch: fc.constantFrom('s1', 's2'),
    chain: fc.integer({ min: 1, max: 80 }),
    parts: fc.array(
      fc.record({ rows: fc.integer({ min: 1, max: 40 }), stitches: fc.integer({ min: 1, max: 80 }) }),
      { minLength: 1, maxLength: 4 },
    ),
  }),
  fc.record({
    of: fc.constant('rows' as const),
    panel: fc.constantFrom(...PANELS.map(({ id }) => id)),
    open: fc.integer({ min: 5, max: 60 }),
  }),
);

const rounds = fc.integer({ min: 1, max: 8 });
const motif = fc.constant('m1');
const wing = fc.integer({ min: 1, max: 7 });

const wrapRound = fc.record(
  {
    family: fc.constant('wrap-round' as const),
    body,
    laid: fc.constantFrom('tube' as const, 'folded' as const, 'panels' as const),
    bottom: fc.constantFrom('seam' as const, 'row' as const),
    sides: fc.constantFrom('joins' as const, 'columns' as const),
    base: fc.oneof(
      fc.record({ of: fc.constant('one' as const), motif: fc.constant('disc'), rounds }),
      fc.constant({ of: 'rows' as const, panel: 'round' }),
    ),
  },
  { requiredKeys: ['family', 'body', 'laid', 'bottom', 'sides'] },
);

const onPoint = fc.record({
  family: fc.constant('on-point' as const),
  motif,
  rounds,
  across: fc.integer({ min: 1, max: 6 }),
  rows: fc.integer({ min: 1, max: 8 }),
  bottom: fc.constantFrom('tapered' as const, 'straight' as const),
});

const pinwheel = fc.record({
  family: fc.constant('pinwheel' as const),
  motif,
  rounds,
  wings: fc.tuple(wing, wing, wing, wing),
});

const slipThrough = fc.record({
  family: fc.constant('slip-through' as const),
  motif,
  rounds,
  columns: fc.integer({ min: 2, max: 5 }),
  rows: fc.integer({ min: 1, max: 5 }),
  short: fc.integer({ min: 1, max: 6 }),
  long: fc.integer({ min: 1, max: 8 }),
  sides: fc.constantFrom('one' as const, 'both' as const, undefined),
});

const boxPart = fc.oneof(motifBody(4), workedBody, rowsSheet);
const boxed = fc.record({
  family: fc.constant('boxed' as const),
  front: boxPart,
  side: boxPart,
  bottom: boxPart,
});

const twoFaces = fc.record(
  {
    family: fc.constant('two-faces' as const),
    face,
    back: fc.oneof(motifBody(5), workedBody),
    tuck: fc.oneof(fc.constant(0), fc.integer({ min: 1, max: 400 })),
  },
  { requiredKeys: ['family', 'face', 'tuck'] },
);

const grownSides = fc.record(
  {
    family: fc.constant('grown-sides' as const),
    face,
    swatch: fc.constantFrom('s1', 's2'),
    rounds: fc.integer({ min: 1, max: 30 }),
    more: fc.array(
      fc.record({ swatch: fc.constantFrom('s1', 's2'), rounds: fc.integer({ min: 1, max: 9 }) }),
      { minLength: 1, maxLength: 3 },
    ),
  },
  { requiredKeys: ['family', 'face', 'swatch', 'rounds'] },
);

const workedStrip = fc.record({
  swatch: fc.constantFrom('s1', 's2'),
  worked: fc.constantFrom('across' as const, 'along' as const),
  depth: fc.integer({ min: 1, max: 30 }),
  length: fc.oneof(
    fc.constant({ by: 'way' as const }),
    fc.constant({ by: 'loops' as const }),
    fc.record({ by: fc.constant('count' as const), count: fc.integer({ min: 3, max: 400 }) }),
  ),
  multiple: fc.record({
    multiple: fc.integer({ min: 1, max: 4 }),
    extra: fc.integer({ min: 0, max: 2 }),
  }),
});
/** Those of the panels that have two long sides. */
const rowsStrip = fc.record({
  of: fc.constant('rows' as const),
  panel: fc.constantFrom('widens', 'bobbles'),
  worked: fc.constantFrom('across' as const, 'along' as const),
});
const strip = fc.oneof({ weight: 4, arbitrary: workedStrip }, { weight: 1, arbitrary: rowsStrip });

const foldOver = fc.record(
  {
    family: fc.constant('fold-over' as const),
    body,
    flap: fc.integer({ min: 0, max: 40 }),
    apart: fc.record({ front: fc.oneof(fc.integer({ min: 1, max: 60 }), rowsSheet), strip }),
  },
  { requiredKeys: ['family', 'body', 'flap'] },
);

const facesAndStrip = fc.record({ family: fc.constant('faces-and-strip' as const), face, strip });

/** Less is drawn in to nothing: a bag that Fennot says cannot be joined. */
const MOST_DRAWN_IN = 6;
const gathered = fc.record({
  family: fc.constant('gathered' as const),
  body: body.filter((one) => one.of !== 'worked' || Math.min(one.stitches, one.rows) >= MOST_DRAWN_IN),
  together: fc.integer({ min: 2, max: 6 }),
  band: fc.record({ swatch: fc.constantFrom('s1', 's2'), rows: fc.integer({ min: 1, max: 12 }) }),
  slit: fc.oneof(fc.constant(0), fc.integer({ min: 1, max: 400 })),
  sides: fc.option(fc.integer({ min: 2, max: 6 }), { nil: undefined }),
});

const inner = fc.oneof(wrapRound, boxed, facesAndStrip, twoFaces);
const strapLength = fc.integer({ min: 100, max: 1500 });

const pack = fc.record({
  family: fc.constant('pack' as const),
  body: inner,
  worn: fc.oneof(
    fc.record({
      on: fc.constant('back' as const),
      flap: face,
      eyelets: fc.integer({ min: 2, max: 20 }).map((n) => 2 * n),
      strap: strapLength,
    }),
    fc.record({
      on: fc.constant('waist' as const),
      belt: strapLength,
      holes: fc.integer({ min: 1, max: 9 }),
    }),
  ),
});

const cover = fc.record({
  family: fc.constant('cover' as const),
  over: fc.record({
    width: fc.integer({ min: 100, max: 600 }),
    height: fc.integer({ min: 100, max: 600 }),
    depth: fc.integer({ min: 0, max: 200 }),
  }),
  loops: fc.boolean(),
  body: inner,
});

/** Sheets of squares and panels folded once and closed at both sides, as a net of one's own. */
const own = fc
  .record({
    columns: fc.integer({ min: 1, max: 5 }),
    rows: fc.integer({ min: 1, max: 5 }),
    rounds,
    panels: fc.nat({ max: 7 }),
  })
  .map(({ columns, rows, rounds: worked, panels }) => ({
    family: 'own' as const,
    motif: 'm1',
    rounds: worked,
    swatch: 's2',
    grid: 'straight' as const,
    cells: Array.from({ length: columns * 2 * rows }, (_, i) => ({
      x: i % columns,
      y: Math.floor(i / columns),
      of: i % 8 < panels ? ('panel' as const) : ('square' as const),
    })),
    folds: [{ lies: 'level' as const, at: 2 * rows, angle: 180 as const }],
    pairs: Array.from({ length: rows }, (_, y) =>
      [3, 1].map((side) => {
        const x = side === 3 ? 0 : columns - 1;
        return { a: { x, y, side }, b: { x, y: 2 * rows - 1 - y, side } };
      }),
    ).flat(),
  }));

/** Every family over its whole parameter range, up to sizes that keep a test quick. */
const RANGES: { readonly [F in FamilyId]: fc.Arbitrary<Extract<Construction, { family: F }>> } = {
  'wrap-round': wrapRound,
  'faces-and-strip': facesAndStrip,
  'grown-sides': grownSides,
  'on-point': onPoint,
  pinwheel,
  boxed,
  'two-faces': twoFaces,
  'fold-over': foldOver,
  gathered,
  'slip-through': slipThrough,
  pack,
  cover,
  own,
};
export const constructions: fc.Arbitrary<Construction> = fc.oneof(...FAMILIES.map(({ id }) => RANGES[id]));

/** Features on top of a bag, any mixture. */
export const features: fc.Arbitrary<Features> = fc.record(
  {
    edge: fc.record({
      swatch: fc.constantFrom('s1', 's2'),
      rounds: fc.integer({ min: 1, max: 12 }),
      growth: fc.integer({ min: -60, max: 60 }),
    }),
    flap: face,
    waist: fc.record({ at: fc.integer({ min: 10, max: 95 }), draw: fc.integer({ min: 2, max: 60 }) }),
    drawstring: fc.record({ eyelets: fc.integer({ min: 2, max: 40 }).map((n) => 2 * n) }),
  },
  { requiredKeys: [] },
);

const hung = fc
  .tuple(fc.integer({ min: 100, max: 1500 }), fc.integer({ min: 0, max: 50 }))
  .map(([before, percent]) => ({ before, after: before * (1 + percent / 100) }));

const straps = fc.record(
  {
    kind: fc.constantFrom(...STRAP_KINDS),
    swatch: fc.constantFrom('s1', 's2'),
    many: fc.constantFrom(1 as const, 2 as const),
    drop: fc.integer({ min: 20, max: 900 }),
    wide: fc.integer({ min: 1, max: 20 }),
    hung,
    adjust: fc.oneof(
      fc.record({ by: fc.constant('slide' as const) }),
      fc.record({
        by: fc.constant('holes' as const),
        holes: fc.integer({ min: 2, max: 12 }),
        apart: fc.integer({ min: 1, max: 30 }),
      }),
    ),
    worn: fc.record({ carried: fc.constantFrom(...CARRIED), stature: fc.integer({ min: 800, max: 2300 }) }),
  },
  { requiredKeys: ['kind', 'swatch', 'many', 'drop', 'wide'] },
);
const diameter = fc.integer({ min: 5, max: 100 });
const many = fc.integer({ min: 1, max: 12 });

/** Straps, closures and linings, any mixture. */
export const finishes: fc.Arbitrary<Finish> = fc.record(
  {
    straps,
    closure: fc.oneof(
      fc.record({ of: fc.constantFrom('zip' as const, 'magnet' as const) }),
      fc.record({ of: fc.constantFrom('button' as const, 'holes' as const), diameter, many }),
      fc.record({ of: fc.constant('toggle' as const), length: fc.integer({ min: 10, max: 150 }) }),
      fc.record({ of: fc.constant('eyelets' as const), perFace: fc.integer({ min: 1, max: 30 }) }),
    ),
    lining: fc.oneof(
      fc.record({ of: fc.constant('cloth' as const), allowance: fc.integer({ min: 3, max: 40 }) }),
      fc.record({
        of: fc.constant('ready' as const),
        width: fc.integer({ min: 20, max: 2000 }),
        height: fc.integer({ min: 20, max: 2000 }),
      }),
    ),
  },
  { requiredKeys: [] },
);

/** A length anywhere between the shortest and the longest a bag may have, small and large ones as often. */
const anyLength = fc.double({ min: -1, max: 3.69, noNaN: true }).map((power) => 10 ** power);
/** A length as a maker would measure it. */
const likelyLength = fc.double({ min: 20, max: 400, noNaN: true });
const someLength = fc.oneof({ weight: 8, arbitrary: likelyLength }, { weight: 1, arbitrary: anyLength });
/** Mostly a pitch between fine thread and chunky yarn. */
const counted = fc.oneof(
  {
    weight: 8,
    arbitrary: fc
      .tuple(fc.integer({ min: 4, max: 60 }), fc.double({ min: 1.5, max: 15, noNaN: true }))
      .map(([count, pitch]) => ({ count, length: count * pitch })),
  },
  { weight: 1, arbitrary: fc.record({ count: fc.integer({ min: 2, max: 500 }), length: someLength }) },
);
const target = fc.record({ value: someLength, tolerance: fc.double({ min: 0, max: 500, noNaN: true }) });
const anyId = fc.stringMatching(/^[A-Za-z0-9_-]{1,12}$/);

const gauge = fc.record(
  {
    hook: fc.double({ min: 0.5, max: 40, noNaN: true }),
    stitch: fc.constantFrom(...STITCHES),
    strands: fc.integer({ min: 1, max: 6 }),
    stitches: counted,
    rows: counted,
    blocked: fc.record({ stitches: counted, rows: counted }),
  },
  { requiredKeys: ['hook', 'stitch', 'strands'] },
);

const wants = fc.record(
  {
    width: target,
    height: target,
    depth: target,
    opening: target,
    strapDrop: target,
    contents: fc.array(
      fc.oneof(
        fc.record({
          shape: fc.constant('box' as const),
          height: someLength,
          width: someLength,
          thickness: someLength,
        }),
        fc.record({ shape: fc.constant('cylinder' as const), height: someLength, diameter: someLength }),
      ),
      { maxLength: 3 },
    ),
  },
  { requiredKeys: [] },
);

const joined = fc.record(
  {
    method: fc.constantFrom(...JOIN_METHODS),
    school: fc.constantFrom(...SCHOOLS),
    flatFirst: fc.boolean(),
    longest: fc.integer({ min: 600, max: 10_000 }),
    measuredStrip: fc.record({
      rounds: fc.integer({ min: 1, max: 30 }),
      motifs: fc.integer({ min: 2, max: 60 }),
      /** Mostly what the squares measure, give or take a tenth. */
      length: fc.oneof(
        { weight: 8, arbitrary: fc.double({ min: 0.9, max: 1.1, noNaN: true }) },
        { weight: 1, arbitrary: fc.double({ min: 0.001, max: 40, noNaN: true }) },
      ),
    }),
  },
  { requiredKeys: ['method', 'school', 'flatFirst'] },
);

const motifFacts = fc.record({
  cornerChains: fc.integer({ min: 1, max: 3 }),
  gapChains: fc.integer({ min: 0, max: 1 }),
  measured: fc.array(
    fc
      .tuple(
        fc.integer({ min: 1, max: 30 }),
        fc.double({ min: 15, max: 25, noNaN: true }),
        anyLength,
        fc.nat({ max: 9 }),
      )
      .map(([rounds, each, wild, pick]) => ({ rounds, size: pick === 0 ? wild : rounds * each })),
    {
      maxLength: 4,
    },
  ),
});

/** What is added to the yarn of the stitches. */
const allowed = fc.option(
  fc.record(
    { ripping: fc.integer({ min: 0, max: 30 }), swatches: fc.constant(false as const) },
    { requiredKeys: [] },
  ),
  { nil: undefined },
);

/** What was weighed: mostly what could be, and now and then what could not. */
const weighed = fc.array(
  fc.record({
    pitches: fc.integer({ min: 0, max: 20_000 }),
    tails: fc.integer({ min: 0, max: 5000 }),
    hook: fc.option(
      fc.integer({ min: 1, max: 80 }).map((half) => half / 2),
      { nil: undefined },
    ),
    grams: fc.oneof(fc.integer({ min: 1, max: 500 }), fc.constant(20_000)),
    ball: fc.boolean(),
  }),
  { maxLength: 4 },
);

const paced = fc.option(
  fc.record({
    minutes: fc.integer({ min: 5, max: 960 }),
    days: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
  }),
  { nil: undefined },
);

/**
 * Any document the schema takes, extremes and nonsense as well: gauges of a tenth of a millimetre, joined strips
 * shorter than their squares, bags of five metres. What is planned from one is finite, or refused in words.
 */
export const documents: fc.Arbitrary<BagDocument> = fc
  .record({
    construction: constructions,
    own: features,
    finish: finishes,
    first: gauge,
    second: gauge,
    brief: wants,
    joins: joined,
    motif: motifFacts,
    note: fc.string({ maxLength: 40 }),
    allowances: allowed,
    weighed,
    pace: paced,
    ball: fc.option(
      fc.record({ grams: fc.integer({ min: 1, max: 5000 }), metres: fc.integer({ min: 1, max: 20_000 }) }),
      {
        nil: undefined,
      },
    ),
    ids: fc.uniqueArray(anyId, { minLength: 3, maxLength: 3 }),
  })
  .map(
    ({
      construction,
      own,
      finish,
      first,
      second,
      brief,
      joins,
      motif: facts,
      note,
      allowances,
      weighed: weighings,
      pace,
      ball,
      ids,
    }) => {
      const base = testDocument(construction);
      const [yarn = 'y', ...waysIds] = ids;
      const { measuredStrip, ...how } = joins;
      const document = documentSchema.parse({
        ...base,
        note,
        allowances,
        pace,
        weighings: weighings.map(({ pitches, tails, hook, grams, ball: before }, i) => ({
          id: `w${i}`,
          what: `Thing ${i}`,
          worked: [{ swatch: i % 2 === 0 ? 's1' : 's2', yarn, pitches, ...(hook !== undefined && { hook }) }],
          tails: [{ yarn, length: tails }],
          weighed: before
            ? { of: 'ball' as const, yarn, before: grams, after: grams / 2 }
            : { of: 'thing' as const, grams },
        })),
        features: own,
        finish,
        brief: {
          ...brief,
          contents: brief.contents?.map((one, i) => ({ ...one, id: `c${i}`, name: `Thing ${i}` })),
        },
        yarns: base.yarns.slice(0, 1).map((one) => ({ ...one, id: yarn, ball })),
        swatches: base.swatches.map((one, i) => ({ ...one, ...(i === 0 ? first : second), yarn })),
        motifs: base.motifs.map((one) => ({
          ...one,
          ...facts,
          colourways: waysIds.map((id) => ({ id, name: id, rounds: [yarn] })),
        })),
        joins: { ...base.joins, ...how, yarn },
      });
      if (!measuredStrip) return document;
      const { rounds: worked, motifs, length: share } = measuredStrip;
      const side = sizeTable(document).motif('m1').size.at(worked).value;
      const length = mm(Math.min(5000, Math.max(1, share * motifs * side)));
      return {
        ...document,
        joins: { ...document.joins, measuredStrip: { motif: 'm1', rounds: worked, motifs, length } },
      };
    },
  );
