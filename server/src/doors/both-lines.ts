import type { RequestListener, Server } from 'node:http';
import { createServer as createHttps } from 'node:https';
import type { Socket } from 'node:net';
import type { Closing } from './authority.ts';

/** How a TLS connection begins: the first byte of its first record. */
const HANDSHAKE = 0x16;
/** So long a connection is given to say what it is, ms. */
const PATIENCE = 10_000;

/**
 * Has a server take both kinds of lines at its one port: what begins like TLS is closed with the certificate, all else goes on as
 * before. The maker at this machine keeps the address they know, and who comes by an open line can be told of the closed one.
 *
 * @returns how another certificate is put in the place of the one there is; lines that are open keep theirs.
 */
export function takeBothLines(
  open: Server,
  handler: RequestListener,
  closing: Closing,
): (next: Closing) => void {
  const options = { minVersion: 'TLSv1.2' } as const;
  const closed = createHttps({ ...closing, ...options }, handler);
  // A handshake that breaks off, or is none, is the other side's business.
  closed.on('tlsClientError', (_, socket) => socket.destroy());
  const asBefore = open.listeners('connection');
  open.removeAllListeners('connection');
  open.on('connection', (socket: Socket) => {
    const gone = () => socket.destroy();
    socket.on('error', gone);
    socket.setTimeout(PATIENCE, gone);
    socket.once('readable', () => {
      const first: Buffer | null = socket.read();
      if (first === null) return;
      socket.off('error', gone);
      socket.off('timeout', gone);
      socket.setTimeout(0);
      socket.unshift(first);
      if (first[0] === HANDSHAKE) {
        // A server of open lines has half-open ones, which a closed line that breaks off in its handshake would stay.
        socket.allowHalfOpen = false;
        closed.emit('connection', socket);
      } else for (const listener of asBefore) listener.call(open, socket);
    });
  });
  // Whoever closes the one closes both.
  const closeIdle = open.closeIdleConnections.bind(open);
  const closeAll = open.closeAllConnections.bind(open);
  open.closeIdleConnections = () => {
    closed.closeIdleConnections();
    closeIdle();
  };
  open.closeAllConnections = () => {
    closed.closeAllConnections();
    closeAll();
  };
  return (next) => closed.setSecureContext({ ...next, ...options });
}
