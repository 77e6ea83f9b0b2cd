import type { BagDocument } from '../../document/index.ts';
import { motifOf, swatchOf, yarnOf } from '../../document/look-up.ts';
import { lengthSchema } from '../../document/schema.ts';
import { withHook } from '../../document/with-hook.ts';
import type { Tape } from '../../fit/index.ts';
import { blocksBy } from '../../gauge/index.ts';
import { NOTHING } from '../../geometry/index.ts';
import {
  controlsOf,
  edited,
  featureControlsOf,
  type Move,
  movesBetween,
  type Plan,
  planned,
  tapedSizes,
} from '../../plan/index.ts';
import { type Check, checkVerdict } from './check.ts';
import { type Counted, withMeasured } from './taken.ts';

/** What could be done about a measure. */
export type Change =
  /** The measure counts, and nothing else changes. */
  | { readonly by: 'nothing' }
  /** What is still to come is worked with another hook, mm. */
  | { readonly by: 'hook'; readonly swatch: string; readonly from: number; readonly to: number }
  /** A count of the plan. */
  | {
      readonly by: 'count';
      readonly control: string;
      readonly label: string;
      readonly from: number;
      readonly to: number;
    }
  /** Pinned out by so many per cent, to the size it was planned with. */
  | { readonly by: 'blocking'; readonly percent: number }
  /** What is wanted becomes what comes out. */
  | { readonly by: 'targets' };

/** One way on after a measure, tried on the plan. */
export interface CheckChoice {
  readonly change: Change;
  /** The bag with the measure and the change. */
  readonly document: BagDocument;
  /** The bag's measures against those before it was measured, mm; only what moves. */
  readonly moves: readonly Move[];
  /** How far the worst measure is then from what was aimed at, beyond what it may be off by, as a share of it. */
  readonly off: number;
}

/** Hooks are tried so far either way, mm, in steps as they are sold. */
const HOOKS = 2;
const HOOK_STEP = 0.5;
/** Steps up and down each count is tried. */
const STEPS = 5;
/** Without a target a measure may be off by so much, as a share, before anything should be done. */
const FREE = 0.01;
/** A change must come nearer by so much to be worth it, as a share. */
const WORTH = 0.003;
/** Ease of a seam that does not show, per cent. */
const HIDDEN = 2;

interface Aim {
  readonly measure: Tape['measure'];
  readonly value: number;
  readonly tolerance: number;
}

/** What the maker wants, or, where they say nothing, what the plan promised. */
const aimsOf = ({ tapes }: Plan): Aim[] =>
  tapes.flatMap(({ measure, target, finished: { value } }) =>
    value < 1
      ? []
      : [{ measure, value: target?.value ?? value, tolerance: target?.tolerance ?? FREE * value }],
  );

/** How far a plan is from what was aimed at. */
function offBy({ tapes }: Plan, aims: readonly Aim[]): number {
  return Math.max(
    0,
    ...aims.map(({ measure, value, tolerance }) => {
      const now = tapes.find((one) => one.measure === measure)?.finished.value ?? 0;
      return (Math.abs(now - value) - tolerance) / value;
    }),
  );
}

const worstEase = ({ lines }: Plan): number =>
  Math.max(0, ...lines.map(({ ease }) => Math.abs(ease.percent)));

/**
 * The ways on after a measure that is not as expected, or moves the bag by more than it may: the first leaves all as it is, the
 * others come nearer to what was aimed at, the nearest first. Every count, hooks, blocking as far as the fibre keeps it, and targets
 * that follow are tried on the real plan; of each count and of the hooks the one that comes nearest is told, and none that leaves
 * any seam with more to ease than it had. Empty where nothing needs to be done.
 *
 * @param before what the plan has of the same piece already.
 */
export function choicesAfter(plan: Plan, check: Check, mm: number, before?: Counted): CheckChoice[] {
  if (check.what.of === 'tape') return [];
  const aims = aimsOf(plan);
  const asIs = edited(plan.document, (document) => withMeasured(document, check.what, mm, before));
  if (!asIs.ok) return [];
  const off = offBy(asIs.plan, aims);
  if (checkVerdict(check, mm).is === 'as expected' && off <= NOTHING) return [];
  const choice = (change: Change, next: Plan, document: BagDocument): CheckChoice => ({
    change,
    document,
    moves: movesBetween(tapedSizes(plan), tapedSizes(next)),
    off: offBy(next, aims),
  });
  const ease = Math.max(HIDDEN, worstEase(asIs.plan)) + NOTHING;
  const best = new Map<string, { readonly choice: CheckChoice; readonly cost: number }>();
  for (const { kind, change, cost, make } of attempts(asIs.plan, plan, check, mm)) {
    const next = edited(asIs.document, make, { plan: planned });
    if (!next.ok || next.document === asIs.document) continue;
    const tried = choice(change, next.plan, next.document);
    // A target that follows is reached by being moved.
    const comes = change.by === 'targets' ? 0 : tried.off;
    if (comes > off - WORTH || worstEase(next.plan) > ease) continue;
    const known = best.get(kind);
    if (
      !known ||
      comes < known.choice.off - NOTHING ||
      (comes < known.choice.off + NOTHING && cost < known.cost)
    )
      best.set(kind, { choice: { ...tried, off: comes }, cost });
  }
  const others = [...best.values()].sort(
    (a, b) =>
      Number(isMoved(a.choice)) - Number(isMoved(b.choice)) || a.choice.off - b.choice.off || a.cost - b.cost,
  );
  return [choice({ by: 'nothing' }, asIs.plan, asIs.document), ...others.map((one) => one.choice)];
}

