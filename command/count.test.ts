import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from 'vitest';

const root = new URL('..', import.meta.url).pathname;

/** Runs `./fennot count` as a user does, with no database in reach. */
function count(args: readonly string[], input = '') {
  const { status, stdout, stderr } = spawnSync('./fennot', ['count', ...args], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: '' },
    input,
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
}

const file = (text: string) => {
  const path = join(mkdtempSync(join(tmpdir(), 'fennot-')), 'panel.txt');
  writeFileSync(path, text);
  return path;
};

const DISC = `Gauge: 15 sts and 8 rows to 10 cm
Round 1: 12 dc in ring
Round 2: inc x12 (24)
Round 3: (dc, inc) x12 (36)`;

test('prints what every row uses and makes, and ends with 0 where all of it comes out', () => {
  const { status, stdout } = count([file(DISC)]);
  expect(status).toBe(0);
  const { rows, problems, terms, shape } = JSON.parse(stdout);
  expect(terms).toBe('us');
  expect(problems).toEqual([]);
  // 36 stitches of 100 / 15 mm are 240 mm.
  expect(rows[2]).toEqual({
    round: 3,
    line: 4,
    uses: 24,
    makes: 36,
    of: 24,
    increases: [2, 5, 8, 11, 14, 17, 20, 23, 26, 29, 32, 35],
    decreases: [],
    widthMm: 240,
  });
  // Three rounds of 12.5 mm make 75 mm across; 12 more a round are 80 mm, where 2π · 12.5 = 78.5 lie flat.
  expect(shape.lies).toBe('It lies flat.');
  expect(Math.abs(shape.widestMm / 75 - 1)).toBeLessThan(0.03);
  expect(shape.sides).toEqual([{ at: 'top', kind: 'round', loops: 36 }]);
});

test('reads standard input, in UK terms, and tells what does not come out with its place and its cause', () => {
  const text =
    'Round 1: 8 tr in ring\nRound 2: inc x8\nRound 3: (tr, inc) x8\nRound 4: (2 tr, inc) x7, 3 tr\nRound 5: (3 tr, inc) x8';
  const { status, stdout } = count(['-', '--uk'], text);
  expect(status).toBe(1);
  expect(JSON.parse(stdout).problems).toEqual([
    {
      line: 5,
      from: 17,
      to: 19,
      row: 5,
      message:
        'Round 5: This needs 32 stitches, round 4 made 31. Round 4 has 7 increases where rounds 2 and 3 have 8.',
    },
  ]);
});

test('takes the school of the turning chain', () => {
  const text = 'ch 14\nRow 1: dc in 4th ch from hook, dc across\nRow 2: ch 3, 11 dc';
  expect(count(['-', '--turning', 'counts'], text).status).toBe(0);
  expect(JSON.parse(count(['-'], text).stdout).rows.map(({ makes }: { makes: number }) => makes)).toEqual([
    11, 11,
  ]);
  expect(count(['-', '--turning', 'sometimes'], text)).toMatchObject({ status: 2 });
});

test('says what it wants where there is nothing to count', () => {
  expect(count([]).stderr).toContain('./fennot count my-panel.txt');
  expect(count(['/nowhere/at/all.txt'])).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('There is no readable file /nowhere/at/all.txt.'),
  });
  expect(count(['-'], '\n# only a note\n')).toMatchObject({ status: 2, stdout: '' });
});
