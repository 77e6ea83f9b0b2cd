import type { BagDocument, Motif } from '../document/index.ts';
import { swatchOf, yarnOf } from '../document/look-up.ts';
import { idFrom } from '../fields/index.ts';
import { edited, type Move, movesBetween, type Plan, tapedSizes } from '../plan/index.ts';
import { roundColours } from '../yarn/index.ts';
import type { Basket } from './basket.ts';
import { SHOWS, type Shows, shownUses } from './dye-lots.ts';
import { type Enough, enoughOf } from './enough.ts';

/** One change that makes a yarn last longer, tried on the plan. */
export interface YarnCure {
  readonly says: string;
  readonly document: BagDocument;
  /** The yarn against what lies there, after it. */
  readonly after: Enough;
  /** What it does to the bag's measures, mm; only what moves. */
  readonly moves: readonly Move[];
}

/** An order of work in which what is missing shows least: nothing in the plan changes, and no yarn is saved. */
export interface OrderCure {
  /** Where the yarn is missing then, from where it shows least. */
  readonly missing: ReadonlyArray<{ readonly shows: Shows; readonly what: string; readonly length: number }>;
}

interface Attempt {
  readonly says: string;
  /** How much it changes of what the maker has in mind: the smallest is tried and told first. */
  readonly cost: number;
  readonly make: (document: BagDocument) => BagDocument;
}

/** So many yarns with something left are tried in place of the short one. */
const STEAD = 3;
/** What is saved must be worth a change, mm. */
const WORTH = 100;

/**
 * What can be done about a yarn that is short or only likely to last: every way is tried on the plan itself. First come
 * those after which it is no longer short, the ones that change least before the others; then those that help in part.
 * None makes another yarn short that was not.
 */
export function yarnCures(plan: Plan, baskets: readonly Basket[], yarn: string): YarnCure[] {
  const { document } = plan;
  const now = enoughOf(document, plan.tally.effort.needs, baskets);
  const before = now.find((one) => one.yarn === yarn);
  if (!before) return [];
  const short = new Set(now.filter(({ is }) => is === 'short').map((one) => one.yarn));
  const tried: { readonly cure: YarnCure; readonly cost: number }[] = [];
  for (const { says, cost, make } of attempts(document, now, yarn)) {
    const next = edited(document, make);
    if (!next.ok || next.document === document) continue;
    const all = enoughOf(next.document, next.plan.tally.effort.needs, baskets);
    if (all.some((one) => one.is === 'short' && !short.has(one.yarn))) continue;
    const after = all.find((one) => one.yarn === yarn) ?? spared(before);
    if (after.left < before.left + WORTH) continue;
    const moves = movesBetween(tapedSizes(plan), tapedSizes(next.plan));
    tried.push({ cure: { says, document: next.document, after, moves }, cost });
  }
  const still = ({ cure }: (typeof tried)[number]) => (cure.after.is === 'short' ? 1 : 0);
  return tried
    .sort(
      (a, b) =>
        still(a) - still(b) ||
        (still(a) === 1 ? b.cure.after.left - a.cure.after.left : a.cost - b.cost) ||
        b.cure.after.left - a.cure.after.left,
    )
    .map(({ cure }) => cure);
}

/** A yarn that nothing is worked in any more. */
const spared = ({ yarn, need, basket }: Enough): Enough => ({
  yarn,
  need: { ...need, length: 0, low: 0, high: 0, parts: [], uses: [] },
  basket,
  is: 'enough',
  left: basket.length,
  buy: 0,
  leftThen: basket.length,
});

/** Where a short yarn is missing if all that shows is worked first; nothing where it is not short. */
export function orderCure(plan: Plan, { yarn, left }: Enough): OrderCure | undefined {
  let missing = -left;
  if (missing <= WORTH) return undefined;
  const uses = shownUses(plan, yarn).sort((a, b) => SHOWS.indexOf(a.shows) - SHOWS.indexOf(b.shows));
  return {
    missing: uses.flatMap(({ shows, what, length }) => {
      const own = Math.min(missing, length);
      missing -= own;
      return own > 0 ? [{ shows, what, length: own }] : [];
    }),
  };
}

