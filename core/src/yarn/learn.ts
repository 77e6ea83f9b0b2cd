import type { BagDocument, Swatch, Weighing } from '../document/index.ts';
import { swatchWithHook } from '../document/with-hook.ts';
import { SAME_HOOK, Z90 } from '../gauge/index.ts';
import { pitchOf } from './thread.ts';

/**
 * How far the general rates are off, as shares of one standard error. Of one hand all stitches are off alike (`HAND`); each
 * fabric and hook has its own beside that (`FABRIC`). Together 15 %: how tightly a hand works shows little in its gauge
 * and much in its yarn.
 */
const HAND = 0.13;
const FABRIC = 0.075;
/** One piece is worked so much tighter or looser than its like, one standard error; and a kitchen scale is read so well, g. */
const PIECE = 0.03;
const SCALE = 0.3;
/** Whatever the scale says, nobody's stitches take less than a third of what is usual, or three times as much. */
const [LEAST, MOST] = [1 / 3, 3];

type Weighed = Pick<BagDocument, 'yarns' | 'swatches' | 'fabrics' | 'weighings'>;

/** What one weighing told. */
export interface Told {
  readonly id: string;
  /** Grams by all weighings before it, and the grams it weighed. */
  readonly expected: number;
  readonly weighed: number;
  /** Half the 90 % range of the first of its fabrics, as a share: before it, and after. */
  readonly before: number;
  readonly after: number;
}

/** Why a weighing tells nothing, in a sentence. */
export interface Mute {
  readonly id: string;
  readonly because: string;
}

/** What the weighings say of the maker's yarn. */
export interface Learnt {
  /** How often the usual yarn a stitch of each swatch takes: 1 until something is weighed. */
  readonly factors: ReadonlyMap<string, number>;
  /** Covariance of the factors of any two swatches. */
  readonly together: ReadonlyMap<string, ReadonlyMap<string, number>>;
  readonly told: readonly Told[];
  readonly mute: readonly Mute[];
}

/** The sum of some products, as far as both go. */
const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] ?? 0), 0);

