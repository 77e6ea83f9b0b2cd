import { type ChildProcess, spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { homeAt } from './home.ts';
import { takeLock, tryLock } from './lock.ts';
import { end, lives, me, whoIs } from './processes.ts';
import { readState, writeState } from './state.ts';

let folder: string;
const children: ChildProcess[] = [];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fennot-command-'));
});
afterEach(() => {
  for (const child of children.splice(0)) child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

/** A process of somebody else's. */
function stranger(...command: string[]): ChildProcess & { pid: number } {
  const [name = 'sleep', ...args] = command.length > 0 ? command : ['sleep', '60'];
  const child = spawn(name, args, { stdio: 'ignore' });
  children.push(child);
  const { pid } = child;
  if (pid === undefined) throw new Error('it was not started');
  return Object.assign(child, { pid });
}
const ended = (child: ChildProcess) => new Promise((done) => child.once('exit', done));

describe('a lock', () => {
  const file = () => join(folder, 'some.lock');

  test('is had by one at a time, and can be had again when it is released', () => {
    const first = tryLock(file());
    expect(first).toBeDefined();
    expect(tryLock(file())).toBeUndefined();
    first?.release();
    const second = tryLock(file());
    expect(second).toBeDefined();
    // Whoever tidies up twice does not give away what another one has by now.
    first?.release();
    expect(tryLock(file())).toBeUndefined();
    second?.release();
  });

  test('shared, is had by many, and by none alone as long as one of them has it', () => {
    const [one, other] = [tryLock(file(), 'shared'), tryLock(file(), 'shared')];
    expect(tryLock(file())).toBeUndefined();
    one?.release();
    expect(tryLock(file())).toBeUndefined();
    other?.release();
    expect(tryLock(file())).toBeDefined();
  });

  test('of a process that is killed is free at once: nobody has to tidy up', async () => {
    const holder = stranger('flock', '--no-fork', file(), 'sleep', '60');
    const isFree = () => {
      const own = tryLock(file());
      own?.release();
      return own !== undefined;
    };
    await expect.poll(isFree).toBe(false);
    const gone = ended(holder);
    holder.kill('SIGKILL');
    await gone;
    expect(isFree()).toBe(true);
  });

  test('is waited for, which is said once, and given up with a sentence', async () => {
    const held = tryLock(file());
    let said = 0;
    const waiting = takeLock(file(), 10_000, () => said++);
    setTimeout(() => held?.release(), 250);
    const own = await waiting;
    expect(said).toBe(1);
    await expect(takeLock(file(), 150, () => {})).rejects.toThrow('has been holding');
    own.release();
  });
});

describe('a process', () => {
  test('is known by its number and when it was started: another one with its number is another one', () => {
    const { pid } = stranger();
    const who = whoIs(pid);
    if (!who) throw new Error('it lives');
    expect(lives(who)).toBe(true);
    expect(lives({ ...who, started: '1' })).toBe(false);
    expect(lives(me())).toBe(true);
    expect(whoIs(4_000_000)).toBeUndefined();
  });

  test('with brackets and blanks in its name is read like any other', () => {
    writeFileSync(join(folder, 'a) R 1 (b'), readFileSync('/bin/sleep'), { mode: 0o755 });
    const { pid } = stranger(join(folder, 'a) R 1 (b'), '60');
    expect(whoIs(pid)?.started).toMatch(/^\d{3,}$/);
  });

  test('that has ended and was not yet noticed does not live', async () => {
    // A shell that never asks after its child.
    const shell = stranger('sh', '-c', 'sleep 0.1 & exec sleep 60');
    await expect
      .poll(() => readFileSync(`/proc/${shell.pid}/task/${shell.pid}/children`, 'utf8').trim())
      .not.toBe('');
    const child = Number(readFileSync(`/proc/${shell.pid}/task/${shell.pid}/children`, 'utf8'));
    await expect.poll(() => whoIs(child)).toBeUndefined();
  });

  test('is ended, asked first; one that does not listen is not asked twice', async () => {
    const willing = whoIs(stranger().pid);
    const deaf = stranger('sh', '-c', 'trap "" TERM; while :; do sleep 0.05; done');
    const deafly = whoIs(deaf.pid);
    if (!willing || !deafly) throw new Error('both live');
    await new Promise((done) => setTimeout(done, 100));
    await end(willing, 2000);
    await end(deafly, 200);
    expect([lives(willing), lives(deafly)]).toEqual([false, false]);
  });

  test('of somebody else with the same number is never touched', async () => {
    const other = stranger();
    await end({ pid: other.pid, started: '1' }, 100);
    expect(whoIs(other.pid)).toBeDefined();
  });
});

// Only root can come as somebody else.
test.runIf(process.getuid?.() === 0)('a folder of another user’s is told in a sentence', () => {
  const data = join(folder, 'data');
  const home = homeAt(folder, data);
  tryLock(home.serverLock)?.release();
  chmodSync(folder, 0o755);
  process.seteuid?.(65_534);
  try {
    expect(() => homeAt(folder, data)).toThrow(`${data} belongs to root. Run Fennot as that user`);
    expect(() => tryLock(home.serverLock)).toThrow(`${data} belongs to root`);
  } finally {
    process.seteuid?.(0);
  }
  expect(homeAt(folder, data)).toEqual(home);
});

describe('what a server says of itself', () => {
  test('is believed as long as that very process lives', async () => {
    const home = homeAt(folder, join(folder, 'data'));
    expect(readState(home)).toBeUndefined();
    const child = stranger();
    const who = whoIs(child.pid);
    if (!who) throw new Error('it lives');
    const state = { ...who, is: 'open', url: 'http://localhost:1', port: 1 } as const;
    writeState(home, state);
    expect(readState(home)).toEqual(state);
    writeState(home, { ...state, started: '1' });
    expect(readState(home)).toBeUndefined();
    writeState(home, state);
    const gone = ended(child);
    child.kill('SIGKILL');
    await gone;
    expect(readState(home)).toBeUndefined();
  });

  test('broken off in the middle, it is as if it said nothing', () => {
    const home = homeAt(folder, join(folder, 'data'));
    for (const text of ['', '{"pid":', '[]', '{"pid":1}']) {
      writeFileSync(home.server, text);
      expect(readState(home)).toBeUndefined();
    }
  });
});
