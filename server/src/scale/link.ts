import { createConnection, type Socket } from 'node:net';
import { MOST_LINE, readScaleLine, SCALE_SILENCE, type Scale } from '@fennot/core';

/** Where a scale, or the bridge of a real one, listens. */
export interface ScaleAddress {
  readonly host: string;
  readonly port: number;
}

/** So long it is waited before a scale that is not there is called again, ms: longer each time. */
const [FIRST_WAIT, LONGEST_WAIT] = [300, 5000];

/** Reads `host:port` pairs with commas between them; throws a sentence where one is none. */
export function readAddresses(text: string): ScaleAddress[] {
  return text
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean)
    .map((one) => {
      const match = /^([^\s:]+):(\d{1,5})$/.exec(one);
      const port = Number(match?.[2]);
      if (!match?.[1] || port < 1 || port > 65_535)
        throw new Error(`FENNOT_SCALES is a list of host:port, and “${one}” is none.`);
      return { host: match[1], port };
    });
}

/** Hears the scales there are, and tells whoever listens what they show. One that goes is called until it is back. */
export class ScaleLinks {
  readonly #lines: readonly ScaleLine[];
  readonly #listeners = new Set<(scale: Scale) => void>();

  constructor(addresses: readonly ScaleAddress[]) {
    this.#lines = addresses.map((address) => new ScaleLine(address, (scale) => this.#tell(scale)));
  }

  /** All scales with what they show now. */
  now(): Scale[] {
    return this.#lines.map((line) => line.scale);
  }

  /** Calls back with every change; returns how to stop. */
  listen(listener: (scale: Scale) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  close(): void {
    this.#listeners.clear();
    for (const line of this.#lines) line.close();
  }

  #tell(scale: Scale): void {
    for (const listener of this.#listeners) listener(scale);
  }
}

/** The line to one scale. */
class ScaleLine {
  scale: Scale;
  readonly #address: ScaleAddress;
  readonly #tell: (scale: Scale) => void;
  #socket: Socket | undefined;
  #timer: NodeJS.Timeout | undefined;
  #silence: NodeJS.Timeout | undefined;
  #wait = FIRST_WAIT;
  #closed = false;

  constructor(address: ScaleAddress, tell: (scale: Scale) => void) {
    this.#address = address;
    this.#tell = tell;
    this.scale = { id: `${address.host}:${address.port}`, name: 'Scale', reading: { is: 'lost' } };
    this.#call();
  }

  close(): void {
    this.#closed = true;
    clearTimeout(this.#timer);
    clearTimeout(this.#silence);
    this.#socket?.destroy();
  }

  #call(): void {
    const socket = createConnection(this.#address);
    this.#socket = socket;
    socket.setEncoding('utf8');
    let rest = '';
    socket.on('connect', () => this.#heard());
    socket.on('data', (text: string) => {
      this.#heard();
      this.#wait = FIRST_WAIT;
      const lines = (rest + text).split('\n');
      rest = lines.pop() ?? '';
      // What has no end is no line of a scale.
      if (rest.length > MOST_LINE) socket.destroy();
      for (const line of lines) this.#read(line);
    });
    // What went wrong shows in that it is closed.
    socket.on('error', () => {});
    socket.on('close', () => this.#lost());
  }

  #read(line: string): void {
    const said = readScaleLine(line);
    if (!said) return;
    const { of, ...fields } = said;
    this.#put({ ...this.scale, ...fields });
  }

  #put(scale: Scale): void {
    const same = JSON.stringify(scale) === JSON.stringify(this.scale);
    this.scale = scale;
    if (!same) this.#tell(scale);
  }

  /** It is there: whoever says nothing for long is not. */
  #heard(): void {
    clearTimeout(this.#silence);
    this.#silence = setTimeout(() => this.#socket?.destroy(), SCALE_SILENCE);
    this.#silence.unref();
  }

  #lost(): void {
    clearTimeout(this.#silence);
    this.#put({ ...this.scale, reading: { is: 'lost' } });
    if (this.#closed) return;
    this.#timer = setTimeout(() => this.#call(), this.#wait);
    this.#timer.unref();
    this.#wait = Math.min(LONGEST_WAIT, this.#wait * 1.6);
  }
}
