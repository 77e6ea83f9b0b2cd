import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { must } from '@fennot/core';
import { z } from 'zod';
import { type Home, notYours } from './home.ts';
import { freePort } from './ports.ts';
import { lives, type Who, whoIs } from './processes.ts';
import { Told } from './told.ts';

/** The private database cluster: its folder, the programs for it, and whom they run as. */
export interface Cluster {
  readonly folder: string;
  readonly bin: string;
  /** PostgreSQL refuses to run as root: there it runs under the user that owns the folder. */
  readonly as: { readonly uid: number; readonly gid: number } | undefined;
}

const passwordsSchema = z.object({ admin: z.string(), app: z.string() });
/** Of the one who may do everything, and of the one whom the server comes as. */
export type Passwords = z.infer<typeof passwordsSchema>;

const amRoot = (): boolean => process.getuid?.() === 0;

/** The newest PostgreSQL of the machine. */
export function postgresBin(): string | undefined {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return undefined;
  const versions = readdirSync(base).filter((version) => existsSync(`${base}/${version}/bin/initdb`));
  const [newest] = versions.sort((a, b) => Number(b) - Number(a));
  return newest && `${base}/${newest}/bin`;
}

function postgresUser(): { uid: number; gid: number } {
  const number = (flag: string) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  const [uid, gid] = [number('-u'), number('-g')];
  if (!(uid > 0))
    throw new Told('There is no user postgres, whom the database could run as: apt-get install postgresql');
  return { uid, gid };
}

/** Whether a user can get into a folder. */
const canEnter = (folder: string, as: { uid: number; gid: number }): boolean =>
  spawnSync('test', ['-x', folder], as).status === 0;

/** The cluster of this folder, made or not. Throws where it is somebody else's. */
export function clusterOf(home: Home): Cluster {
  const bin = postgresBin();
  if (!bin)
    throw new Told(
      'The Debian package postgresql is missing. Install it with: sudo apt-get install postgresql',
    );
  const inData = join(home.data, 'pg');
  if (!amRoot()) {
    if (existsSync(inData) && statSync(inData).uid !== process.getuid?.())
      throw new Told(notYours(home.data));
    return { folder: inData, bin, as: undefined };
  }
  if (existsSync(inData)) {
    const { uid, gid } = statSync(inData);
    return { folder: inData, bin, as: uid === 0 ? postgresUser() : { uid, gid } };
  }
  const as = postgresUser();
  if (canEnter(home.data, as)) return { folder: inData, bin, as };
  // A folder of root's that is closed to others: the cluster lies apart, under a name of its own.
  // The usual folder goes by its program's, as it always did; each other one by itself.
  const named = home.data === join(home.root, '.data') ? home.root : home.data;
  const [sum] = spawnSync('cksum', { input: named, encoding: 'utf8' }).stdout.split(' ');
  return { folder: join('/var/lib/fennot', must(sum, 'sum')), bin, as };
}

const run = (cluster: Cluster, program: string, args: readonly string[]) =>
  spawnSync(join(cluster.bin, program), args, { ...cluster.as, encoding: 'utf8', cwd: '/' });

/**
 * Makes the cluster where there is none. It is made in a new folder, which gets its name when it is whole: whatever
 * stands under that name is never touched, let alone emptied.
 */
export function makeCluster(cluster: Cluster): void {
  const { folder, as } = cluster;
  if (existsSync(join(folder, 'PG_VERSION'))) return;
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new Told(
      `${folder} is there, but is no whole database: PG_VERSION is missing in it. Nothing in it was touched. ` +
        `If you moved something out of it, move it back. Otherwise move the folder away, and Fennot begins with an ` +
        `empty database: mv ${folder} ${folder}.old. A backup comes back with ./fennot restore FILE.`,
    );
  const fresh = `${folder}.making-${randomBytes(4).toString('hex')}`;
  mkdirSync(dirname(folder), { recursive: true });
  mkdirSync(fresh, { mode: 0o700 });
  const passwords: Passwords = { admin: secret(), app: secret() };
  // initdb reads the password as the user it runs as.
  const word = `${fresh}.word`;
  const give = (path: string) => as && chownSync(path, as.uid, as.gid);
  try {
    writeFileSync(word, passwords.admin, { mode: 0o600 });
    give(fresh);
    give(word);
    const made = run(cluster, 'initdb', [
      ...['-D', fresh, '-U', ADMIN, '-A', 'scram-sha-256', '--encoding=UTF8', '--locale=C', '--pwfile', word],
    ]);
    if (made.status !== 0) throw new Told(`The private database could not be made: ${lastLine(made.stderr)}`);
    keepPasswords({ ...cluster, folder: fresh }, passwords);
    renameSync(fresh, folder);
  } catch (error) {
    // Only what was made here, a moment ago.
    rmSync(fresh, { recursive: true, force: true });
    throw error;
  } finally {
    rmSync(word, { force: true });
  }
}

