import { z } from 'zod';
import { type BagGraph, chainLoops, type Interval, intervalLength } from '../../bag/index.ts';
import { count, idSchema } from '../../fields/index.ts';
import { must, type Point, SAME_PLACE } from '../../geometry/index.ts';
import { bodyOfSize, type Choices, type Control, lift } from '../control/control.ts';
import { sheetControls } from '../control/sheet-control.ts';
import { each } from '../explore.ts';
import { defineFamily } from '../family.ts';
import { bend } from '../layout/bend.ts';
import type { Materials } from '../layout/materials.ts';
import { type SewnLine, sew, sheetsToGraph, split } from '../layout/sew.ts';
import { BOTTOM, LEFT, piecesOf, RIGHT, reversed, sheetSide, TOP } from '../layout/sheet.ts';
import { laySheet, sheetSchema, sheetSize } from '../layout/sheet-make.ts';
import { sheetsWithin } from '../layout/sheets-within.ts';
import { type BandSize, bandSize, endBand, partBandSize, sideBand } from './bands.ts';
import { type DrawnIn, drawnIn, faceRegions } from './draw-in.ts';

const MOST_TOGETHER = 6;
const MOST_BAND = 60;
const MOST_SLIT = 400;
const SLIT_STEP = 5;
/** Open at the sides is at most this share of a face: what is open farther down holds nothing. */
const MOST_OPEN = 2 / 3;

export const gatheredSchema = z.strictObject({
  family: z.literal('gathered'),
  /** The whole piece: front and back end to end, folded at the bottom. */
  body: sheetSchema,
  /** Stitches worked together into one of the band. */
  together: count('Stitches together', MOST_TOGETHER, 2),
  band: z.strictObject({ swatch: idSchema, rows: count('Rows of the band', MOST_BAND) }),
  /** Left open at either side below the band, mm. */
  slit: z
    .number('The slit is a length in mm.')
    .min(0, 'A slit cannot be negative.')
    .max(MOST_SLIT, 'A slit cannot be more than 40 cm.'),
  /** Stitches of the open sides worked together into one of the band, where the sides are drawn in as well. */
  sides: count('Stitches together at the sides', MOST_TOGETHER, 2).optional(),
});
export type Gathered = z.infer<typeof gatheredSchema>;

/** What the ends of a body are drawn in onto, and how its faces then lie. */
interface Drawing {
  readonly end: BandSize;
  readonly drawn: DrawnIn;
}

/**
 * @param loops of the upper end, and of one side along its height, mm.
 */
function drawing(
  { together, sides, slit, band }: Gathered,
  { w, tall, loops }: { w: number; tall: number; loops: { readonly end: number; readonly perMm: number } },
  materials: Materials,
): Drawing {
  const end = bandSize(loops.end, together, band.swatch, materials);
  const onSides =
    sides === undefined
      ? undefined
      : // So many times the way of its band a side is long, by the counts of both.
        {
          together: sides / (loops.perMm * materials.pitch(band.swatch)),
          slit: Math.min(slit, MOST_OPEN * tall),
        };
  return { end, drawn: drawnIn(w, tall, end.length, onSides) };
}

