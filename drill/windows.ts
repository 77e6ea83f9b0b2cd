import { randomUUID } from 'node:crypto';
import { beginDocument } from '@fennot/core';
import { z } from 'zod';
import { rest } from './house.ts';

/** What each of two windows has done with a bag, as the bag's note says: `a12 b7`. */
type Done = Readonly<Record<'a' | 'b', number>>;
type Which = keyof Done;

const noteOf = ({ a, b }: Done): string => `a${a} b${b}`;
const doneIn = (note: string): Done => {
  const [, a = '0', b = '0'] = /^a(\d+) b(\d+)$/.exec(note) ?? [];
  return { a: Number(a), b: Number(b) };
};

const base = beginDocument({ name: 'Drilled' });
const clashSchema = z.object({
  current: z.object({ version: z.number(), document: z.object({ note: z.string() }) }),
});
const keptSchema = z.object({ document: z.object({ note: z.string() }) });
const savedSchema = z.object({ version: z.number() });

/** What came of a time of saving. */
export interface Tally {
  acknowledged: number;
  /** Acknowledged saves that are not in the bag any more. */
  lost: number;
  /** Saves of one window that another one's took away without having seen them. */
  overwritten: number;
  /** Requests whose connection ended before an answer: they are sent again, as the same save. */
  broken: number;
  /** Requests that were refused in a sentence. */
  told: number;
}

/**
 * Two windows that go on saving one bag, each on top of what it has seen, as the application does: a save that was not
 * answered is sent again as the same save; a clash is taken up before the next one.
 */
export class Windows {
  readonly tally: Tally = { acknowledged: 0, lost: 0, overwritten: 0, broken: 0, told: 0 };
  private readonly acknowledged = { a: 0, b: 0 };
  private readonly id = randomUUID();
  private readonly url: string;
  private going = true;
  private loops: Promise<void>[] = [];

  constructor(url: string) {
    this.url = `${url}/api/bags`;
  }

  async begin(): Promise<void> {
    const document = { ...base, note: noteOf({ a: 0, b: 0 }) };
    await this.ask('', 'POST', { id: this.id, document });
    this.loops = (['a', 'b'] as const).map((which) => this.save(which));
  }

  private async ask(
    path: string,
    method: string,
    body: unknown,
  ): Promise<{ status: number; body: unknown } | undefined> {
    try {
      const answer = await fetch(this.url + path, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(15_000),
      });
      return { status: answer.status, body: await answer.json() };
    } catch (error) {
      const cause = error instanceof Error && error.cause instanceof Error ? error.cause : undefined;
      const refused = cause && 'code' in cause && cause.code === 'ECONNREFUSED';
      if (!refused) this.tally.broken++;
      return undefined;
    }
  }

  private async save(which: Which): Promise<void> {
    let seen: { version: number; done: Done } = { version: 1, done: { a: 0, b: 0 } };
    while (this.going) {
      const done: Done = { ...seen.done, [which]: seen.done[which] + 1 };
      const save = randomUUID();
      const body = { save, basedOn: seen.version, document: { ...base, note: noteOf(done) } };
      // The same save again and again until it is answered.
      for (let answered = false; !answered && this.going; ) {
        const answer = await this.ask(`/${this.id}`, 'PUT', body);
        const saved = savedSchema.safeParse(answer?.body);
        const clash = clashSchema.safeParse(answer?.body);
        if (answer?.status === 200 && saved.success) {
          answered = true;
          this.tally.acknowledged++;
          this.acknowledged[which] = done[which];
          seen = { version: saved.data.version, done };
        } else if (answer?.status === 409 && clash.success) {
          answered = true;
          const { version, document } = clash.data.current;
          seen = { version, done: doneIn(document.note) };
          // What this window was told is saved must be in what the other one made of it.
          if (seen.done[which] < this.acknowledged[which]) this.tally.overwritten++;
        } else {
          if (answer) this.tally.told++;
          await rest(40);
        }
      }
    }
  }

  /** Ends the saving and looks what is there. */
  async end(): Promise<Tally> {
    this.going = false;
    await Promise.all(this.loops);
    const bag = keptSchema.parse(await fetch(`${this.url}/${this.id}`).then((answer) => answer.json()));
    const done = doneIn(bag.document.note);
    for (const which of ['a', 'b'] as const)
      this.tally.lost += Math.max(0, this.acknowledged[which] - done[which]);
    return this.tally;
  }
}