export const ADMIN = 'fennot';

const secret = () => randomBytes(24).toString('hex');

const lastLine = (text: string) => text.trim().split('\n').at(-1) ?? '';

const passwordFile = ({ folder }: Cluster) => join(folder, 'fennot.json');

function keepPasswords(cluster: Cluster, passwords: Passwords): void {
  const file = passwordFile(cluster);
  writeFileSync(`${file}.new`, JSON.stringify(passwords), { mode: 0o600 });
  chmodSync(`${file}.new`, 0o600);
  if (cluster.as) chownSync(`${file}.new`, cluster.as.uid, cluster.as.gid);
  renameSync(`${file}.new`, file);
}

/** The passwords of the cluster. The first Fennot kept the one there was beside it. */
export function passwordsOf(cluster: Cluster, home: Home): Passwords {
  const file = passwordFile(cluster);
  if (existsSync(file)) {
    const read = passwordsSchema.safeParse(JSON.parse(readFileSync(file, 'utf8')));
    if (read.success) return read.data;
    throw new Told(`${file} holds no passwords any more. Bring it back from a backup of the folder.`);
  }
  const old = join(home.data, 'pg.password');
  if (!existsSync(old))
    throw new Told(`The database in ${cluster.folder} is whole, but its password, ${file}, is missing.`);
  const passwords = { admin: readFileSync(old, 'utf8').trim(), app: secret() };
  keepPasswords(cluster, passwords);
  return passwords;
}

/** What the cluster's own file says of a running one: who it is, and where it listens. */
export function running({ folder }: Cluster): { readonly who: Who; readonly port: number } | undefined {
  try {
    const lines = readFileSync(join(folder, 'postmaster.pid'), 'utf8').split('\n');
    const who = whoIs(Number(lines[0]));
    const port = Number(lines[3]);
    return who && port > 0 && isPostgres(who) ? { who, port } : undefined;
  } catch {
    return undefined;
  }
}

/** The number in the file may have come to another process since. */
function isPostgres({ pid }: Who): boolean {
  try {
    return /postgres|postmaster/.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'));
  } catch {
    return false;
  }
}

const serverLog = ({ folder }: Cluster) => join(folder, 'server.log');

/** A log longer than this is put aside when the cluster is started, bytes; one older one is kept. */
const LOG_LONG = 5_000_000;

/** Starts the cluster unless it runs, on the port it had before or a free one. Answers where it listens. */
export async function startCluster(cluster: Cluster, port?: number): Promise<number> {
  const now = running(cluster);
  if (now) return now.port;
  const made = readFileSync(join(cluster.folder, 'PG_VERSION'), 'utf8').trim();
  const have = cluster.bin.split('/').at(-2);
  if (made !== have)
    throw new Told(
      `The database in ${cluster.folder} was made by PostgreSQL ${made}, this machine has ${have}. Install postgresql-${made}, or move that folder away to begin anew.`,
    );
  const log = serverLog(cluster);
  if (existsSync(log) && statSync(log).size > LOG_LONG) renameSync(log, `${log}.1`);
  const chosen = port ?? (await freePort());
  const options = `-p ${chosen} -h 127.0.0.1 -c unix_socket_directories=`;
  const status = await waited(cluster, [
    '-D',
    cluster.folder,
    '-w',
    '-t',
    '60',
    '-l',
    log,
    '-o',
    options,
    'start',
  ]);
  if (status !== 0) throw new Told(`The private database did not start; ${log} says why.`);
  return chosen;
}

/** Runs pg_ctl without holding anything else up. */
const waited = (cluster: Cluster, args: readonly string[]) =>
  new Promise<number>((done) => {
    const child = spawn(join(cluster.bin, 'pg_ctl'), args, { ...cluster.as, cwd: '/', stdio: 'ignore' });
    child.on('exit', (code) => done(code ?? 1));
    child.on('error', () => done(1));
  });

/** Stops the cluster: connections are closed, nothing that was committed is lost. */
export async function stopCluster(cluster: Cluster): Promise<void> {
  const now = running(cluster);
  if (!now) return;
  await waited(cluster, ['-D', cluster.folder, '-w', '-t', '30', '-m', 'fast', 'stop']);
  if (lives(now.who))
    await waited(cluster, ['-D', cluster.folder, '-w', '-t', '10', '-m', 'immediate', 'stop']);
}
