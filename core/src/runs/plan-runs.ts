import type { BagGraph } from '../bag/index.ts';
import { groupBy, longestFirst } from '../geometry/index.ts';
import { carryOn } from './carry-on.ts';
import type { JoiningGraph, SeamLink } from './links.ts';
import { longSeams } from './long-seams.ts';
import { type JoinMethodId, joinMethod } from './methods.ts';
import { SCHOOLS, type School } from './school.ts';
import {
  cutToLength,
  type HowJoined,
  inLastRounds,
  keptForLast,
  lengthOf,
  type Sewing,
  type Sewn,
  TAIL,
} from './sewn.ts';
import { type Pass, passEnd, reverseTrail, straightTrails, trailEnd, trailStart } from './trails.ts';

/** One yarn from where it is joined on to where it is cut. */
export interface Run {
  readonly number: number;
  readonly title: string;
  readonly passes: readonly Pass<SeamLink>[];
  /** mm of seam. */
  readonly length: number;
  /** mm of yarn, with a tail at both ends. */
  readonly yarn: number;
  readonly how: HowJoined;
  /** Squares joined in their own last rounds: the yarn is theirs, and leaves no ends of its own. */
  readonly asYouGo: boolean;
}

export interface JoinPlan {
  readonly school: School;
  readonly flatFirst: boolean;
  readonly runs: readonly Run[];
  /** Corners sewn across once the bag is closed, each with a yarn of its own. */
  readonly corners: readonly SewnCorner[];
  /** Yarn ends to hide: two a run or corner that has a yarn of its own. */
  readonly ends: number;
}

/** A corner sewn across: its length, and its yarn with a tail at both ends, mm. */
export interface SewnCorner {
  /** It lasts, and is the same for either hand. */
  readonly id: string;
  readonly name: string;
  readonly length: number;
  readonly yarn: number;
}

export interface JoinOptions {
  readonly school: School;
  /** Work every flat join before the first closing one. Only the school of fewest ends may do without. */
  readonly flatFirst: boolean;
  /** By line id. */
  readonly how: (line: string) => HowJoined;
  /** A closing line kept for the end, and at which of its ends the yarn should come out. */
  readonly last?: { readonly line: string; readonly end: 'first' | 'second' } | undefined;
  /** Longest yarn a needle is threaded with, mm: a run that needs more begins anew. */
  readonly longest?: number | undefined;
}

/** The same method and yarn everywhere. */
export const allBy = (method: JoinMethodId, yarn = ''): JoinOptions['how'] => {
  const how = { method, yarn };
  return () => how;
};

/** Whether every flat join is worked before the first closing one: long seams go through both. */
const flatComesFirst = ({ school, flatFirst }: Pick<JoinOptions, 'school' | 'flatFirst'>): boolean =>
  school === 'long' ? false : school === 'fewest' ? flatFirst : true;

/** The trails of a school, before anyone asks where to begin them. */
function sewings(
  graph: BagGraph,
  joining: JoiningGraph,
  { school, flatFirst }: Pick<JoinOptions, 'school' | 'flatFirst'>,
) {
  const { flat, closing, all } = joining;
  const folded = (trails: readonly Sewing[]): Sewing[] =>
    trails.map((trail) => trail.map(({ link, forward }) => ({ link: joining.madeUp(link), forward })));
  switch (school) {
    case 'lines':
      return [...folded(byDirection(flat)), ...straightTrails(closing)];
    case 'long':
      return longSeams(graph, all);
    case 'strips':
      return [...folded(stripsFirst(flat)), ...straightTrails(closing)];
    // Panels take no part in it: they are joined in lines.
    case 'as-you-go':
      return [...folded(byDirection(flat)), ...straightTrails(closing)];
    case 'fewest':
      return flatFirst ? inPhases(joining) : straightTrails(all);
  }
}

/** The part of the joining that `keep` holds. */
const restricted = (joining: JoiningGraph, keep: (link: SeamLink) => boolean): JoiningGraph => ({
  ...joining,
  all: joining.all.filter(keep),
  flat: joining.flat.filter(keep),
  closing: joining.closing.filter(keep),
});

