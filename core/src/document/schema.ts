import { z } from 'zod';
import { constructionSchema } from '../families/index.ts';
import { idSchema, LIMITS, textSchema } from '../fields/index.ts';
import { isSquare, MOTIF_KINDS } from '../motif/index.ts';
import { JOIN_METHODS, SCHOOLS } from '../runs/index.ts';
import { STITCHES, TURNINGS } from '../stitches/index.ts';
import { allowancesSchema } from './allowances-schema.ts';
import { arrangementSchema } from './arrangement-schema.ts';
import { fabricSchema } from './fabric-schema.ts';
import { featuresSchema } from './features-schema.ts';
import { finishSchema } from './finish-schema.ts';
import { hookSchema } from './hook-schema.ts';
import { makingSchema } from './making-schema.ts';
import { amountSchema, moneySchema, paceSchema } from './money-schema.ts';
import { nameSchema } from './name-schema.ts';
import { panelSchema } from './panel-schema.ts';
import { panelStripesSchema } from './stripes-schema.ts';
import { VERSION } from './versions/index.ts';
import { weighingSchema } from './weighings-schema.ts';

/** The document's name for itself. */
export const FORMAT = 'fennot.bag';

/** Longest length anyone plans with, mm. */
const MOST_LENGTH = 5000;

/** Nothing a maker measures is shorter, mm: below this a length stands for none at all. */
const LEAST_LENGTH = 0.1;

export const lengthSchema = z
  .number('A length must be a number of millimetres.')
  .min(LEAST_LENGTH, 'A length must be more than zero.')
  .max(MOST_LENGTH, 'A length cannot be more than 5 m.')
  .brand<'Mm'>();

const id = idSchema;
const name = nameSchema;

/** A wanted measure and how far off still serves. */
export const targetSchema = z.strictObject({
  value: lengthSchema,
  tolerance: z
    .number('A tolerance must be a number of millimetres.')
    .min(0, 'A tolerance cannot be negative.')
    .max(500, 'A tolerance cannot be more than 50 cm.'),
});
/** A wanted measure and how far off still serves, mm. */
export type Target = z.infer<typeof targetSchema>;

export const BRIEF_MEASURES = ['width', 'height', 'depth', 'opening', 'strapDrop'] as const;
export type BriefMeasure = (typeof BRIEF_MEASURES)[number];

const contentSchema = z.discriminatedUnion('shape', [
  z.strictObject({
    shape: z.literal('box'),
    id,
    name,
    height: lengthSchema,
    width: lengthSchema,
    thickness: lengthSchema,
  }),
  z.strictObject({ shape: z.literal('cylinder'), id, name, height: lengthSchema, diameter: lengthSchema }),
]);
/** Something the bag must hold. */
export type Content = z.infer<typeof contentSchema>;

const briefSchema = z.strictObject({
  width: targetSchema.optional(),
  height: targetSchema.optional(),
  depth: targetSchema.optional(),
  opening: targetSchema.optional(),
  strapDrop: targetSchema.optional(),
  contents: z
    .array(contentSchema)
    .max(LIMITS.contents, `A bag is planned for at most ${LIMITS.contents} things.`)
    .optional(),
});

/** A ball of yarn: how heavy, and how long. */
export const ballSchema = z.strictObject({
  grams: z.number('A weight is a number of grams.').min(1, 'At least 1 g.').max(5000, 'At most 5 kg.'),
  metres: z.number('A length is a number of metres.').min(1, 'At least 1 m.').max(20_000, 'At most 20 km.'),
  /** What one costs, in the currency of the bag. */
  price: amountSchema.optional(),
});

/** Which one of the maker's library this is a copy of, as that was then. */
const originSchema = z
  .strictObject({ id: z.uuid('An origin is known by its UUID.'), version: z.int().min(1) })
  .optional();

