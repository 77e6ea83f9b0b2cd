import { createServer } from 'node:net';
import { Told } from './told.ts';

/** The port that Fennot is to be served on. */
export function wantedPort(): number {
  const text = process.env.FENNOT_PORT ?? '4680';
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Told(`FENNOT_PORT is a whole number from 1 to 65535, not “${text}”.`);
  return port;
}

/** Listens for a moment: on that port, or on any that is free. Answers which it was; nothing when it could not. */
const tried = (wanted: number): Promise<number | undefined> =>
  new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(undefined));
    probe.listen(wanted, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : undefined));
    });
  });

export const isFree = async (port: number): Promise<boolean> => (await tried(port)) !== undefined;

/** A port of loopback that nobody listens on. */
export async function freePort(): Promise<number> {
  const port = await tried(0);
  if (port === undefined) throw new Told('No port of this machine is free.');
  return port;
}
