import { type CountedRow, countedRow, type Instruction, readLine } from '../../fabric/index.ts';
import { type MotifRound, placesOf, type RoundInto, type Top, type Tops, wholeRound } from './round.ts';
import type { Unworkable, WorkedRound } from './work-round.ts';

/** What a round cannot do: it is joined where it began, is not turned, and its colour is set beside it. */
const NOT_IN_A_ROUND: Partial<Record<Instruction['do'], string>> = {
  turn: 'A round is not turned.',
  start: 'A round is begun where the last one ended.',
  leave: 'A round leaves nothing of the one below.',
  colour: 'The colour of a round is set beside it, not in its words.',
  'fasten-off': 'A round says nothing of fastening off: colours tell where yarn is cut.',
};

/**
 * A round in the maker's own words, counted on the one below as a row of a panel is. What is worked into a corner of the
 * round below is a corner again.
 */
export function writtenRound(
  { stitch }: MotifRound,
  { words, terms }: Extract<RoundInto, { of: 'written' }>,
  below: Tops | undefined,
): WorkedRound | Unworkable {
  if (words.trim() === '') return { problem: 'Say what is worked, as “2 dc in each st”.' };
  const line = readLine(`Round 1: ${words}`, terms);
  if (line.of !== 'row' || line.onto !== undefined)
    return { problem: 'Say what is worked, as “2 dc in each st”.' };
  const [problem] = line.problems;
  if (problem) return { problem: problem.message };
  if (line.body.of === 'again')
    return { problem: 'Say what is worked: no round is worked again by its number.' };
  const { instructions } = line.body;
  const cannot = instructions.map((one) => NOT_IN_A_ROUND[one.do]).find((why) => why !== undefined);
  if (cannot) return { problem: cannot };
  if (below && inRing(instructions)) return { problem: 'Only the first round is worked into a ring.' };
  const counted = countedRow(instructions, {
    below: below && placesBelow(below),
    onChain: below === undefined,
    belowName: 'the round below',
    turnedWith: 0,
    turning: 'standing',
    usual: stitch,
    written: undefined,
  });
  const [wrong] = counted.problems;
  if (wrong) return { problem: wrong.message };
  if (!below && counted.uses > 0) return { problem: 'The first round is worked into a ring.' };
  if (counted.tops.kind.length === 0) return { problem: 'It makes no stitch.' };
  const yo = counted.tops.kind.some((kind) => kind === 'slip' || kind === 'yo-slip');
  if (yo) return { problem: 'Slip stitches only join: a round is worked in stitches that stand.' };
  if (line.written && line.written.many !== counted.makes)
    return { problem: `It makes ${counted.makes}, not ${line.written.many} as written.` };
  const tops = shortest(withCorners(counted, below));
  return {
    instructions,
    tops,
    corners: tops.times * tops.unit.filter(({ corner }) => corner).length,
  };
}

/** Whether any of it is worked into a ring. */
const inRing = (instructions: readonly Instruction[]): boolean =>
  instructions.some(
    (one) =>
      ((one.do === 'work' || one.do === 'group') && one.into === 'ring') ||
      (one.do === 'repeat' && inRing(one.parts)),
  );

/** What a round leaves, as a row of the shorthand is worked into it. */
function placesBelow(below: Tops): CountedRow['tops'] {
  const all = wholeRound(below);
  const kind: CountedRow['tops']['kind'][number][] = [];
  const run: number[] = [];
  for (const top of all) {
    const many = placesOf([top]);
    const end = kind.length + many;
    for (let k = 0; k < many; k++) {
      kind.push(top.of === 'stitch' ? top.stitch : 'chain');
      run.push(top.of === 'stitch' ? kind.length : end);
    }
  }
  const none = kind.map(() => 0);
  return { kind, from: none, to: none, run, hold: kind.map(() => 'both') };
}

/** The tops of a counted round, chains that are one together, with the corners that stand on those below. */
function withCorners({ tops }: CountedRow, below: Tops | undefined): Top[] {
  const corners = new Set(below ? cornersBelow(below).map((place) => cornerOver(tops, place)) : []);
  const made: Top[] = [];
  for (let i = 0; i < tops.kind.length; ) {
    const kind = tops.kind[i];
    const end = kind === 'chain' ? (tops.run[i] ?? i + 1) : i + 1;
    const corner = Array.from({ length: end - i }, (_, k) => i + k).some((at) => corners.has(at));
    if (kind === 'chain') made.push({ of: 'space', chains: end - i, corner });
    else if (kind !== undefined && kind !== 'slip' && kind !== 'yo-slip')
      made.push({ of: 'stitch', stitch: kind, corner });
    i = end;
  }
  return made;
}

/** A corner of the round below: its places from the first up to, not including, the last. */
type Place = readonly [from: number, to: number];

function cornersBelow(below: Tops): Place[] {
  let at = 0;
  return wholeRound(below).flatMap((top): Place[] => {
    const from = at;
    at += placesOf([top]);
    return top.corner ? [[from, at]] : [];
  });
}

/**
 * The top that is the corner over one below: of what is worked into it the chains in the middle, or else the middle
 * stitch; where nothing is, the chain that goes over it.
 */
function cornerOver({ kind, from, to }: CountedRow['tops'], [low, high]: Place): number | undefined {
  const stands = (i: number) => (from[i] ?? 0) < high && (to[i] ?? 0) > low;
  const first = kind.findIndex((_, i) => stands(i));
  if (first < 0) {
    const over = kind.findIndex(
      (one, i) => one === 'chain' && (from[i] ?? 0) >= low && (from[i] ?? 0) <= high,
    );
    return over < 0 ? undefined : over;
  }
  // What is worked into the same place stands on nothing of its own, and so do the chains between.
  let last = first;
  for (let i = first + 1; i < kind.length && (stands(i) || from[i] === to[i]); i++)
    if (kind[i] !== 'chain') last = i;
  const middle = (first + last) / 2;
  const chains = kind.flatMap((one, i) => (one === 'chain' && i > first && i < last ? [i] : []));
  return chains.length > 0
    ? chains.reduce((best, i) => (Math.abs(i - middle) < Math.abs(best - middle) ? i : best))
    : first + Math.floor((last - first + 1) / 2);
}

const same = (a: Top, b: Top | undefined): boolean =>
  a.corner === b?.corner &&
  (a.of === 'stitch'
    ? b.of === 'stitch' && b.stitch === a.stitch
    : b.of === 'space' && b.chains === a.chains);

/** A whole round as its shortest repeat. */
function shortest(all: readonly Top[]): Tops {
  for (let many = 1; many <= all.length / 2; many++)
    if (all.length % many === 0 && all.every((top, i) => same(top, all[i % many])))
      return { unit: all.slice(0, many), times: all.length / many };
  return { unit: all, times: 1 };
}
