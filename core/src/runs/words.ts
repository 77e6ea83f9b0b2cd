import { stitchName, type Terms } from '../stitches/index.ts';
import type { LengthSystem } from '../units/index.ts';
import { type JoinMethodId, joinMethod, methodStitch } from './methods.ts';
import type { JoinStep, StepEdge } from './steps.ts';

/** How the maker reads: which country's stitch names, which lengths. */
export interface Reading {
  readonly terms: Terms;
  readonly system: LengthSystem;
}

/** A method's name in the maker's terms. */
export function methodName(id: JoinMethodId, terms: Terms): string {
  switch (id) {
    case 'whip':
      return 'Whip stitch';
    case 'mattress':
      return 'Mattress stitch';
    case 'flat-slip':
      return 'Flat slip stitch';
    case 'slip-through':
      return 'Slip stitch through both';
    case 'ridge':
      return `${capital(stitchName(methodStitch[id] ?? 'low', terms))} ridge`;
    case 'zip-slip':
      return 'Zip-like slip stitch';
  }
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const HOLDS = {
  'right sides up': 'Lay both pieces side by side, right sides up',
  'right sides together': 'Hold the pieces right sides together, edges level',
  'wrong sides together': 'Hold the pieces wrong sides together, right sides looking out',
};

/** Yarn lengths are cut generously: to the next 10 cm, or the next quarter yard. */
export function yarnLength(yarnMm: number, system: LengthSystem): string {
  if (system === 'cm') return `${(Math.ceil(yarnMm / 100) / 10).toFixed(1)} m`;
  return `${(Math.ceil(yarnMm / 228.6) / 4).toFixed(2)} yd`;
}

const place = ({ name, edge, part }: StepEdge) =>
  `${name}, ${edge} edge${part === 'whole' ? '' : ` (${part})`}`;

const list = (numbers: readonly number[]) =>
  numbers.length < 2
    ? numbers.join('')
    : `${numbers.slice(0, -1).join(', ')} and ${numbers[numbers.length - 1]}`;

/** Long lists of places are summed up after this many. */
const MOST_PLACES = 12;

function doublings(step: JoinStep & { does: 'join' }): string {
  const [first] = step.doubled;
  if (!first) return '';
  const more = first.side === 'a' ? step.a : step.b;
  const fewer = first.side === 'a' ? step.b : step.a;
  const usual = Math.floor(
    Math.max(more.loops, fewer.loops) / Math.max(1, Math.min(more.loops, fewer.loops)),
  );
  const extra = step.doubled.filter(({ take }) => take > usual);
  const times = (n: number) => (n === 1 ? 'one loop' : n === 2 ? 'two loops' : `${n} loops`);
  const base = usual > 1 ? `take ${times(usual)} of ${more.name} with each one of ${fewer.name}` : '';
  const many = `take ${times(usual + 1)} of ${more.name} with one of ${fewer.name}`;
  const places = extra.map(({ at }) => at);
  const extras =
    places.length === 0
      ? ''
      : places.length <= MOST_PLACES
        ? `${many} at insertion ${list(places)}`
        : `${many} at ${places.length} places, first at ${list(places.slice(0, 3))}, evenly on to ${places.at(-1)}`;
  return [base, extras].filter(Boolean).join('; ');
}

/** One step in a sentence or two. */
export function stepText(step: JoinStep, method: JoinMethodId, { terms, system }: Reading): string {
  const { tool } = joinMethod(method);
  switch (step.does) {
    case 'fold':
      return step.flat !== 'between'
        ? `${step.flat === 'done' ? 'All flat joins are done. ' : ''}Fold the work as the made-up drawing shows, wrong sides inside, and bring the closing edges together. Mark both ends of each closing seam with a stitch marker.`
        : 'In this order flat and closing joins take turns, so the bag takes shape as you go. Keep the made-up drawing at hand and mark where closing edges meet with stitch markers.';
    case 'begin':
      // The way of holding stays the same for the whole bag: say it once.
      if (step.run > 1)
        return tool === 'needle'
          ? `Cut a new ${yarnLength(step.yarn, system)} of yarn (with tails).`
          : `Join new yarn, about ${yarnLength(step.yarn, system)}, with a tail of a hand’s length.`;
      return tool === 'needle'
        ? `${HOLDS[step.hold]}. Cut ${yarnLength(step.yarn, system)} of yarn (with tails) and thread the needle.`
        : `${HOLDS[step.hold]}. Join the yarn and leave a tail of a hand’s length; this run takes about ${yarnLength(step.yarn, system)}. From pair to pair go straight on, the yarn drawn snug so that no hole is left.`;
    case 'join': {
      const even = step.a.loops === step.b.loops;
      const counts = even
        ? `${step.a.loops} insertions in each`
        : `${step.a.loops} loops of ${step.a.name} with ${step.b.loops} of ${step.b.name}`;
      const extra = doublings(step);
      return `${place(step.a)} meets ${place(step.b)}: ${counts}, ${methodName(method, terms).toLowerCase()}.${extra ? ` ${capital(extra)}.` : ''}`;
    }
    case 'cross':
      return tool === 'hook'
        ? 'At the crossing chain 1 over the join already there, and go straight on. Keep the yarn on the same side.'
        : 'At the crossing pass the needle once under the join already there, and go straight on.';
    case 'turn':
      return step.worked
        ? 'At the corner take one insertion through all corners that meet, and turn.'
        : 'At the corner turn, with one insertion in the corner itself.';
    case 'end':
      return 'Fasten off and leave a tail of a hand’s length: two ends to hide.';
  }
}