/** A piece folded at the bottom whose ends are drawn in onto two bands, and its open sides onto two more. */
function build(params: Gathered, materials: Materials): BagGraph {
  const sheet = laySheet(params.body, materials, {
    id: 'body',
    name: params.body.of === 'motifs' ? '' : 'Body',
    at: { x: 0, y: 0 },
    joined: [LEFT, RIGHT],
  });
  const tall = sheet.height / 2;
  const loopsOf = (side: readonly Interval[]) => chainLoops(side, piecesOf(sheet));
  const loops = {
    end: loopsOf(sheetSide(sheet, TOP)),
    perMm: loopsOf(sheetSide(sheet, LEFT)) / sheet.height,
  };
  const { end, drawn } = drawing(params, { w: sheet.width, tall, loops }, materials);
  const { sides } = params;
  const slit = sides === undefined ? Math.min(params.slit, MOST_OPEN * tall) : drawn.zone;
  const gathering = { worked: params.band, width: sheet.width, tall, end, drawn };
  const [top, bottom] = [sheetSide(sheet, TOP), sheetSide(sheet, BOTTOM)];
  const front = endBand('front', gathering, materials);
  const back = endBand('back', gathering, materials);
  // Each side from its upper end: the front's slit, the front and back that meet, the back's slit.
  const [leftFrontSlit, leftBelow] = split(sheetSide(sheet, LEFT), slit);
  const [leftFront, leftBehind] = split(leftBelow, tall - slit);
  const [leftBack, leftBackSlit] = split(leftBehind, tall - slit);
  const [rightBackSlit, rightAbove] = split(sheetSide(sheet, RIGHT), slit);
  const [rightBack, rightBefore] = split(rightAbove, tall - slit);
  const [rightFront, rightFrontSlit] = split(rightBefore, tall - slit);
  const lines: SewnLine[] = [
    sew('grown', 'front-band', 'Front, drawn in', top, reversed([front.root])),
    sew('grown', 'back-band', 'Back, drawn in', bottom, reversed([back.root])),
    sew('closing', 'left', 'Left side seam', leftFront, reversed(leftBack)),
    sew('closing', 'right', 'Right side seam', rightFront, reversed(rightBack)),
  ];
  const bands = [front, back];
  if (sides !== undefined) {
    const size = partBandSize(2 * slit * loops.perMm, sides, params.band.swatch, materials);
    const [left, right] = [
      sideBand('left', gathering, size, materials),
      sideBand('right', gathering, size, materials),
    ];
    bands.push(left, right);
    const half = intervalLength(left.root) / 2;
    // The left band's inner edge runs up, so it comes to the back's slit first; the right one's runs down.
    const [leftBackRoot, leftFrontRoot] = split([left.root], half);
    const [rightFrontRoot, rightBackRoot] = split([right.root], half);
    // The bands are worked round and round: nothing is sewn where one goes over into the next.
    lines.push(
      sew(
        'grown',
        'left-front-band',
        'Left side of the front, drawn in',
        leftFrontSlit,
        reversed(leftFrontRoot),
      ),
      sew('grown', 'left-back-band', 'Left side of the back, drawn in', leftBackSlit, reversed(leftBackRoot)),
      sew(
        'grown',
        'right-front-band',
        'Right side of the front, drawn in',
        rightFrontSlit,
        reversed(rightFrontRoot),
      ),
      sew(
        'grown',
        'right-back-band',
        'Right side of the back, drawn in',
        rightBackSlit,
        reversed(rightBackRoot),
      ),
      sew(
        'grown',
        'left-front-turn',
        'Front left corner of the band',
        [front.before],
        reversed([left.after]),
      ),
      sew(
        'grown',
        'right-front-turn',
        'Front right corner of the band',
        [front.after],
        reversed([right.before]),
      ),
      sew('grown', 'left-back-turn', 'Back left corner of the band', [back.after], reversed([left.before])),
      sew(
        'grown',
        'right-back-turn',
        'Back right corner of the band',
        [back.before],
        reversed([right.after]),
      ),
    );
  } else if (slit === 0) {
    // With no slit the bands close to a ring.
    lines.push(
      sew('closing', 'band-left', 'Left end of the bands', [front.before], reversed([back.after])),
      sew('closing', 'band-right', 'Right end of the bands', [front.after], reversed([back.before])),
    );
  }
  const pieces = bands.map(({ piece }) => piece);
  const bent = bend(
    [...piecesOf(sheet), ...pieces],
    [
      ...faceRegions('front', sheet.width, tall, end.length, drawn),
      ...faceRegions('back', sheet.width, tall, end.length, drawn),
      ...bands.flatMap(({ regions }) => regions),
    ],
  );
  const graph = sheetsToGraph([{ sheet, id: 'body', name: '' }], lines, [bent]);
  const all = [...graph.pieces, ...pieces];
  const low = new Map(all.map(({ id, at }) => [id, at.y]));
  const netY = (piece: string, p: Point) => must(low.get(piece), 'piece') + p.y;
  return {
    ...graph,
    pieces: all,
    // Only the bottom folds, and the side bands with it; where the end is drawn in nothing is creased.
    folds: graph.folds.filter(({ piece, from, to }) =>
      [from, to].every((p) => Math.abs(netY(piece, p) - tall) < SAME_PLACE),
    ),
  };
}

