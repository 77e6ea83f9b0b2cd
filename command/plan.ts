import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import {
  basketsFrom,
  type Lot,
  leastTwins,
  planned,
  readDocumentText,
  readouts,
  readStash,
  USUAL_CURRENCY,
} from '@fennot/core';
import highsLoader from 'highs';

const USAGE = 'Name a bag file: ./fennot plan my-bag.fennot.json [--uk] [--in] [--stash stash.csv]';

/**
 * `./fennot plan FILE [--uk] [--in] [--stash FILE.csv]`: every readout of a bag file as JSON on standard output, without
 * server or database; with a stash, how far it goes. A file that is wrong gets a line per bad field on standard error, and
 * exit code 1; rows of a stash that are wrong are told there, and the others count.
 */
export async function printPlan(args: readonly string[]): Promise<void> {
  process.exitCode = await print(args);
}

/** The arguments, or what is wrong with them. */
function asked(args: readonly string[]) {
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { uk: { type: 'boolean' }, in: { type: 'boolean' }, stash: { type: 'string' } },
    });
    return { ...values, file: positionals[0] };
  } catch {
    return undefined;
  }
}

/** What a file holds; tells where it cannot be read. */
function contentOf(file: string): Buffer | undefined {
  try {
    return readFileSync(file);
  } catch {
    console.error(`There is no readable file ${file}.`);
    return undefined;
  }
}

/** The lots of a stash; tells what is wrong with it. */
function stashOf(file: string): readonly Lot[] | undefined {
  const bytes = contentOf(file);
  if (!bytes) return undefined;
  const read = readStash(bytes, USUAL_CURRENCY);
  if (!read.ok) {
    console.error(`${file}: ${read.problem}`);
    return undefined;
  }
  for (const { row, problem } of read.bad) console.error(`${file}, row ${row}, left out: ${problem}`);
  return read.lots.map(({ lot }) => lot);
}

async function print(args: readonly string[]): Promise<number> {
  const flags = asked(args);
  if (flags?.file === undefined) {
    console.error(USAGE);
    return 2;
  }
  const stash = flags.stash === undefined ? [] : stashOf(flags.stash);
  const text = contentOf(flags.file)?.toString('utf8');
  if (text === undefined || !stash) return 2;
  const read = readDocumentText(text);
  if (!read.ok) {
    for (const { path, message } of read.problems)
      console.error(path === '' ? message : `${path}: ${message}`);
    return 1;
  }
  const reading = {
    terms: flags.uk ? 'uk' : 'us',
    system: flags.in ? 'in' : 'cm',
  } as const;
  try {
    const answer = planned(read.document);
    if (!answer.ok) {
      console.error(answer.problem);
      return 1;
    }
    const { arrangement, ...rest } = readouts(answer.plan, reading, {
      baskets: flags.stash === undefined ? undefined : basketsFrom(read.document, stash),
    });
    // The fewest twins that what there is allows, from nothing known: the proof is asked for outright.
    const bound = await leastTwins(answer.plan.arranging(), arrangement.scores.twins, () => highsLoader());
    const { least, proven } = bound;
    const all = { ...rest, arrangement: { ...arrangement, fewestTwins: { least, proven } } };
    console.log(JSON.stringify(all, null, 2));
    return 0;
  } catch (error) {
    console.error(`This bag cannot be worked out: ${error instanceof Error ? error.message : String(error)}`);
    return 1;
  }
}
