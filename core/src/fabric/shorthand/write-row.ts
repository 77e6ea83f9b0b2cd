import { STITCHES, type Terms } from '../../stitches/index.ts';
import type { Group, Hold, Instruction, Repeat, Simple, StitchKind, Work } from './instruction.ts';
import { abbreviation } from './vocabulary.ts';

/** How a stitch is held, before its name. */
const HOLDS: Record<Hold, string> = {
  both: '',
  back: 'blo ',
  front: 'flo ',
  'front-post': 'fp',
  'back-post': 'bp',
};

/** Stitches that lie along their row. */
const LAID: Partial<Record<StitchKind, string>> = { slip: 'sl st', 'yo-slip': 'yo sl st' };

/** What a stitch is called in a row: `sc`, `fpdc`, `sl st`, `bobble`. */
export function stitchWord(stitch: StitchKind, hold: Hold, terms: Terms): string {
  const basic = STITCHES.find((one) => one === stitch);
  const name = basic ? abbreviation(basic, terms) : (LAID[stitch] ?? stitch);
  return basic || !hold.endsWith('post') ? `${HOLDS[hold]}${name}` : `${HOLDS[hold]} ${name}`;
}

const PLACES = ['', '1st', '2nd', '3rd'];
/** `2nd`, `11th`. */
export const ordinal = (n: number): string => PLACES[n] ?? `${n}th`;

/** A row as a maker would write it: read again, it says the same. */
export function writeRow(instructions: readonly Instruction[], terms: Terms): string {
  return instructions.map((one) => written(one, terms)).join(', ');
}

function written(one: Instruction, terms: Terms): string {
  switch (one.do) {
    case 'work':
      return work(one, terms);
    case 'group':
      return group(one, terms);
    case 'repeat':
      return repeat(one, terms);
    default:
      return simple(one);
  }
}

function work({ stitch, hold, takes, makes, into, many }: Work, terms: Terms): string {
  const times = many > 1 ? `${many} ` : '';
  if (takes > 1) {
    if (!stitch) return takes === 2 ? `${times}dec` : repeated(`${takes} tog`, many);
    return `${times}${stitchWord(stitch, hold, terms)}${takes}tog`;
  }
  if (!stitch) return makes === 2 ? `${times}inc` : repeated('inc', many);
  const name = stitchWord(stitch, hold, terms);
  if (into === 'ring') return `${many} ${name} in ring`;
  if (into === 'gap') return `${many * makes} ${name} in gap`;
  if (into === 'same') return `${many * makes} ${name} in same st`;
  if (into === 'space')
    return many > 1
      ? `${makes} ${name} in each of next ${many} sps`
      : `${makes > 1 ? `${makes} ` : ''}${name} in next sp`;
  if (makes === 1) return `${times}${name}`;
  return many > 1 ? `${makes} ${name} in each of next ${many} sts` : `${makes} ${name} in next`;
}

const repeated = (text: string, many: number) => (many > 1 ? `(${text}) x${many}` : text);

function group({ parts, into, many }: Group, terms: Terms): string {
  const inside = `(${writeRow(parts, terms)})`;
  const place = into === 'space' ? 'sp' : 'st';
  if (into === 'ring' || into === 'gap') return `${inside} in ${into}`;
  if (into === 'same') return `${inside} in same st`;
  return many > 1 ? `${inside} in each of next ${many} ${place}s` : `${inside} in next ${place}`;
}

function repeat({ parts, times }: Repeat, terms: Terms): string {
  const [only] = parts;
  if (times.of === 'times') {
    const row = writeRow(parts, terms);
    // Increases and decreases alone are so many of them, not a repeat: `6 inc`, as they are read.
    if (row === 'inc' || row === 'dec') return times.many === 1 ? row : `${times.many} ${row}`;
    return times.many === 1 ? `(${row})` : `(${row}) x${times.many}`;
  }
  const reach =
    times.before === 0 ? 'to end' : `to last ${times.before} ${times.before === 1 ? 'st' : 'sts'}`;
  const alone =
    parts.length === 1 && only?.do === 'work' && only.many === 1 && only.makes === 1 && only.takes === 1;
  if (alone && only.into === 'stitch' && only.stitch)
    return times.before === 0 ? `${written(only, terms)} across` : `${written(only, terms)} ${reach}`;
  return `(${writeRow(parts, terms)}) ${reach}`;
}

function simple(one: Simple): string {
  switch (one.do) {
    case 'chain':
      if (one.many === 0) return one.counts ? '(counts as a st)' : '(does not count)';
      return `ch ${one.many}`;
    case 'skip':
      return `skip ${one.many}`;
    case 'start':
      if (one.joined) return `join with sl st in ${ordinal(one.at)} st`;
      return one.chains ? `begin in ${ordinal(one.at)} ch from hook` : `start in ${ordinal(one.at)} st`;
    case 'leave':
      return one.many === 'rest' ? 'leave the rest' : `leave ${one.many}`;
    case 'colour':
      return `change to ${one.colour.toUpperCase()}`;
    case 'ring':
      return 'join in ring';
    case 'fasten-off':
      return 'fasten off';
    default:
      return one.do;
  }
}