function controls(params: Gathered, materials: Materials, choices: Choices): Control<Gathered>[] {
  const { width, height } = sheetSize(params.body, materials);
  // In steps of the control: no more can be chosen than is open.
  const mostSlit = Math.min(MOST_SLIT, SLIT_STEP * Math.floor((MOST_OPEN * height) / 2 / SLIT_STEP));
  const open = Math.min(params.slit, mostSlit);
  const body = sheetControls(params.body, {
    choices,
    materials,
    corner: { x: width, y: height },
    columnsLabel: 'Columns across',
    rowsLabel: 'Rows of front and back together',
  }).map((control) => lift(control, (next): Gathered => ({ ...params, body: next })));
  return [
    ...body,
    {
      kind: 'count',
      id: 'together',
      label: 'Stitches worked together at the top',
      value: params.together,
      min: 2,
      max: MOST_TOGETHER,
      step: 1,
      hint: 'two together draw the top in to half of its width',
      set: (together) => ({ ...params, together }),
    },
    {
      kind: 'count',
      id: 'band-rows',
      label: 'Rows of the band',
      value: params.band.rows,
      min: 1,
      max: MOST_BAND,
      step: 1,
      set: (rows) => ({ ...params, band: { ...params.band, rows } }),
    },
    {
      kind: 'length',
      id: 'slit',
      label: 'Left open at either side',
      value: open,
      min: 0,
      max: mostSlit,
      step: SLIT_STEP,
      hint:
        params.sides === undefined
          ? 'below the band; 0 closes the bands to a ring'
          : 'and drawn in; never less than reaches the corners of the ends',
      // What is longer than can be open is kept: a longer piece may take it up again.
      set: (slit) => ({ ...params, slit: slit === open ? params.slit : slit }),
    },
    {
      kind: 'count',
      id: 'sides',
      label: 'Stitches worked together at the open sides',
      value: params.sides ?? 1,
      min: 1,
      max: MOST_TOGETHER,
      step: 1,
      hint: '1 leaves the sides as they are; from 2 on the band runs on over them',
      set: (together) => {
        const sides = together > 1 ? together : undefined;
        // What is drawn in must be open: as much as it takes, to begin with.
        const open = drawnIn(width, height / 2, width / params.together, {
          together,
          slit: params.slit,
        }).zone;
        const begun = params.sides === undefined && sides !== undefined;
        return { ...params, sides, slit: begun ? Math.min(MOST_SLIT, Math.ceil(open)) : params.slit };
      },
    },
  ];
}

export const gathered = defineFamily(gatheredSchema)({
  name: 'Gathered',
  about:
    'One piece folded at the bottom; both ends, and if you like the open sides, are drawn in by working stitches together onto a band.',
  drawing: {
    pieces: 'M14 12h44v32H14zM26 4h20v5H26zM26 47h20v5H26z',
    folds: 'M10 28h52M14 12l12 -3M58 12l-12 -3M14 44l12 3M58 44l-12 3',
  },
  deep: false,
  ofMotifs: false,
  build,
  settle: (params) => params,
  controls,
  explore: (ranges, materials, offer, take) => {
    const size = { width: 0, height: 0, depth: 0, squares: 0 };
    const [swatch] = ranges.strips;
    if (swatch === undefined) return;
    const rows = 4;
    const band = rows * materials.rowHeight(swatch);
    sheetsWithin(ranges, materials, [1, 0], (width, height, squares, make, loops) => {
      each(2, 3, (together) => {
        const end = bandSize(loops, together, swatch, materials);
        const { zone, rise } = drawnIn(width, height / 2, end.length);
        Object.assign(size, { width, height: height / 2 - zone + rise + band, squares });
        if (!offer(size)) return;
        take({ family: 'gathered', body: make(), together, band: { swatch, rows }, slit: 0 });
      });
    });
  },
  begin: ({ width, height }, body, materials) => {
    const swatch = body.of === 'worked' ? body.swatch : materials.stripSwatch();
    const tall = height - 4 * materials.rowHeight(swatch);
    const { zone, rise } = drawnIn(width, tall, width / 2);
    const size = { width, height: 2 * (tall + zone - rise) };
    return {
      family: 'gathered',
      body: bodyOfSize(size, body, materials),
      together: 2,
      band: { swatch, rows: 4 },
      slit: 0,
    };
  },
});
