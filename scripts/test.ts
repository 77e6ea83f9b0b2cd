import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';

/**
 * The whole check, run by `./fennot test`: lint, types, core and server tests, interface tests. Ends with
 * one line that counts them; lint and types count as one test each. A part of it is run by its name (`lint`, `types`,
 * `unit`, `pages`), or by any other word: then every test file with that word in its path, whatever it tests.
 */
const folder = mkdtempSync(join(tmpdir(), 'fennot-test-'));
const [unitReport, pageReport] = [join(folder, 'unit.json'), join(folder, 'pages.json')];
const PARTS = ['lint', 'types', 'unit', 'pages'] as const;
const asked = process.argv.slice(2);
const only = new Set(asked.filter((one) => PARTS.some((part) => part === one)));
/** Words that choose test files. */
const names = asked.filter((one) => !only.has(one));

const run = (title: string, command: string, args: string[], cwd = '.', env: Record<string, string> = {}) =>
  new Promise<boolean>((done) => {
    console.log(`\n== ${title}`);
    const child = spawn(command, args, { stdio: 'inherit', cwd, env: { ...process.env, ...env } });
    child.on('exit', (code) => done(code === 0));
    child.on('error', () => done(false));
  });

const bin = (name: string) => join(process.cwd(), 'node_modules/.bin', name);
const count = { passed: 0, failed: 0 };
const tally = (passed: number, failed: number) => {
  count.passed += passed;
  count.failed += failed;
};
const wanted = (part: (typeof PARTS)[number]) => {
  if (only.has(part)) return true;
  if (only.size > 0) return false;
  return names.length === 0 || part === 'unit' || part === 'pages';
};

const unitSchema = z.object({ numPassedTests: z.number(), numFailedTests: z.number() });
const pageSchema = z.object({
  stats: z.object({ expected: z.number(), unexpected: z.number(), flaky: z.number() }),
});

/** Reads a report; a run that left none counts as one failure. */
function read<T>(file: string, schema: z.ZodType<T>): T | undefined {
  try {
    return schema.parse(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return undefined;
  }
}

if (wanted('lint'))
  tally(...passOrFail(await run('Lint', bin('biome'), ['check', '--error-on-warnings', '.'])));
if (wanted('types')) tally(...passOrFail(await run('Types', 'npm', ['run', '--silent', 'types'])));
if (wanted('unit')) {
  const good = await run('Core and server', bin('vitest'), [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${unitReport}`,
    '--passWithNoTests',
    ...names,
  ]);
  const report = read(unitReport, unitSchema);
  tally(report?.numPassedTests ?? 0, Math.max(report?.numFailedTests ?? 1, good ? 0 : 1));
}
if (wanted('pages')) {
  const good = await run('Interface', bin('playwright'), ['test', '--pass-with-no-tests', ...names], 'e2e', {
    FENNOT_E2E_JSON: pageReport,
  });
  const stats = read(pageReport, pageSchema)?.stats;
  tally((stats?.expected ?? 0) + (stats?.flaky ?? 0), Math.max(stats?.unexpected ?? 1, good ? 0 : 1));
}

function passOrFail(good: boolean): [number, number] {
  return good ? [1, 0] : [0, 1];
}

console.log(`\n${count.passed} passed, ${count.failed} failed`);
process.exit(count.failed === 0 ? 0 : 1);