/** All ways there are to use less of a yarn. */
function attempts(document: BagDocument, now: readonly Enough[], short: string): Attempt[] {
  const { weight, colourName } = yarnOf(document, short);
  const instead = now
    .filter(({ yarn, is }) => yarn !== short && (is === 'enough' || is === 'likely'))
    .filter(({ yarn }) => yarnOf(document, yarn).weight === weight)
    .sort((a, b) => b.left - a.left)
    .slice(0, STEAD)
    .map(({ yarn }) => ({ yarn, name: yarnOf(document, yarn).colourName }));
  const { edge } = document.features ?? {};
  const { straps } = document.finish ?? {};
  const tried: Attempt[] = [
    {
      says: 'Unravel the swatches, and work them up',
      cost: 1,
      make: (doc) => ({ ...doc, allowances: { ...doc.allowances, swatches: false } }),
    },
    {
      says: 'Carry colours up to their next round: fewer ends',
      cost: 2,
      make: (doc) => ({
        ...doc,
        motifs: doc.motifs.map((motif) =>
          hasColour(doc, motif, short) ? { ...motif, ends: motif.ends ?? 'carried' } : motif,
        ),
      }),
    },
    ...instead.map(
      ({ yarn, name }): Attempt => ({ says: `Join in ${name}`, cost: 4, make: joinedIn(short, yarn) }),
    ),
    ...instead.flatMap(({ yarn, name }): Attempt[] => [
      {
        says: `${colourName} in the last rounds only: ${name} in the inner ones`,
        cost: 6,
        make: recoloured(short, yarn, (r, last) => r < last),
      },
      {
        says: `${colourName} in the inner rounds only: ${name} in the last ones`,
        cost: 7,
        make: recoloured(short, yarn, (r, last) => r === last),
      },
    ]),
    {
      says: 'One round fewer in every motif',
      cost: 20,
      make: (doc) => ({
        ...doc,
        construction: fewerRounds(doc.construction),
        ...(doc.features && { features: fewerRounds(doc.features) }),
      }),
    },
  ];
  // Whether it saves any of the yarn is told by trying.
  if (edge && edge.rounds > 1)
    tried.push({
      says: 'One edge round fewer',
      cost: 8,
      make: (doc) => ({
        ...doc,
        features: { ...doc.features, edge: { ...edge, rounds: edge.rounds - 1 } },
      }),
    });
  if (edge && swatchOf(document, edge.swatch).yarn === short)
    tried.push(
      ...instead.map(
        ({ yarn, name }): Attempt => ({
          says: `The edge in ${name}`,
          cost: 9,
          make: edgedIn(edge.swatch, yarn, name),
        }),
      ),
    );
  if (straps && straps.wide > 1)
    tried.push({
      says: straps.many > 1 ? 'Straps one stitch narrower' : 'A strap one stitch narrower',
      cost: 10,
      make: (doc) => ({
        ...doc,
        finish: { ...doc.finish, straps: { ...straps, wide: straps.wide - 1 } },
      }),
    });
  return tried;
}

/** Joins of one yarn in another. */
const joinedIn = (short: string, yarn: string) => (doc: BagDocument) => {
  const { joins } = doc;
  return {
    ...doc,
    joins: {
      ...joins,
      yarn: joins.yarn === short ? yarn : joins.yarn,
      ...(joins.lines && {
        lines: Object.fromEntries(
          Object.entries(joins.lines).map(([line, own]) => [
            line,
            own.yarn === short ? { ...own, yarn } : own,
          ]),
        ),
      }),
    },
  };
};

/** Whether a motif is worked in a yarn in any of its colourways. */
const hasColour = (doc: BagDocument, { colourways, swatch }: Motif, yarn: string): boolean =>
  colourways.some(({ rounds }) => rounds.includes(yarn)) || swatchOf(doc, swatch).yarn === yarn;

/** One yarn for another in the rounds that are meant, of every motif that lies in the bag. */
const recoloured =
  (short: string, yarn: string, meant: (round: number, last: number) => boolean) => (doc: BagDocument) => {
    const rounds = roundsWorked(doc);
    const of = (motif: Motif): Motif => {
      const many = rounds.get(motif.id);
      if (many === undefined) return motif;
      const last = many - 1;
      return {
        ...motif,
        colourways: motif.colourways.map((way) => {
          // A colour that goes on to the end is written out, so that its last round can differ; those of rounds it could
          // be worked on to stay.
          const written = [...roundColours(way, many, short), ...way.rounds.slice(many)];
          const next = written.map((own, r) => (own === short && r <= last && meant(r, last) ? yarn : own));
          return next.some((own, r) => own !== written[r]) ? { ...way, rounds: next } : way;
        }),
      };
    };
    return { ...doc, motifs: doc.motifs.map(of) };
  };

/** How many rounds each motif is worked to, at most. */
function roundsWorked({ construction, features }: BagDocument): Map<string, number> {
  const by = new Map<string, number>();
  const visit = (value: unknown) => {
    if (typeof value !== 'object' || value === null) return;
    if (isMotifOfRounds(value)) by.set(value.motif, Math.max(value.rounds, by.get(value.motif) ?? 0));
    for (const inner of Object.values(value)) visit(inner);
  };
  visit(construction);
  visit(features);
  return by;
}

const isMotifOfRounds = (value: object): value is { readonly motif: string; readonly rounds: number } =>
  'motif' in value &&
  typeof value.motif === 'string' &&
  'rounds' in value &&
  typeof value.rounds === 'number';

/** A construction, or a part of it, with one round fewer in every motif that has more than one. */
function fewerRounds<T>(value: T): T;
function fewerRounds(value: unknown): unknown {
  if (Array.isArray(value)) return value.map((item) => fewerRounds(item));
  if (typeof value !== 'object' || value === null) return value;
  const fewer = Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, fewerRounds(inner)]));
  return isMotifOfRounds(value) && value.rounds > 1 ? { ...fewer, rounds: value.rounds - 1 } : fewer;
}

/** The edge in another yarn: worked to the same gauge, as far as can be told, in a swatch of its own. */
const edgedIn = (swatch: string, yarn: string, name: string) => (doc: BagDocument) => {
  const own = swatchOf(doc, swatch);
  const there = doc.swatches.find(
    (one) =>
      one.yarn === yarn && one.hook === own.hook && one.stitch === own.stitch && one.strands === own.strands,
  );
  const id =
    there?.id ??
    idFrom(
      `${swatch}-${yarn}`,
      doc.swatches.map((one) => one.id),
    );
  const { edge } = doc.features ?? {};
  if (!edge) return doc;
  return {
    ...doc,
    swatches: there
      ? doc.swatches
      : [...doc.swatches, { ...own, id, yarn, name: `${own.name.slice(0, 60)}, ${name}`.slice(0, 80) }],
    features: { ...doc.features, edge: { ...edge, swatch: id } },
  };
};