/** All sewings of a bag: one method and yarn at a time, flat ones first. */
function allSewings(graph: BagGraph, joining: JoiningGraph, options: JoinOptions): Sewn[] {
  const go = options.school === 'as-you-go' ? inLastRounds(graph, joining) : [];
  const gone = new Set(go.map(({ link }) => link.id));
  const rest = gone.size > 0 ? restricted(joining, ({ id }) => !gone.has(id)) : joining;
  // A line is joined in one way, so it is asked once.
  const hows = new Map<string, string>();
  const howOf = (way: string): string => {
    const known = hows.get(way);
    if (known !== undefined) return known;
    const { method, yarn } = options.how(way);
    const fresh = `${method} ${yarn}`;
    hows.set(way, fresh);
    return fresh;
  };
  const groups = groupBy(rest.all, ({ way }) => howOf(way));
  const sewn = [...groups].flatMap(([how, [head]]): Sewn[] => {
    if (!head) return [];
    const part = groups.size > 1 ? restricted(rest, ({ way }) => howOf(way) === how) : rest;
    return sewings(graph, part, options).map((trail) => ({
      trail,
      how: options.how(head.way),
      asYouGo: false,
    }));
  });
  const closes = ({ trail }: Sewn) => (trail[0]?.link.seam.kind === 'closing' ? 1 : 0);
  const free = !flatComesFirst(options);
  if (groups.size > 1 && !free) sewn.sort((a, b) => closes(a) - closes(b));
  const [first] = go;
  return first ? [{ trail: go, how: options.how(first.link.way), asYouGo: true }, ...sewn] : sewn;
}

/** Orders the joins of a bag into runs by one of the schools. */
export function planRuns(graph: BagGraph, joining: JoiningGraph, options: JoinOptions): JoinPlan {
  const names = new Map(graph.lines.map(({ id, name }) => [id, name]));
  const { last, longest } = options;
  const sewn = keptForLast(allSewings(graph, joining, options), last).flatMap((one) =>
    cutToLength(one, longest),
  );
  const runs = sewn.map(({ trail, how, asYouGo }, i): Run => {
    const chosen = last !== undefined && trail.some(({ link }) => link.way === last.line);
    const passes = asYouGo || chosen || longest ? trail : wellBegun(trail, joining.onRim);
    const length = lengthOf(passes.map(({ link }) => link));
    return {
      number: i + 1,
      title: asYouGo ? 'Squares, each joined in its last round' : runTitle(passes, names),
      passes,
      length,
      yarn: length * joinMethod(how.method).yarnBySeam + (asYouGo ? 0 : 2 * TAIL),
      how,
      asYouGo,
    };
  });
  const flatFirst = flatComesFirst(options);
  const { yarnBySeam } = joinMethod(options.how('').method);
  const corners = (graph.tucks ?? []).map(
    ({ name, length }): SewnCorner => ({ id: name, name, length, yarn: length * yarnBySeam + 2 * TAIL }),
  );
  const ends = 2 * (runs.filter(({ asYouGo }) => !asYouGo).length + corners.length);
  return { school: options.school, flatFirst, runs, corners, ends };
}

/** What a school costs, for setting schools side by side. */
export interface SchoolSummary {
  readonly school: School;
  readonly flatFirst: boolean;
  readonly runs: number;
  readonly ends: number;
  /** mm of yarn with all tails. */
  readonly yarn: number;
  /** How often the work is turned at a corner within a run. */
  readonly turns: number;
}

/** The schools side by side; that of fewest ends also without the rule of flat joins first. */
export function schoolsSideBySide(
  graph: BagGraph,
  joining: JoiningGraph,
  options: Pick<JoinOptions, 'how' | 'last' | 'longest'>,
): SchoolSummary[] {
  const summary = (school: School, flatFirst: boolean): SchoolSummary => {
    const { runs, corners, ends } = planRuns(graph, joining, { ...options, school, flatFirst });
    const turns = runs.map(({ passes, asYouGo }) =>
      asYouGo || school === 'long'
        ? 0
        : passes.filter(({ link }, i) => i > 0 && link.way !== passes[i - 1]?.link.way).length,
    );
    const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0);
    return {
      school,
      flatFirst: flatComesFirst({ school, flatFirst }),
      runs: runs.length,
      ends,
      yarn: sum([...runs, ...corners].map(({ yarn }) => yarn)),
      turns: sum(turns),
    };
  };
  const squares = graph.pieces.filter(({ make }) => make.of === 'motif').length > 1;
  return [
    ...SCHOOLS.filter((school) => squares || school !== 'as-you-go').map((school) => summary(school, true)),
    summary('fewest', false),
  ];
}

const inPhases = ({ flat, closing, corner, madeUp }: JoiningGraph): Sewing[] =>
  carryOn(straightTrails(flat), straightTrails(closing), { corner, link: madeUp });

/** Every line as one run; the direction with more to sew in longer lines goes first. */
function byDirection(flat: readonly SeamLink[]): Sewing[] {
  const lines = [...groupBy(flat, ({ way }) => way).values()];
  const directions = groupBy(lines, (line) => line[0]?.lie ?? 'level');
  const longest = (group: readonly SeamLink[][]) => Math.max(...group.map(lengthOf));
  return [...directions.values()]
    .sort((a, b) => longestFirst(longest(a), longest(b)))
    .flatMap((group) => group.flatMap((line) => straightTrails(line)));
}