/** What is known of the hand and of each fabric: how far from usual, and how surely. */
export interface Belief {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

/**
 * Takes in one observation `y = x·w + noise`. Over all of them this is least squares with the prior as its ridge, one row at
 * a time (Kalman's form of it), so that what each one did can be told.
 */
export function observe(
  { mean, covariance }: Belief,
  row: readonly number[],
  y: number,
  noise: number,
): Belief {
  const carried = covariance.map((line) => dot(line, row));
  const spread = dot(row, carried) + noise ** 2;
  const off = y - dot(row, mean);
  return {
    mean: mean.map((value, i) => value + ((carried[i] ?? 0) * off) / spread),
    covariance: covariance.map((line, i) =>
      line.map((value, j) => value - ((carried[i] ?? 0) * (carried[j] ?? 0)) / spread),
    ),
  };
}

/** A swatch as it is worked with one hook: what learns for itself. */
const fabricKey = (swatch: Swatch, hook: number | undefined): string =>
  hook === undefined || Math.abs(hook - swatch.hook) < SAME_HOOK ? swatch.id : `${swatch.id} ${hook}`;

/**
 * What the weighings of a bag say of how much yarn its maker's stitches take.
 *
 * A stitch of swatch `s` takes `1 + hand + fabric[s]` times what is usual. Both are 0 to begin with, give or take `HAND` and
 * `FABRIC`; a weighing of `g` grams is linear in them, off by `PIECE` of it and the scale's own error.
 */
export function learnt(document: Weighed): Learnt {
  const { swatches, weighings = [] } = document;
  const keys = new Map<string, number>();
  const place = (key: string) => keys.get(key) ?? keys.set(key, keys.size + 1).size;
  for (const { id } of swatches) place(id);
  const known = new Map(swatches.map((swatch) => [swatch.id, swatch]));
  for (const { worked } of weighings)
    for (const { swatch, hook } of worked) {
      const own = known.get(swatch);
      if (own) place(fabricKey(own, hook));
    }
  const sds = [HAND, ...Array.from(keys, () => FABRIC)];
  let belief: Belief = {
    mean: sds.map(() => 0),
    covariance: sds.map((sd, i) => sds.map((_, j) => (i === j ? sd * sd : 0))),
  };
  /** The row that reads a fabric's own deviation: the hand's and its own. */
  const reads = (key: string) => sds.map((_, i) => (i === 0 || i === keys.get(key) ? 1 : 0));
  const between = (a: string, b: string) => {
    const row = reads(b);
    return dot(
      reads(a),
      belief.covariance.map((line) => dot(line, row)),
    );
  };
  const told: Told[] = [];
  const mute: Mute[] = [];
  for (const weighing of weighings) {
    const seen = seenBy(document, known, weighing);
    if ('because' in seen) {
      mute.push({ id: weighing.id, because: seen.because });
      continue;
    }
    const row = sds.map(() => 0);
    for (const [key, grams] of seen.fabrics) {
      row[0] = (row[0] ?? 0) + grams;
      const at = keys.get(key);
      if (at !== undefined) row[at] = (row[at] ?? 0) + grams;
    }
    const usual = row[0] ?? 0;
    const [first = ''] = seen.fabrics.keys();
    const band = () => (Z90 * Math.sqrt(Math.max(0, between(first, first)))) / factor(first);
    const factor = (key: string) => clamp(1 + dot(reads(key), belief.mean));
    const [expected, before] = [seen.tails + usual + dot(row, belief.mean), band()];
    belief = observe(belief, row, seen.grams - seen.tails - usual, Math.hypot(PIECE * usual, SCALE));
    told.push({ id: weighing.id, expected, weighed: seen.grams, before, after: band() });
  }
  const ids = swatches.map(({ id }) => id);
  return {
    factors: new Map(ids.map((id) => [id, clamp(1 + dot(reads(id), belief.mean))])),
    together: new Map(ids.map((a) => [a, new Map(ids.map((b) => [b, between(a, b)]))])),
    told,
    mute,
  };
}

const clamp = (factor: number) => Math.min(MOST, Math.max(LEAST, factor));

/** What was on the scale: its grams, those of its tails, and the usual ones of its stitches by fabric. */
type Seen =
  | { readonly grams: number; readonly tails: number; readonly fabrics: ReadonlyMap<string, number> }
  | { readonly because: string };

function seenBy(document: Weighed, swatches: ReadonlyMap<string, Swatch>, weighing: Weighing): Seen {
  const { worked, tails, weighed } = weighing;
  const counts = (yarn: string) => weighed.of === 'thing' || yarn === weighed.yarn;
  const perMetre = new Map(
    document.yarns.flatMap(({ id, ball }) => (ball ? [[id, ball.grams / ball.metres] as const] : [])),
  );
  const needed = [...worked, ...tails].filter(({ yarn }) => counts(yarn));
  const without = needed.find(({ yarn }) => !perMetre.has(yarn));
  if (without) {
    const name = document.yarns.find(({ id }) => id === without.yarn)?.colourName ?? without.yarn;
    return { because: `What a ball of ${name} holds is not known, so that grams say nothing of metres.` };
  }
  const grams = (yarn: string, mm: number) => (mm / 1000) * (perMetre.get(yarn) ?? 0);
  const fabrics = new Map<string, number>();
  for (const { swatch: id, yarn, pitches, hook } of worked) {
    const swatch = swatches.get(id);
    if (!swatch || !counts(yarn)) continue;
    const pitch = pitchOf(document, hook === undefined ? swatch : swatchWithHook(swatch, hook));
    const key = fabricKey(swatch, hook);
    fabrics.set(key, (fabrics.get(key) ?? 0) + grams(yarn, pitches * pitch));
  }
  if ([...fabrics.values()].every((one) => one <= 0))
    return { because: 'Nothing of what was worked was of this yarn.' };
  return {
    grams: weighed.of === 'thing' ? weighed.grams : weighed.before - weighed.after,
    tails: tails.reduce((sum, { yarn, length }) => sum + (counts(yarn) ? grams(yarn, length) : 0), 0),
    fabrics,
  };
}
