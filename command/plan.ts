import { readFileSync } from 'node:fs';
import { leastTwins, planned, readDocumentText, readouts } from '@fennot/core';
import highsLoader from 'highs';

/**
 * `./fennot plan FILE [--uk] [--in]`: every readout of a bag file as JSON on standard output, without
 * server or database. A file that is wrong gets a line per bad field on standard error, and exit code 1.
 */
export async function printPlan(args: readonly string[]): Promise<void> {
  process.exitCode = await print(args);
}

async function print(args: readonly string[]): Promise<number> {
  const flags = new Set(args.filter((arg) => arg.startsWith('--')));
  const [file] = args.filter((arg) => !arg.startsWith('--'));
  if (file === undefined) {
    console.error('Name a bag file: ./fennot plan my-bag.fennot.json [--uk] [--in]');
    return 2;
  }
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    console.error(`There is no readable file ${file}.`);
    return 2;
  }
  const read = readDocumentText(text);
  if (!read.ok) {
    for (const { path, message } of read.problems)
      console.error(path === '' ? message : `${path}: ${message}`);
    return 1;
  }
  const reading = {
    terms: flags.has('--uk') ? 'uk' : 'us',
    system: flags.has('--in') ? 'in' : 'cm',
  } as const;
  try {
    const answer = planned(read.document);
    if (!answer.ok) {
      console.error(answer.problem);
      return 1;
    }
    const { arrangement, ...rest } = readouts(answer.plan, reading);
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