/** Joins nearer than this along their own direction, mm, are of one column. */
const ONE_COLUMN = 2;

/** Joins that all run the same way, column by column: each column holds those that lie beside one another. */
function inColumns(short: readonly SeamLink[]): SeamLink[] {
  const placed = short
    .map((link) => {
      const [{ x, y }, q] = link.net;
      const [dx, dy] = [q.x - x, q.y - y];
      const way = Math.hypot(dx, dy) * (dx < 0 ? -1 : 1);
      return { link, at: ((x + q.x) * dx + (y + q.y) * dy) / (2 * way) };
    })
    .sort((a, b) => a.at - b.at);
  const columns: SeamLink[][] = [];
  placed.forEach(({ link, at }, i) => {
    const before = placed[i - 1];
    const column = columns.at(-1);
    if (column && before && at - before.at < ONE_COLUMN) column.push(link);
    else columns.push([link]);
  });
  const order = new Map(short.map((link, i) => [link, i]));
  return columns.flatMap((column) => column.sort((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0)));
}

/** Squares into columns first, each join by itself; then the columns to each other in long lines. */
function stripsFirst(flat: readonly SeamLink[]): Sewing[] {
  const [short, long] = [
    flat.filter(({ lie }) => lie === 'level'),
    flat.filter(({ lie }) => lie === 'upright'),
  ];
  const columnOrder = inColumns(short);
  const single = columnOrder.map((link): Sewing => [{ link, forward: true }]);
  const lines = [...groupBy(long, ({ way }) => way).values()];
  return [...single, ...lines.flatMap((line) => straightTrails(line))];
}

/**
 * Turns a run so that it begins where a maker would: flat lines from the top or the right, closing ones
 * at the rim. A run that carries on from flat into closing keeps its direction.
 */
function wellBegun(trail: Sewing, onRim: ReadonlySet<number>): Sewing {
  const [head, tail] = [trail[0], trail.at(-1)];
  if (!head || !tail) return trail;
  const kinds = new Set(trail.map(({ link }) => link.seam.kind));
  if (kinds.size > 1) return trail;
  if (kinds.has('closing')) {
    return onRim.has(trailEnd(trail)) && !onRim.has(trailStart(trail)) ? reverseTrail(trail) : trail;
  }
  const start = head.link.net[head.forward ? 0 : 1];
  const end = tail.link.net[tail.forward ? 1 : 0];
  const better = Math.abs(end.y - start.y) > 1 ? end.y > start.y : end.x > start.x;
  return better ? reverseTrail(trail) : trail;
}

function runTitle(passes: Sewing, names: ReadonlyMap<string, string>): string {
  const lines = [...new Set(passes.map(({ link }) => names.get(link.way) ?? link.way))];
  const [first = '', ...others] = lines;
  const text =
    others.length === 0
      ? first
      : others.length < 3
        ? lines.join(', then ')
        : `${first}, then ${others.length} more lines`;
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** What happens at the corner between two passes of a run. */
export interface Crossing {
  /** How many other seams meet here. */
  readonly others: number;
  /** Whether any of them was worked before. */
  readonly worked: boolean;
  /** Whether the run leaves its line here. */
  readonly turns: boolean;
}

/** Reads the crossings of all runs in working order. */
export function crossingsOf(plan: JoinPlan, joining: JoiningGraph): Crossing[][] {
  const open = meetingLinks(joining.flat);
  const madeUp = meetingLinks(joining.all);
  const openEnds = new Map(joining.flat.map((link) => [link.id, link]));
  const done = new Set<string>();
  return plan.runs.map((run) =>
    run.passes.flatMap((pass, i) => {
      done.add(pass.link.id);
      const next = run.passes[i + 1];
      if (!next) return [];
      // Between two flat joins only what meets in the open net is met, as long as the net lies open.
      const flat = openEnds.get(pass.link.id);
      const stillOpen = plan.flatFirst && flat && next.link.seam.kind === 'flat';
      const met = stillOpen
        ? (open.get(passEnd({ link: flat, forward: pass.forward })) ?? [])
        : (madeUp.get(passEnd(pass)) ?? []);
      const others = met.filter(({ id }) => id !== pass.link.id && id !== next.link.id);
      return [
        {
          others: others.length,
          worked: others.some(({ id }) => done.has(id)),
          // A long seam goes straight on, whatever the lines are called that it goes through.
          turns: plan.school !== 'long' && pass.link.way !== next.link.way,
        },
      ];
    }),
  );
}

function meetingLinks(links: readonly SeamLink[]): Map<number, SeamLink[]> {
  const meeting = new Map<number, SeamLink[]>();
  for (const link of links) {
    for (const corner of new Set([link.from, link.to])) {
      const list = meeting.get(corner);
      if (list) list.push(link);
      else meeting.set(corner, [link]);
    }
  }
  return meeting;
}
