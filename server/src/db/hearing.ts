import type { Knex } from 'knex';

/** A connection of the database's driver, as far as it is needed for hearing. */
interface RawConnection {
  query(sql: string): Promise<unknown>;
  on(event: 'notification', told: (message: { channel: string; payload?: string }) => void): void;
  on(event: 'end' | 'error', gone: () => void): void;
  removeAllListeners(event: 'notification'): void;
}

/** So long after a connection is lost another one is tried, ms. */
const AGAIN = 1000;

/**
 * Hears what servers of one database tell each other on a channel, over one connection of its own, from when somebody first listens.
 * When it was deaf for a while, everybody is told to look.
 */
export class Hearing {
  private readonly db: Knex;
  private readonly channel: string;
  private readonly listeners = new Map<string, Set<() => void>>();
  private connection: RawConnection | undefined;
  private trying: Promise<void> | undefined;
  private again: NodeJS.Timeout | undefined;
  private closed = false;

  constructor(db: Knex, channel: string) {
    this.db = db;
    this.channel = channel;
  }

  /** Calls whenever something is told about this. Answers how to stop. */
  listen(about: string, told: () => void): () => void {
    const all = this.listeners.get(about) ?? new Set();
    all.add(told);
    this.listeners.set(about, all);
    this.hear();
    return () => {
      all.delete(told);
      if (all.size === 0) this.listeners.delete(about);
    };
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.again);
    await this.trying?.catch(() => undefined);
    this.letGo();
  }

  private hear(): void {
    if (this.closed || this.connection || this.trying) return;
    this.trying = this.connect()
      .catch(() => this.later())
      .finally(() => {
        this.trying = undefined;
      });
  }

  private async connect(): Promise<void> {
    const connection: RawConnection = await this.db.client.acquireRawConnection();
    this.connection = connection;
    const gone = () => {
      if (this.connection !== connection) return;
      this.letGo();
      this.later();
    };
    connection.on('error', gone);
    connection.on('end', gone);
    connection.on('notification', ({ channel, payload = '' }) => {
      if (channel === this.channel) for (const told of this.listeners.get(payload) ?? []) told();
    });
    try {
      await connection.query(`listen ${this.channel}`);
    } catch (error) {
      this.letGo();
      throw error;
    }
    // Whatever was told before it could be heard.
    for (const all of this.listeners.values()) for (const told of all) told();
  }

  private later(): void {
    if (this.closed || this.listeners.size === 0) return;
    clearTimeout(this.again);
    this.again = setTimeout(() => this.hear(), AGAIN);
    this.again.unref();
  }

  private letGo(): void {
    const { connection } = this;
    if (!connection) return;
    this.connection = undefined;
    // Its errors are still heard, and told to nobody.
    connection.removeAllListeners('notification');
    Promise.resolve(this.db.client.destroyRawConnection(connection)).catch(() => undefined);
  }
}
