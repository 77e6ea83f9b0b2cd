import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bagListSchema } from '@fennot/core';
import { lives, whoIs } from '../command/processes.ts';
import { House, rest } from './house.ts';
import { type Tally, Windows } from './windows.ts';

/** What one try of a fault came to. */
export interface Tried {
  /** Fennot was there again, by itself or by the command, as the fault has it. */
  readonly back: boolean;
  readonly saves?: Tally;
  /** Processes of somebody else's that were touched. */
  readonly foreign?: number;
  /** Anything else that went wrong, in words. */
  readonly wrong?: string;
}

export interface Fault {
  readonly name: string;
  readonly of: (house: House, random: () => number) => Promise<Tried>;
}

/** Lets two windows save while something happens at a random moment, and looks what is left. */
async function whileSaving(
  house: House,
  random: () => number,
  happens: () => Promise<boolean>,
): Promise<Tried> {
  const windows = new Windows(house.url);
  await windows.begin();
  await rest(30 + 500 * random());
  const back = await happens();
  await rest(150);
  return { back, saves: await windows.end() };
}

/** Everything below a folder, to see whether anything went. */
const filesIn = (folder: string): number => readdirSync(folder, { recursive: true }).length;

export const FAULTS: readonly Fault[] = [
  {
    name: 'server killed while saving, started again',
    of: (house, random) =>
      whileSaving(house, random, async () => {
        house.killServer();
        await rest(200 * random());
        await house.start();
        return house.answers();
      }),
  },
  {
    name: 'database killed while saving',
    of: (house, random) =>
      whileSaving(house, random, async () => {
        house.signalDatabase('SIGKILL');
        await rest(50);
        return house.comesBack();
      }),
  },
  {
    name: 'database hung for 8 s while saving',
    of: (house, random) =>
      whileSaving(house, random, async () => {
        house.signalDatabase('SIGSTOP', true);
        await rest(8000);
        house.signalDatabase('SIGCONT', true);
        return house.comesBack();
      }),
  },
  {
    name: 'stopped while saving, started again',
    of: (house, random) =>
      whileSaving(house, random, async () => {
        const { code } = await house.stop();
        await house.start();
        return code === 0 && (await house.answers());
      }),
  },
  {
    name: 'three starts at once',
    of: async (house, random) => {
      await house.stop();
      let well = 0;
      for (let i = 0; i < 3; i++) {
        // The two that do not serve say where Fennot is, and end well.
        void house.run('start').ended.then(({ code, said }) => {
          if (code === 0 && said.includes('open already')) well++;
        });
        await rest(120 * random());
      }
      const back = await house.comesBack();
      for (const until = Date.now() + 20_000; well < 2 && Date.now() < until; ) await rest(50);
      return { back, ...(well === 2 ? {} : { wrong: `${well} of 2 said where it is` }) };
    },
  },
  {
    name: 'start during a stop',
    of: async (house, random) => {
      const stopping = house.stop();
      await rest(1500 * random());
      const { ended } = house.run('start');
      await stopping;
      const early = await Promise.race([ended, rest(2000)]);
      // One that came before the stop began to bite is told that Fennot is open, and may be stopped with it.
      if (early?.said.includes('open already')) await house.start();
      return { back: await house.comesBack() };
    },
  },
  {
    name: 'first start killed at any moment, started again',
    of: async (_, random) => {
      const fresh = await House.build();
      const { child } = fresh.run('start');
      await rest(300 + 3500 * random());
      child.kill('SIGKILL');
      fresh.killServer();
      try {
        await fresh.start();
        const list = bagListSchema.parse(
          await fetch(`${fresh.url}/api/bags?limit=100`).then((answer) => answer.json()),
        );
        return { back: true, ...(list.total === 15 ? {} : { wrong: `${list.total} of 15 demo bags` }) };
      } catch (error) {
        return { back: false, wrong: String(error) };
      } finally {
        await fresh.raze();
      }
    },
  },
  {
    name: 'a stale number that has come to another process',
    of: async (house) => {
      await house.stop();
      const stranger = spawn('sleep', ['600'], { stdio: 'ignore' });
      const who = whoIs(stranger.pid ?? 0);
      const state = { pid: stranger.pid, started: '1', is: 'open', url: house.url, port: house.port };
      writeFileSync(join(house.data, 'server.json'), JSON.stringify(state));
      writeFileSync(join(house.data, 'pg', 'postmaster.pid'), `${stranger.pid}\n${house.data}/pg\n1\n1\n`);
      await house.stop();
      const touched = who && lives(who) ? 0 : 1;
      stranger.kill('SIGKILL');
      await house.start();
      return { back: await house.answers(), foreign: touched };
    },
  },
  {
    name: 'a database that is not whole',
    of: async (house) => {
      await house.stop();
      const folder = join(house.data, 'pg');
      const before = filesIn(folder);
      renameSync(join(folder, 'PG_VERSION'), join(house.data, 'put-aside'));
      const { code, said } = await house.run('start').ended;
      const kept = filesIn(folder) === before - 1;
      renameSync(join(house.data, 'put-aside'), join(folder, 'PG_VERSION'));
      await house.start();
      const well = code === 1 && said.includes('PG_VERSION is missing') && kept;
      return { back: await house.answers(), ...(well ? {} : { wrong: kept ? said : 'files went' }) };
    },
  },
  {
    name: 'disk full while saving, then freed',
    of: async (_, random) => {
      const disk = mkdtempSync(join(tmpdir(), 'fennot-disk-'));
      if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=160m,mode=755', 'tmpfs', disk]).status !== 0)
        return { back: true, wrong: 'no small disk can be made here: run this as root' };
      const small = await House.build(disk);
      const ballast = join(disk, 'ballast');
      try {
        await small.start();
        return await whileSaving(small, random, async () => {
          spawnSync('dd', ['if=/dev/zero', `of=${ballast}`, 'bs=1M', 'count=500'], { stdio: 'ignore' });
          await rest(3000);
          rmSync(ballast);
          return small.comesBack();
        });
      } finally {
        rmSync(ballast, { force: true });
        await small.stop();
        spawnSync('umount', ['-l', disk]);
        rmSync(disk, { recursive: true, force: true });
      }
    },
  },
];
