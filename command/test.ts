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

const unitSchema = z.object({ numPassedTests: z.number(), numFailedTests: z.number() });
const pageSchema = z.object({
  stats: z.object({ expected: z.number(), unexpected: z.number(), flaky: z.number() }),
});

/** How many tests passed and failed. */
interface Count {
  readonly passed: number;
  readonly failed: number;
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
  const { passed, failed } = await runAll(home, database.url, asked);
  await database.leave();
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
  const one = (good: boolean): Count => (good ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });

  const counts: Count[] = [];
  if (wanted('lint'))
    counts.push(one(await run('Lint', bin('biome'), ['check', '--error-on-warnings', '.'])));
  if (wanted('types')) counts.push(one(await run('Types', 'npm', ['run', '--silent', 'types'])));
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
    counts.push({ passed: report?.numPassedTests ?? 0, failed });
  }
  if (wanted('pages')) {
    const good = await run(
      'Interface',
      bin('playwright'),
      ['test', '--pass-with-no-tests', ...names],
      join(root, 'e2e'),
    );
    const stats = read(pageReport, pageSchema)?.stats;
    const failed = Math.max(stats?.unexpected ?? 1, good ? 0 : 1);
    counts.push({ passed: (stats?.expected ?? 0) + (stats?.flaky ?? 0), failed });
  }
  const sum = (of: keyof Count) => counts.reduce((total, count) => total + count[of], 0);
  return { passed: sum('passed'), failed: sum('failed') };
}
