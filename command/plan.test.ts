import { execFile } from 'node:child_process';
import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { beginDocument, writeDocumentText } from '@fennot/core';
import { expect, test } from 'vitest';
import { z } from 'zod';

const run = promisify(execFile);
const failure = z.object({ code: z.number(), stdout: z.string(), stderr: z.string() });
const root = new URL('..', import.meta.url).pathname;

/** Runs `./fennot plan` as a user does, with no database in reach. */
async function plan(...args: string[]) {
  const env = { ...process.env, DATABASE_URL: '' };
  try {
    const { stdout, stderr } = await run('./fennot', ['plan', ...args], {
      cwd: root,
      env,
      maxBuffer: 1 << 26,
    });
    return { code: 0, stdout, stderr };
  } catch (error) {
    return failure.parse(error);
  }
}

const file = async (text: string) => {
  const path = join(await mkdtemp(join(tmpdir(), 'fennot-')), 'bag.fennot.json');
  await writeFile(path, text);
  return path;
};

test('prints every readout of a bag file as JSON', async () => {
  const bag = beginDocument({ name: 'On the train', family: 'faces-and-strip' });
  const { code, stdout } = await plan(await file(writeDocumentText(bag)), '--uk', '--in');
  const readouts = JSON.parse(stdout);
  expect(code).toBe(0);
  expect(readouts.name).toBe('On the train');
  for (const key of ['sizes', 'pieces', 'counts', 'strips', 'seams', 'joins'])
    expect(readouts[key]).toBeTruthy();
  expect(readouts.joins.steps[0].text).toContain('yd');
});

test('prints what lies in each cell, what is beside what, how it scores, and what is possible', async () => {
  const bag = beginDocument({ name: 'Laid', family: 'wrap-round' });
  const [yarn] = bag.yarns;
  const colourways = ['one', 'two'].map((id) => ({ id, name: id, rounds: [yarn?.id ?? ''] }));
  const laid = {
    ...bag,
    motifs: bag.motifs.map((motif) => ({ ...motif, colourways })),
    construction: {
      family: 'wrap-round' as const,
      laid: 'folded' as const,
      bottom: 'seam' as const,
      sides: 'joins' as const,
      body: { of: 'motifs' as const, motif: bag.motifs[0]?.id ?? '', rounds: 4, columns: 2, rows: 2 },
    },
    arrangement: {
      cells: {
        'body/0/0': { design: 'one' },
        'body/0/1': { design: 'one' },
        'body/1/0': { design: 'two' },
        'body/1/1': { design: 'two' },
      },
    },
  };
  const { code, stdout } = await plan(await file(writeDocumentText(laid)));
  expect(code).toBe(0);
  const { arrangement } = JSON.parse(stdout);
  expect(
    arrangement.cells.map(({ name, design }: { name: string; design: string }) => `${name} ${design}`),
  ).toEqual(['A1 one', 'A2 one', 'B1 two', 'B2 two']);
  // Two beside two: along the rows twins; across the fold, and at the sides, others. Over the corners they would part.
  expect(arrangement.scores.twins).toBe(2);
  expect(arrangement.neighbours).toHaveLength(6);
  expect(arrangement.fewestTwins).toEqual({ least: 0, proven: true });
});

test('checks a bag against a stash: how far it goes, and which of its rows cannot be read', async () => {
  const bag = beginDocument({ name: 'Out of the basket' });
  const [yarn] = bag.yarns;
  const yarns = bag.yarns.map((one) => ({ ...one, ball: { grams: 50, metres: 100 } }));
  const path = await file(writeDocumentText({ ...bag, yarns }));
  const stash = async (grams: number) => {
    const csv = `yarn;colour;part balls g\n${yarn?.name};${yarn?.colourName};${grams}\n;Rust;5\n`;
    const { code, stdout, stderr } = await plan(path, '--stash', await file(csv));
    return { code, stderr, colour: JSON.parse(stdout).yarn.colours[0] };
  };
  const little = await stash(1);
  expect(little.code).toBe(0);
  expect(little.stderr).toMatch(/row 3, left out: yarn: /);
  // One gram is two metres.
  expect(little.colour.there).toMatchObject({ mm: 2000, is: 'short' });
  expect(little.colour.there.runsOut).toMatch(/ short\.$/);
  expect(little.colour.there.buy).toBe(Math.ceil((little.colour.range90[1] - 2000) / 100_000));
  expect((await stash(5000)).colour.there).toMatchObject({ is: 'enough', buy: 0, runsOut: null });
  // Without a stash nobody is told that there is none.
  expect(JSON.parse((await plan(path)).stdout).yarn.colours[0].there).toBeUndefined();
});

test('names the bad field of a wrong file, and prints nothing else', async () => {
  const bag = { ...beginDocument({ name: 'Wrong' }), joins: { method: 'glue' } };
  const { code, stdout, stderr } = await plan(await file(JSON.stringify(bag)));
  expect([code, stdout]).toEqual([1, '']);
  expect(stderr).toMatch(/^joins\.method: /m);
});

test('a missing file and a missing argument are told in a sentence', async () => {
  expect((await plan('/nowhere.json')).stderr).toContain('There is no readable file /nowhere.json.');
  expect((await plan()).stderr).toContain('Name a bag file');
  expect((await plan('--colour')).stderr).toContain('Name a bag file');
  const bag = await file(writeDocumentText(beginDocument({ name: 'Bag' })));
  const without = await plan(bag, '--stash', '/nowhere.csv');
  expect([without.code, without.stderr]).toEqual([2, 'There is no readable file /nowhere.csv.\n']);
});
