import { stitchName, type Terms } from '../stitches/index.ts';
import { formatLength, type LengthSystem } from '../units/index.ts';
import { type JoinMethodId, joinMethod, methodStitch } from './methods.ts';
import type { JoinStep, StepEdge, StepJoin, StepSpot } from './steps.ts';

/** How the maker reads: which country's stitch names, which lengths. */
export interface Reading {
  readonly terms: Terms;
  readonly system: LengthSystem;
  /** What a yarn is called, by its id. */
  readonly yarnName?: (id: string) => string;
  /** Pieces that are laid upside down so that they hang upright. */
  readonly turned?: ReadonlySet<string>;
  /** What the design of a motif is called, by piece, where there is more than one. */
  readonly design?: ReadonlyMap<string, string>;
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

/** A piece by its name, with its design and how it is laid: `B1 (Rust heart 3, laid upside down)`. */
const calledIn =
  ({ turned, design }: Pick<Reading, 'turned' | 'design'>) =>
  (piece: string, name: string) => {
    const more = [design?.get(piece), turned?.has(piece) ? 'laid upside down' : undefined].filter(Boolean);
    return more.length === 0 ? name : `${name} (${more.join(', ')})`;
  };

const placeIn =
  (reading: Pick<Reading, 'turned' | 'design'>) =>
  ({ piece, name, edge, part }: StepEdge) =>
    `${calledIn(reading)(piece, name)}, ${edge} edge${part === 'whole' ? '' : ` (${part})`}`;

/** `the upper corner of B1`, or a place along an edge, which a marker keeps. */
const spotIn =
  (reading: Pick<Reading, 'turned' | 'design'>) =>
  ({ piece, name, corner, edge }: StepSpot) => {
    const own = calledIn(reading)(piece, name);
    return corner ? `the ${corner} corner of ${own}` : `the marker on the ${edge} edge of ${own}`;
  };

const list = (numbers: readonly number[]) =>
  numbers.length < 2
    ? numbers.join('')
    : `${numbers.slice(0, -1).join(', ')} and ${numbers[numbers.length - 1]}`;

/** Long lists of places are summed up after this many. */
const MOST_PLACES = 12;

function doublings(step: StepJoin): string {
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

/** Which edges, how many insertions, where one gives two. */
function joinText(step: StepJoin, meets: string, reading: Reading): string {
  const place = placeIn(reading);
  const even = step.a.loops === step.b.loops;
  const counts = even
    ? `${step.a.loops} insertions in each`
    : `${step.a.loops} loops of ${step.a.name} with ${step.b.loops} of ${step.b.name}`;
  return `${place(step.a)} ${meets} ${place(step.b)}: ${counts}`;
}

/** One step in a sentence or two. */
export function stepText(step: JoinStep, method: JoinMethodId, reading: Reading): string {
  const { terms, system, yarnName } = reading;
  const { tool } = joinMethod(method);
  switch (step.does) {
    case 'fold': {
      const inside =
        step.inside === 'right'
          ? 'right sides inside: these seams are worked from within, and the bag is turned right side out at the end'
          : 'wrong sides inside';
      return step.flat !== 'between'
        ? `${step.flat === 'done' ? 'All flat joins are done. ' : ''}Fold the work as the made-up drawing shows, ${inside}, and bring the closing edges together. Mark both ends of each closing seam with a stitch marker.`
        : `In this order flat and closing joins take turns, so the bag takes shape as you go, ${inside}. Keep the made-up drawing at hand and mark where closing edges meet with stitch markers.`;
    }
    case 'begin': {
      const yarn = step.otherYarn && yarnName ? ` of ${yarnName(step.otherYarn)}` : ' of yarn';
      const cut =
        tool === 'needle'
          ? `${step.run > 1 ? 'Cut a new' : 'Cut'} ${yarnLength(step.yarn, system)}${yarn} (with tails)${step.sayHold ? ' and thread the needle' : ''}.`
          : step.sayHold
            ? `Join the yarn${yarn === ' of yarn' ? '' : yarn.replace(' of', ',')} and leave a tail of a hand’s length; this run takes about ${yarnLength(step.yarn, system)}. From pair to pair go straight on, the yarn drawn snug so that no hole is left.`
            : `Join new yarn, about ${yarnLength(step.yarn, system)}${yarn === ' of yarn' ? '' : yarn}, with a tail of a hand’s length.`;
      // The way of holding stays until the method changes: say it once.
      const begin = step.at.within
        ? `Go on within the seam, where the last yarn ends on the ${step.at.edge} edge of ${step.at.name}.`
        : `Begin at ${spotIn(reading)(step.at)}.`;
      return step.sayHold ? `${HOLDS[step.hold]}. ${cut} ${begin}` : `${cut} ${begin}`;
    }
    case 'join': {
      const extra = doublings(step);
      return `${joinText(step, 'meets', reading)}, ${methodName(method, terms).toLowerCase()}.${extra ? ` ${capital(extra)}.` : ''}`;
    }
    case 'motif': {
      if (step.joins.length === 0)
        return `Work ${calledIn(reading)(step.piece, step.name)} whole, with its last round.`;
      // Its design is said once; what it is joined to is known by its place.
      const { design: _, ...plain } = reading;
      const joins = step.joins.map((own) => {
        const extra = doublings(own);
        return `${joinText(own, 'to', plain)}${extra ? ` (${extra})` : ''}`;
      });
      return `Work ${calledIn(reading)(step.piece, step.name)} up to its last round. In that round join ${joins.join('; ')}. At corners join into the corner space.`;
    }
    case 'cross':
      return tool === 'hook'
        ? 'At the crossing chain 1 over the join already there, and go straight on. Keep the yarn on the same side.'
        : 'At the crossing pass the needle once under the join already there, and go straight on.';
    case 'turn': {
      const round = method === 'ridge' ? ' Three stitches into a convex corner let the ridge turn it.' : '';
      return step.worked
        ? `At the corner take one insertion through all corners that meet, and turn.${round}`
        : `At the corner turn, with one insertion in the corner itself.${round}`;
    }
    case 'end':
      if (step.at.within)
        return `Here, within the seam on the ${step.at.edge} edge of ${step.at.name}, the needle’s yarn is worked up: fasten off, put in a marker and leave a tail of a hand’s length. Two ends to hide; the next yarn goes on from the next insertion.`;
      return `At ${spotIn(reading)(step.at)} fasten off and leave a tail of a hand’s length: two ends to hide.`;
    case 'tuck':
      return `Boxed ${step.name}: flatten it so that the side lies on the bottom, and sew straight across where it is ${formatLength(step.length, system)} wide, with about ${yarnLength(step.yarn, system)} of yarn of its own: two ends to hide. Fold the point inside.`;
    case 'turn-out':
      return 'Turn the bag right side out, and push the corners out from within.';
  }
}
