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

test('names the bad field of a wrong file, and prints nothing else', async () => {
  const bag = { ...beginDocument({ name: 'Wrong' }), joins: { method: 'glue' } };
  const { code, stdout, stderr } = await plan(await file(JSON.stringify(bag)));
  expect([code, stdout]).toEqual([1, '']);
  expect(stderr).toMatch(/^joins\.method: /m);
});

test('a missing file and a missing argument are told in a sentence', async () => {
  expect((await plan('/nowhere.json')).stderr).toContain('There is no readable file /nowhere.json.');
  expect((await plan()).stderr).toContain('Name a bag file');
});
