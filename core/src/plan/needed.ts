import type { Measure } from '../bag/index.ts';
import type { BagDocument, BriefMeasure } from '../document/index.ts';
import { motifOf, yarnOf } from '../document/look-up.ts';
import { LIMITS } from '../fields/index.ts';
import { type SizeVariable, sizeTable, type Tape } from '../fit/index.ts';
import { blocksBy } from '../gauge/index.ts';
import { must, NOTHING, whole } from '../geometry/index.ts';
import { builtBag } from './bag.ts';
import type { Plan } from './plan.ts';

/** One way to a target, tried on the real plan, with what the measure then comes to, mm. */
export type Way =
  | { readonly by: 'rounds'; readonly rounds: number; readonly comes: number; readonly document: BagDocument }
  | { readonly by: 'edge'; readonly rounds: number; readonly comes: number; readonly document: BagDocument }
  /** Pinned out larger or smaller by so many per cent. */
  | { readonly by: 'blocking'; readonly percent: number; readonly comes: number }
  /** So many stitches or rows more (or fewer) in each panel that makes the measure. */
  | { readonly by: 'stitches' | 'rows'; readonly more: number; readonly comes: number };

/** What a measure that misses its target needs. */
export interface Need {
  readonly measure: BriefMeasure;
  /** The square it rests on most, as it is and as it would fill the target, mm. */
  readonly square: { readonly rounds: number; readonly now: number; readonly needed: number } | undefined;
  /** What gets there within the tolerance, and of counts what comes nearest. */
  readonly ways: readonly Way[];
}

/** More edge rounds than this are a wall of their own. */
const MOST_EDGE = 12;

/** The same construction with every square of one motif and size worked to another number of rounds. */
export function withRounds<T>(value: T, motif: string, rounds: number, next: number): T;
export function withRounds(value: unknown, motif: string, rounds: number, next: number): unknown {
  if (Array.isArray(value)) return value.map((one: unknown) => withRounds(one, motif, rounds, next));
  if (typeof value !== 'object' || value === null) return value;
  const inner = Object.fromEntries(
    Object.entries(value).map(([key, own]) => [key, withRounds(own, motif, rounds, next)]),
  );
  return inner.motif === motif && inner.rounds === rounds ? { ...inner, rounds: next } : inner;
}

const measured = (document: BagDocument, measure: Measure): number | undefined => {
  const building = builtBag(document);
  return building.ok ? building.bag.finished.sizes[measure].value : undefined;
};

/** The rounds whose squares come out just under and just over a wanted size. */
function roundsAbout(document: BagDocument, motif: string, wanted: number): number[] {
  const table = sizeTable(document);
  let rounds = 1;
  while (rounds < LIMITS.rounds && table.side(motif, rounds + 1).value <= wanted) rounds++;
  return [rounds, rounds + 1];
}

/** The way that comes nearest to a target among some counts, if any comes nearer than what there is. */
function nearest<W extends { readonly comes: number }>(
  ways: ReadonlyArray<W | undefined>,
  { target, finished }: Tape,
): W[] {
  if (!target) return [];
  const off = ({ comes }: W) => Math.abs(comes - target.value);
  const best = ways
    .flatMap((way) => way ?? [])
    .reduce<W | undefined>((a, b) => (a && off(a) <= off(b) + NOTHING ? a : b), undefined);
  return best && off(best) < Math.abs(finished.value - target.value) - 0.5 ? [best] : [];
}

function needOf(plan: Plan, tape: Tape): Need | undefined {
  const { measure, target, finished } = tape;
  if (!target || measure === 'strapDrop') return undefined;
  const building = builtBag(plan.document);
  if (!building.ok) return undefined;
  const { document } = plan;
  const slope = (size: SizeVariable) => building.bag.finished.slopes.get(size)?.[measure] ?? 0;
  const short = target.value - finished.value;
  const steep = (a: SizeVariable, b: SizeVariable) => Math.abs(slope(b)) - Math.abs(slope(a));
  const [square] = plan.sizes.filter(({ what }) => what.of === 'motif').sort(steep);
  const ways: Way[] = [];
  let needed: Need['square'];
  if (square?.what.of === 'motif' && Math.abs(slope(square)) > 0.1) {
    const { motif, rounds } = square.what;
    const size = square.value + short / slope(square);
    needed = { rounds, now: square.value, needed: size };
    const tried = roundsAbout(document, motif, size)
      .filter((next) => next !== rounds)
      .map((next): Way | undefined => {
        const construction = withRounds(document.construction, motif, rounds, next);
        const changed = { ...document, construction };
        const comes = measured(changed, measure);
        return comes === undefined ? undefined : { by: 'rounds', rounds: next, comes, document: changed };
      });
    ways.push(...nearest(tried, tape));
    const percent = 100 * (size / square.value - 1);
    const swatch = motifOf(document, motif).swatch;
    const { fibre } = yarnOf(
      document,
      must(
        document.swatches.find(({ id }) => id === swatch),
        'swatch',
      ).yarn,
    );
    if (Math.abs(percent) <= blocksBy(fibre) && Math.abs(percent) > 0.1)
      ways.push({ by: 'blocking', percent, comes: target.value });
  }
  if (measure === 'height') {
    const swatch = document.features?.edge?.swatch ?? must(document.swatches.at(-1), 'swatch').id;
    const now = document.features?.edge?.rounds ?? 0;
    const row = sizeTable(document).swatch(swatch).gauge.row.value;
    const rounds = now + whole(short / row);
    if (rounds >= 0 && rounds <= MOST_EDGE && rounds !== now) {
      const edge = rounds > 0 ? { growth: 0, ...document.features?.edge, swatch, rounds } : undefined;
      const changed = { ...document, features: { ...document.features, edge } };
      const comes = measured(changed, measure);
      const way: Way | undefined =
        comes === undefined ? undefined : { by: 'edge', rounds, comes, document: changed };
      ways.push(...nearest([way], tape));
    }
  }
  for (const size of plan.sizes) {
    const { what, value } = size;
    if (what.of !== 'pitch' && what.of !== 'row') continue;
    // The slope is how many stitches lie along the measure; so many times the panel's own count.
    const counts = plan.graph.pieces.flatMap(({ make }) =>
      make.of === 'panel' && make.swatch === what.swatch
        ? [what.of === 'pitch' ? make.stitches : make.rows]
        : [],
    );
    const times = counts
      .map((count) => slope(size) / count)
      .find((by) => by > 0.9 && Math.abs(by - Math.round(by)) < 0.02);
    if (!times) continue;
    const more = whole(short / (times * value));
    if (more === 0) continue;
    const comes = finished.value + more * times * value;
    ways.push(...nearest([{ by: what.of === 'pitch' ? 'stitches' : 'rows', more, comes } as const], tape));
  }
  return { measure, square: needed, ways };
}

/** For every measure that misses its target: the size its squares would need, and what gets it there. */
export const needsOf = (plan: Plan): Need[] =>
  plan.tapes
    .filter(({ verdict }) => verdict === 'under' || verdict === 'over')
    .flatMap((tape) => needOf(plan, tape) ?? []);