export const yarnSchema = z.strictObject({
  id,
  name,
  colourName: name,
  colour: z.string().regex(/^#[0-9a-f]{6}$/i, 'A colour is written as # and six hex digits.'),
  weight: z.int('A weight class is a whole number.').min(0).max(7, 'Weight classes run from 0 to 7.'),
  fibre: textSchema('A fibre', LIMITS.name),
  /** A ball as it is sold. */
  ball: ballSchema.optional(),
});
export type Yarn = z.infer<typeof yarnSchema>;

/** The hook something was measured with, where the swatch's has been changed since. */
const measuredWith = hookSchema.optional();

export const countSchema = z.strictObject({
  count: z
    .number('A count must be a number.')
    .min(2, 'One or none says nothing about the gauge: count at least 2, better 10 or more.')
    .max(500, 'A count cannot be more than 500.'),
  length: lengthSchema,
  hook: measuredWith,
});

export const swatchSchema = z.strictObject({
  id,
  name,
  yarn: id,
  hook: hookSchema,
  stitch: z.enum(STITCHES),
  /** The fabric it is worked in, where that is more than one stitch again and again. */
  fabric: id.optional(),
  turning: z.enum(TURNINGS),
  strands: z.int().min(1, 'At least one strand.').max(6, 'At most six strands.'),
  stitches: countSchema.optional(),
  rows: countSchema.optional(),
  blocked: z.strictObject({ stitches: countSchema, rows: countSchema }).optional(),
  /** Insertions a row end takes when something is joined to it, where the maker has a rate of their own. */
  rowEnds: z
    .number('A rate is a number.')
    .min(0.25, 'A row end takes an insertion in four rows at least.')
    .max(5, 'A row end takes at most 5 insertions.')
    .optional(),
  origin: originSchema,
});
export type Swatch = z.infer<typeof swatchSchema>;

export const measurementSchema = z.strictObject({
  rounds: z
    .int('Rounds are whole.')
    .min(1, 'A motif has at least one round.')
    .max(LIMITS.rounds, `A motif has at most ${LIMITS.rounds} rounds.`),
  size: lengthSchema,
  /** The same piece after blocking. */
  blocked: lengthSchema.optional(),
  hook: measuredWith,
});

/** Ends of a motif: a colour that comes again is carried up to it; or every end is worked over as one goes. */
export const ENDS = ['carried', 'worked-over'] as const;

const colourwaySchema = z.strictObject({
  id,
  name,
  /** Yarn of each round from the centre; the last serves for all further rounds. */
  rounds: z
    .array(id)
    .min(1, 'A colourway needs a yarn for its first round.')
    .max(LIMITS.rounds, `A colourway has at most ${LIMITS.rounds} colours.`),
});
export type Colourway = z.infer<typeof colourwaySchema>;

export const motifSchema = z.strictObject({
  id,
  name,
  kind: z.enum(MOTIF_KINDS),
  cornerChains: z.int().min(1, 'A corner has 1, 2 or 3 chains.').max(3, 'A corner has 1, 2 or 3 chains.'),
  gapChains: z.int().min(0, 'Gaps have 0 or 1 chain.').max(1, 'Gaps have 0 or 1 chain.'),
  /** Stitches each full round of a disc adds. */
  increases: z
    .int('Increases are whole.')
    .min(3, 'A disc needs at least 3 increases a round.')
    .max(24, 'More than 24 increases a round only make a ruffle.')
    .optional(),
  /** Stitches of a half disc's first row. */
  first: z
    .int('Stitches are whole.')
    .min(2, 'A half disc begins with at least 2 stitches.')
    .max(60, 'A half disc begins with at most 60 stitches.')
    .optional(),
  /** Stitches each further row of a half disc has more. */
  more: z
    .int('Stitches are whole.')
    .min(0, 'Fewer stitches each row make no half disc.')
    .max(24, 'More than 24 stitches more each row only make a ruffle.')
    .optional(),
  /** Stitches a rectangle's long sides have more than its short ones. */
  long: z
    .int('Stitches are whole.')
    .min(1, 'At least one stitch.')
    .max(120, 'At most 120 stitches.')
    .optional(),
  /** How it is made where it is no ready kind: by rounds of one's own, or unknown. */
  making: makingSchema.optional(),
  turning: z.enum(TURNINGS),
  swatch: id,
  /** Has a top and a bottom, so that it must not hang on its head. */
  oneWay: z.boolean(),
  /** What becomes of its ends, where they are not all cut and hidden at last. */
  ends: z.enum(ENDS).optional(),
  colourways: z
    .array(colourwaySchema)
    .min(1, 'A motif needs at least one colourway.')
    .max(LIMITS.colourways, `A motif has at most ${LIMITS.colourways} colourways.`),
  measured: z.array(measurementSchema).max(LIMITS.measured, `At most ${LIMITS.measured} measured pieces.`),
  origin: originSchema,
});
export type Motif = z.infer<typeof motifSchema>;

/** Squares already joined in a row, under the tape. */
export const measuredStripSchema = z.strictObject({
  motif: id,
  rounds: measurementSchema.shape.rounds,
  motifs: z
    .int('Squares are whole.')
    .min(2, 'A joined strip has at least 2 squares.')
    .max(60, 'A joined strip has at most 60 squares.'),
  length: lengthSchema,
  hook: measuredWith,
});

/** The lasting name of a line of seams: `front/left`, `rising/3`. */
const lineSchema = z
  .string()
  .regex(/^[A-Za-z0-9_./~-]{1,60}$/, 'A line is named by letters, digits and / . ~ - _ only.');

export const joinsSchema = z.strictObject({
  method: z.enum(JOIN_METHODS),
  yarn: id,
  school: z.enum(SCHOOLS),
  flatFirst: z.boolean(),
  /** Lines joined another way than the rest, by line id. */
  lines: z
    .record(lineSchema, z.strictObject({ method: z.enum(JOIN_METHODS).optional(), yarn: id.optional() }))
    .refine(
      (lines) => Object.keys(lines).length <= LIMITS.lines,
      `At most ${LIMITS.lines} lines can be joined another way.`,
    )
    .optional(),
  /** The closing line kept for the end, and at which of its ends the yarn comes out. */
  last: z.strictObject({ line: lineSchema, end: z.enum(['first', 'second']) }).optional(),
  /** Longest yarn a needle is threaded with, mm. */
  longest: z
    .number('A length of yarn is a number of mm.')
    .min(600, 'A needle’s yarn is at least 60 cm long.')
    .max(10_000, 'A needle’s yarn is at most 10 m long.')
    .optional(),
  /** A strip of motifs already joined, laid under the tape: the surest way to know what a join adds. */
  measuredStrip: measuredStripSchema.optional(),
});

const shape = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  name,
  note: textSchema('A note', LIMITS.note),
  brief: briefSchema,
  yarns: z
    .array(yarnSchema)
    .min(1, 'A bag needs at least one yarn.')
    .max(LIMITS.yarns, `A bag has at most ${LIMITS.yarns} yarns.`),
  swatches: z
    .array(swatchSchema)
    .min(1, 'A bag needs at least one swatch.')
    .max(LIMITS.swatches, `A bag has at most ${LIMITS.swatches} swatches.`),
  motifs: z.array(motifSchema).max(LIMITS.motifs, `A bag has at most ${LIMITS.motifs} motifs.`),
  panels: z
    .array(panelSchema)
    .max(LIMITS.panels, `A bag has at most ${LIMITS.panels} panels by their rows.`)
    .optional(),
  fabrics: z
    .array(fabricSchema)
    .max(LIMITS.fabrics, `A bag has at most ${LIMITS.fabrics} fabrics of its own.`)
    .optional(),
  stripes: panelStripesSchema.optional(),
  allowances: allowancesSchema.optional(),
  weighings: z
    .array(weighingSchema)
    .max(LIMITS.weighings, `At most ${LIMITS.weighings} weighings.`)
    .optional(),
  money: moneySchema.optional(),
  pace: paceSchema.optional(),
  arrangement: arrangementSchema.optional(),
  construction: constructionSchema,
  features: featuresSchema.optional(),
  finish: finishSchema.optional(),
  joins: joinsSchema,
});

