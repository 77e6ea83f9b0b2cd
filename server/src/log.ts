import { createStream } from 'rotating-file-stream';

/** A log is put aside when it has grown to this, and so many older ones are kept. */
const LONG = '5M';
const KEPT = 5;

/** The server's log as a file that never grows without end. A full disk stops the log, not the server. */
export function logStream(folder: string): { write(line: string): void } {
  const stream = createStream('server.log', { path: folder, size: LONG, maxFiles: KEPT });
  stream.on('error', () => {});
  stream.on('warning', () => {});
  return { write: (line) => void stream.write(line) };
}
