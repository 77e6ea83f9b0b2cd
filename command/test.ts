import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';

import { buildWeb } from './build.ts';
import { takeSetup, useDatabase } from './database.ts';
import { needChromium } from './debian.ts';
import type { Home } from './home.ts';

const PARTS = ['lint', 'types', 'unit', 'pages'] as const;
type Part = (typeof PARTS)[number];

const unitSchema = z.object({
  numPassedTests: z.number(),
  numFailedTests: z.number(),
  testResults: z.array(
    z.object({
      name: z.string(),
      status: z.string(),
      assertionResults: z.array(z.object({ fullName: z.string(), status: z.string() })),
    }),
  ),
});
interface Suite {
  readonly title: string;
  readonly specs: ReadonlyArray<{
    readonly title: string;
    readonly tests: ReadonlyArray<{ readonly status: string }>;
  }>;
  readonly suites?: readonly Suite[] | undefined;
}
const suiteSchema: z.ZodType<Suite> = z.lazy(() =>
  z.object({
    title: z.string(),
    specs: z.array(z.object({ title: z.string(), tests: z.array(z.object({ status: z.string() })) })),
    suites: z.array(suiteSchema).optional(),
  }),
);
const pageSchema = z.object({
  stats: z.object({ expected: z.number(), unexpected: z.number(), flaky: z.number() }),
  suites: z.array(suiteSchema),
});

/** How many tests passed, and what failed, by name. */
interface Count {
  readonly passed: number;
  readonly failed: number;
  readonly named: readonly string[];
}

/** Reads a report; a run that left none counts as one failure. */
function read<T>(file: string, schema: z.ZodType<T>): T | undefined {
  try {
    return schema.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return undefined;
  }
}

/**
 * The whole check, run by `./fennot test`: lint, types, core and server tests, interface tests. Ends with
 * one line that counts them; lint and types count as one test each. A part of it is run by its name (`lint`, `types`,
 * `unit`, `pages`), or by any other word: then every test file with that word in its path, whatever it tests.
 */
export async function runTests(home: Home, asked: readonly string[]): Promise<void> {
  const setup = await takeSetup(home);
  needChromium(home);
  buildWeb(home);
  const database = await useDatabase(home, 'test').finally(() => setup.release());
  const { passed, failed, named } = await runAll(home, database.url, asked);
  await database.leave();
  // Said again at the end: of a long run the last lines are what is looked at, and often all that is kept.
  if (named.length > 0) console.log(`\n== What failed, or only passed when tried again\n${named.join('\n')}`);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed === 0 ? 0 : 1;
}

async function runAll({ root }: Home, databaseUrl: string, asked: readonly string[]): Promise<Count> {
  const folder = mkdtempSync(join(tmpdir(), 'fennot-test-'));
  const [unitReport, pageReport] = [join(folder, 'unit.json'), join(folder, 'pages.json')];
  const only = new Set(asked.filter((one) => PARTS.some((part) => part === one)));
  /** Words that choose test files. */
  const names = asked.filter((one) => !only.has(one));
  const wanted = (part: Part) => {
    if (only.size > 0) return only.has(part);
    return names.length === 0 || part === 'unit' || part === 'pages';
  };
  const bin = (name: string) => join(root, 'node_modules/.bin', name);
  const run = (title: string, command: string, args: string[], cwd = root) =>
    new Promise<boolean>((done) => {
      console.log(`\n== ${title}`);
      const env = { ...process.env, DATABASE_URL: databaseUrl, FENNOT_E2E_JSON: pageReport };
      const child = spawn(command, args, { stdio: 'inherit', cwd, env });
      child.on('exit', (code) => done(code === 0));
      child.on('error', () => done(false));
    });
  const one = (what: string, good: boolean): Count =>
    good ? { passed: 1, failed: 0, named: [] } : { passed: 0, failed: 1, named: [what] };

  const counts: Count[] = [];
  if (wanted('lint'))
    counts.push(one('lint', await run('Lint', bin('biome'), ['check', '--error-on-warnings', '.'])));
  if (wanted('types')) counts.push(one('types', await run('Types', 'npm', ['run', '--silent', 'types'])));
  if (wanted('unit')) {
    const good = await run('Core, server, command and interface without a browser', bin('vitest'), [
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${unitReport}`,
      '--passWithNoTests',
      ...names,
    ]);
    const report = read(unitReport, unitSchema);
    const failed = Math.max(report?.numFailedTests ?? 1, good ? 0 : 1);
    counts.push({ passed: report?.numPassedTests ?? 0, failed, named: failedUnits(report) });
  }
  if (wanted('pages')) {
    const good = await run(
      'Interface',
      bin('playwright'),
      ['test', '--pass-with-no-tests', ...names],
      join(root, 'e2e'),
    );
    const report = read(pageReport, pageSchema);
    const { unexpected = 1, expected = 0, flaky = 0 } = report?.stats ?? {};
    const failed = Math.max(unexpected, good ? 0 : 1);
    const named = (report?.suites ?? []).flatMap(failedPages);
    counts.push({ passed: expected + flaky, failed, named });
  }
  const sum = (of: 'passed' | 'failed') => counts.reduce((total, count) => total + count[of], 0);
  return { passed: sum('passed'), failed: sum('failed'), named: counts.flatMap(({ named }) => named) };
}

/** Unit tests that failed, with their files; of a file that could not be read at all, the file. */
const failedUnits = (report: z.infer<typeof unitSchema> | undefined): string[] =>
  (report?.testResults ?? []).flatMap(({ name, status, assertionResults }) => {
    const failed = assertionResults.filter((one) => one.status === 'failed');
    if (failed.length > 0) return failed.map(({ fullName }) => `${name}: ${fullName}`);
    return status === 'failed' ? [name] : [];
  });

/** Interface tests that did not pass at once. */
const failedPages = ({ title, specs, suites = [] }: Suite): string[] => [
  ...specs.flatMap((spec) =>
    spec.tests
      .filter(({ status }) => status !== 'expected' && status !== 'skipped')
      .map(({ status }) => `${title}: ${spec.title} (${status})`),
  ),
  ...suites.flatMap(failedPages),
];