/** Wanting something else comes last. */
const isMoved = ({ change }: CheckChoice): boolean => change.by === 'targets';

interface Attempt {
  /** Of one kind only the best is told. */
  readonly kind: string;
  readonly change: Change;
  /** How much it asks of the maker, where two come as near. */
  readonly cost: number;
  readonly make: (document: BagDocument) => BagDocument;
}

/** Everything there is to try, on the bag with the measure in it. */
function attempts(measured: Plan, planned: Plan, check: Check, mm: number): Attempt[] {
  return [
    ...blockings(measured.document, check, mm),
    ...hooks(measured.document, check),
    ...counts(measured),
    ...targets(measured, planned),
  ];
}

/** The swatch that what was measured is worked in. */
function swatchOfCheck(document: BagDocument, { what }: Check): string | undefined {
  switch (what.of) {
    case 'motif':
      return motifOf(document, what.motif).swatch;
    case 'rows':
    case 'stitches':
      return what.swatch;
    // What a join adds is not the hook's doing alone, and what a tape says comes too late for another.
    case 'joined':
    case 'tape':
      return undefined;
  }
}

function hooks(document: BagDocument, check: Check): Attempt[] {
  const id = swatchOfCheck(document, check);
  // What is blocked is finished: no hook changes it.
  if (id === undefined || (check.what.of === 'motif' && check.what.blocked)) return [];
  const { hook } = swatchOf(document, id);
  const all: Attempt[] = [];
  const first = Math.ceil((hook - HOOKS) / HOOK_STEP) * HOOK_STEP;
  for (let to = first; to <= hook + HOOKS; to += HOOK_STEP) {
    if (to < 1 || Math.abs(to - hook) < HOOK_STEP / 2) continue;
    all.push({
      kind: 'hook',
      change: { by: 'hook', swatch: id, from: hook, to },
      cost: Math.abs(to - hook),
      make: (doc) => withHook(doc, id, to),
    });
  }
  return all;
}

function blockings(document: BagDocument, { what, expected }: Check, mm: number): Attempt[] {
  if (what.of !== 'motif' || what.blocked) return [];
  const percent = 100 * (expected / mm - 1);
  const { yarn } = swatchOf(document, motifOf(document, what.motif).swatch);
  if (Math.abs(percent) > blocksBy(yarnOf(document, yarn).fibre)) return [];
  const blocked = lengthSchema.parse(expected);
  return [
    {
      kind: 'blocking',
      change: { by: 'blocking', percent },
      cost: 0.5,
      // All that were measured, pinned out to the size that was expected: what comes off the hook next is held against that.
      make: (doc) => ({
        ...doc,
        motifs: doc.motifs.map((one) =>
          one.id === what.motif
            ? {
                ...one,
                measured: one.measured.map((own) =>
                  own.rounds === what.rounds && own.hook === undefined && own.blocked === undefined
                    ? { ...own, blocked }
                    : own,
                ),
              }
            : one,
        ),
      }),
    },
  ];
}

function counts(plan: Plan): Attempt[] {
  const { document } = plan;
  const all: Attempt[] = [];
  const each = (
    control: {
      readonly id: string;
      readonly label: string;
      readonly value: number;
      readonly min: number;
      readonly max: number;
      readonly step: number;
    },
    make: (value: number) => (doc: BagDocument) => BagDocument,
  ) => {
    const { id, label, value, min, max, step } = control;
    for (let k = -STEPS; k <= STEPS; k++) {
      const to = value + k * step;
      if (k === 0 || to < min || to > max) continue;
      all.push({
        kind: `count ${id}`,
        change: { by: 'count', control: id, label, from: value, to },
        cost: Math.abs(k),
        make: make(to),
      });
    }
  };
  for (const control of controlsOf(document))
    if (control.kind === 'count')
      each(control, (value) => (doc) => ({ ...doc, construction: control.set(value) }));
  for (const control of featureControlsOf(plan))
    if (control.kind === 'count')
      each(control, (value) => (doc) => ({ ...doc, features: control.set(value) }));
  return all;
}

/** What is wanted follows what comes out, where it is missed then and was not before. */
function targets({ tapes }: Plan, before: Plan): Attempt[] {
  const missed = tapes.filter(({ target, off }) => target && Math.abs(off) > target.tolerance);
  const was = new Set(
    before.tapes.flatMap(({ measure, target, off }) =>
      target && Math.abs(off) <= target.tolerance ? [measure] : [],
    ),
  );
  if (!missed.some(({ measure }) => was.has(measure))) return [];
  return [
    {
      kind: 'targets',
      change: { by: 'targets' },
      cost: 0,
      make: (doc) => {
        const brief = { ...doc.brief };
        for (const { measure, target, finished } of missed)
          if (target) brief[measure] = { ...target, value: lengthSchema.parse(finished.value) };
        return { ...doc, brief };
      },
    },
  ];
}