/** Everything the plan of one bag consists of; also the file format, and what the database keeps. */
export type BagDocument = z.infer<typeof shape>;

/** A document as it is written down, before it has been checked. */
export type BagDraft = z.input<typeof shape>;

/** The schema without the checks across fields, for publishing as a JSON Schema. */
export const documentShape = shape;

/** Every id that is mentioned must be there: a file edited by hand may have lost one. */
export const documentSchema = shape.superRefine((doc, context) => {
  const has = {
    yarn: new Set(doc.yarns.map((yarn) => yarn.id)),
    swatch: new Set(doc.swatches.map((swatch) => swatch.id)),
    motif: new Set(doc.motifs.map((motif) => motif.id)),
    panel: new Set((doc.panels ?? []).map((panel) => panel.id)),
    fabric: new Set((doc.fabrics ?? []).map((fabric) => fabric.id)),
  };
  const need = (kind: keyof typeof has, wanted: string, path: (string | number)[]) => {
    if (!has[kind].has(wanted))
      context.addIssue({ code: 'custom', path, message: `There is no ${kind} “${wanted}” in this bag.` });
  };
  const unique = (list: ReadonlyArray<{ id: string }>, ...at: (string | number)[]) => {
    list.forEach((item, i) => {
      if (list.findIndex((other) => other.id === item.id) < i)
        context.addIssue({ code: 'custom', path: [...at, i, 'id'], message: `“${item.id}” is there twice.` });
    });
  };
  unique(doc.yarns, 'yarns');
  unique(doc.swatches, 'swatches');
  unique(doc.motifs, 'motifs');
  unique(doc.panels ?? [], 'panels');
  unique(doc.fabrics ?? [], 'fabrics');
  unique(doc.brief.contents ?? [], 'brief', 'contents');
  doc.motifs.forEach(({ colourways }, i) => {
    unique(colourways, 'motifs', i, 'colourways');
  });
  doc.swatches.forEach((swatch, i) => {
    need('yarn', swatch.yarn, ['swatches', i, 'yarn']);
    if (swatch.fabric !== undefined) need('fabric', swatch.fabric, ['swatches', i, 'fabric']);
  });
  doc.motifs.forEach((motif, i) => {
    if (motif.kind === 'cluster' && motif.making)
      context.addIssue({
        code: 'custom',
        path: ['motifs', i, 'making'],
        message: 'A square by rounds of one’s own is a solid one.',
      });
    need('swatch', motif.swatch, ['motifs', i, 'swatch']);
    motif.colourways.forEach((way, w) => {
      way.rounds.forEach((yarn, r) => {
        need('yarn', yarn, ['motifs', i, 'colourways', w, 'rounds', r]);
      });
    });
  });
  doc.panels?.forEach((panel, i) => {
    need('swatch', panel.swatch, ['panels', i, 'swatch']);
    panel.sections?.forEach(({ swatch }, k) => {
      need('swatch', swatch, ['panels', i, 'sections', k, 'swatch']);
    });
  });
  const { all, own = {} } = doc.stripes ?? {};
  const striped = [
    ...(all ? [{ path: ['all'], stripes: all }] : []),
    ...Object.entries(own).flatMap(([piece, stripes]) =>
      stripes === 'plain' ? [] : [{ path: ['own', piece], stripes }],
    ),
  ];
  for (const { path, stripes } of striped)
    stripes.bands.forEach(({ yarn }, i) => {
      need('yarn', yarn, ['stripes', ...path, 'bands', i, 'yarn']);
    });
  unique(doc.weighings ?? [], 'weighings');
  doc.weighings?.forEach(({ worked, tails, weighed }, i) => {
    worked.forEach(({ swatch, yarn }, k) => {
      need('swatch', swatch, ['weighings', i, 'worked', k, 'swatch']);
      need('yarn', yarn, ['weighings', i, 'worked', k, 'yarn']);
    });
    tails.forEach(({ yarn }, k) => {
      need('yarn', yarn, ['weighings', i, 'tails', k, 'yarn']);
    });
    if (weighed.of === 'ball') need('yarn', weighed.yarn, ['weighings', i, 'weighed', 'yarn']);
  });
  unique(doc.arrangement?.kept ?? [], 'arrangement', 'kept');
  const stocked = (doc.arrangement?.stock ?? []).map(({ motif, design }) => ({ id: `${motif}/${design}` }));
  unique(stocked, 'arrangement', 'stock');
  need('yarn', doc.joins.yarn, ['joins', 'yarn']);
  for (const [line, { yarn }] of Object.entries(doc.joins.lines ?? {}))
    if (yarn !== undefined) need('yarn', yarn, ['joins', 'lines', line, 'yarn']);
  const visit = (value: unknown, path: (string | number)[]) => {
    if (typeof value !== 'object' || value === null) return;
    for (const [key, inner] of Object.entries(value)) {
      if (key === 'swatch' && typeof inner === 'string') need('swatch', inner, [...path, key]);
      else if (key === 'panel' && typeof inner === 'string') need('panel', inner, [...path, key]);
      else if (key === 'motif' && typeof inner === 'string') {
        need('motif', inner, [...path, key]);
        const motif = doc.motifs.find((one) => one.id === inner);
        if (motif && !isSquare(motif.kind) && !('of' in value && value.of === 'one')) {
          const message = path.includes('measuredStrip')
            ? `“${motif.name}” was measured as squares joined in a row: go back to the estimate, under What a join adds, before it is worked as another shape.`
            : `Only squares can be laid in columns and rows; “${motif.name}” is a ${motif.kind}.`;
          context.addIssue({ code: 'custom', path: [...path, key], message });
        }
      } else visit(inner, [...path, key]);
    }
  };
  visit(doc.construction, ['construction']);
  visit(doc.features, ['features']);
  visit(doc.finish, ['finish']);
  visit(doc.joins, ['joins']);
});
