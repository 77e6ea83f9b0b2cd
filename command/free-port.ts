import { createServer } from 'node:net';

/** A port of loopback that nobody listens on. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() =>
        typeof address === 'object' && address ? resolve(address.port) : reject(new Error('no free port')),
      );
    });
  });
