import { type Cluster, running, startCluster } from './cluster.ts';

/** How often one looks whether the database is there, ms. */
const LOOK = 1000;
/** The first and the longest pause between two tries to start it again, ms. */
const [FIRST, LONGEST] = [500, 30_000];

/**
 * Keeps the private database up as long as it is wanted: when it has died it is started again, on the port it had,
 * with longer and longer pauses between tries that fail.
 *
 * @param log is told when it has died, and what came of each try.
 * @returns ends the watch; the try under way is waited for.
 */
export function keepUp(cluster: Cluster, port: number, log: (line: string) => void): () => Promise<void> {
  let wanted = true;
  let pause = LOOK;
  let failures = 0;
  let timer: NodeJS.Timeout | undefined;
  let trying: Promise<void> = Promise.resolve();
  const look = async () => {
    if (running(cluster)) {
      pause = LOOK;
      failures = 0;
      return;
    }
    log(
      failures === 0 ? 'The database has died; it is being started again.' : 'Starting the database again.',
    );
    try {
      await startCluster(cluster, port);
      pause = LOOK;
      failures = 0;
      log('The database is there again.');
    } catch (error) {
      pause = Math.min(LONGEST, FIRST * 2 ** failures);
      failures++;
      log(`${error instanceof Error ? error.message : 'It did not start.'} Next try in ${pause / 1000} s.`);
    }
  };
  const next = () => {
    timer = setTimeout(() => {
      trying = look().finally(() => wanted && next());
    }, pause);
  };
  next();
  return async () => {
    wanted = false;
    clearTimeout(timer);
    await trying;
  };
}
