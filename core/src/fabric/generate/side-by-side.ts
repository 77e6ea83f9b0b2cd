import { fitsMultiple } from '../../panel/index.ts';
import type { Stitch, Terms } from '../../stitches/index.ts';
import type { CountedProgram } from '../count/count-program.ts';
import { leastUse } from '../count/count-row.ts';
import { type Fabric, fabricPanel } from '../repeat/fabric.ts';
import type { Instruction, Repeat } from '../shorthand/instruction.ts';
import { writeRow } from '../shorthand/write-row.ts';
import { plain } from './spread.ts';

/** A block of a row: so many stitches, in one stitch or in a fabric. */
export interface Block {
  readonly name: string;
  readonly stitches: number;
  readonly in: Stitch | Fabric;
}

/** Rows over blocks side by side, or why they cannot be written. */
export type SideBySide =
  | { readonly ok: true; readonly text: string }
  | { readonly ok: false; readonly problem: string };

const no = (problem: string): SideBySide => ({ ok: false, problem });

/**
 * Rows over blocks that are each worked in their own fabric: the first row meets the blocks in their order, and each row
 * that is turned the other way round.
 */
export function sideBySide(blocks: readonly Block[], rows: number, terms: Terms): SideBySide {
  for (const { name, stitches, in: worked } of blocks) {
    if (typeof worked === 'string') continue;
    if (stitches < worked.counts[0] || !fitsMultiple(stitches, worked.multiple)) {
      const { multiple, extra } = worked.multiple;
      return no(
        `${stitches} stitches of ${name} do not come out: its fabric takes a multiple of ${multiple}${extra > 0 ? ` and ${extra} more` : ''}.`,
      );
    }
  }
  const panels = blocks.map(({ stitches, in: worked }) =>
    typeof worked === 'string' ? worked : fabricPanel(worked, stitches, rows),
  );
  const all = blocks.reduce((sum, { stitches }) => sum + stitches, 0);
  const lines = [`ch ${all}`];
  for (let row = 1; row <= rows; row++) {
    const parts = blocks.map(({ name, stitches }, i) => {
      const worked = panels[i];
      if (worked === undefined) return no(name);
      if (typeof worked === 'string') return [plain(worked, stitches)];
      return within(worked, row, name);
    });
    const met = row % 2 === 1 ? parts : [...parts].reverse();
    const together: Instruction[] = [];
    for (const part of met) {
      if ('ok' in part) return part;
      together.push(...part);
    }
    lines.push(`Row ${row}: ${writeRow(together, terms)} (${all})`);
  }
  return { ok: true, text: lines.join('\n') };
}

/** A row of a fabric as part of a longer one: it ends where its block does, and does not turn. */
function within(panel: CountedProgram, number: number, name: string): readonly Instruction[] | SideBySide {
  const row = panel.rows[number - 1];
  if (!row) return no(`${name} has no row ${number}.`);
  const own = row.instructions.filter(({ do: what }) => what !== 'turn' && what !== 'colour');
  const opened = own.findIndex((one) => one.do !== 'chain' && one.do !== 'start');
  const opening = own.slice(0, Math.max(0, opened));
  // A chain that is a stitch can only stand at the beginning of a whole row.
  const counts = opening.some(
    (one) => one.do === 'chain' && (one.counts ?? (panel.rules.turning === 'counts' && one.many >= 2)),
  );
  if (counts)
    return no(`The rows of ${name} begin with a chain that is a stitch: beside another block it cannot.`);
  const rest = own.slice(Math.max(0, opened));
  if (underChains(rest))
    return no(`The rows of ${name} work under chains: how long they are beside another block is not told.`);
  return (
    bounded(rest, row.uses) ?? no(`Where row ${number} of ${name} ends beside another block cannot be told.`)
  );
}

const underChains = (instructions: readonly Instruction[]): boolean =>
  instructions.some((one) =>
    one.do === 'repeat'
      ? underChains(one.parts)
      : (one.do === 'work' || one.do === 'group') && one.into === 'space',
  );

/** The same with every repeat to the end told by its count, over so many places. */
function bounded(instructions: readonly Instruction[], places: number): readonly Instruction[] | undefined {
  const open = instructions.filter((one): one is Repeat => one.do === 'repeat' && one.times.of === 'end');
  const [repeat] = open;
  if (!repeat) return instructions;
  const each = leastUse(repeat.parts);
  const left = places - leastUse(instructions);
  if (open.length > 1 || each === 0 || left % each !== 0) return undefined;
  const many = left / each;
  return instructions.flatMap((one): Instruction[] => {
    if (one !== repeat) return [one];
    const [part] = one.parts;
    // `sc across` is so many sc.
    if (one.parts.length === 1 && part?.do === 'work' && part.makes === 1 && part.takes === 1)
      return many > 0 ? [{ ...part, many: part.many * many }] : [];
    return many > 0 ? [{ ...one, times: { of: 'times', many } }] : [];
  });
}
