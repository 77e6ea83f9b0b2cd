import { type BagDocument, planned, type Summed, summedUp } from '@fennot/core';
import { Piscina } from 'piscina';
import { liningPdf } from '../print/lining-pdf.ts';

/** Work that takes long enough to keep others waiting, or that a document may make endless. */
export interface Work {
  summary(document: BagDocument): Promise<Summed>;
  /** The lining as a PDF; a sentence when the bag has none. Given up when whoever asked has gone. */
  lining(document: BagDocument, gone: AbortSignal): Promise<Lining>;
  close(): Promise<void>;
}

/** One piece of work, as it is handed to a worker. */
export type Task =
  | { readonly is: 'summary'; readonly document: BagDocument }
  | { readonly is: 'lining'; readonly document: BagDocument };

type Lining = Uint8Array | { readonly problem: string };
type Done = Summed | Lining;

const lining = async (document: BagDocument): Promise<Lining> => {
  const answer = planned(document);
  return answer.ok ? liningPdf(answer.plan) : { problem: answer.problem };
};

/** Does a piece of work, in whatever thread. */
export const done = async ({ is, document }: Task): Promise<Done> =>
  is === 'summary' ? summedUp(document) : lining(document);

/** The work done in this very thread: for tests and measurements that are not about workers. */
export const inline = (): Work => ({
  summary: async (document) => summedUp(document),
  lining,
  close: async () => {},
});

/** Time a summary and a print may take, ms; memory of one worker, MB; work that may wait. */
const [SUMMARY_TIME, PRINT_TIME] = [5_000, 20_000];
const MEMORY = 512;
const QUEUE = 1000;

/** More work waits than can be done soon. */
export class TooMuchWork extends Error {}
/** It took longer than anyone should wait, or more memory than there is for it. */
export class WorkGivenUp extends Error {}

const damaged = (why: string): Summed => ({ summary: { is: 'damaged', why }, picture: undefined });

/**
 * The work done beside the server, in threads with limits of time and memory: a document that takes too long costs
 * whoever asked for it, and nobody else.
 */
export function pooled(): Work {
  const pool = new Piscina<Task, Done>({
    filename: new URL('./worker.ts', import.meta.url).href,
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 30_000,
    maxQueue: QUEUE,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
    // The workers read the same TypeScript as the server.
    execArgv: ['--import', 'tsx'],
  });
  const run = async (task: Task, time: number, gone?: AbortSignal) => {
    const limits = [AbortSignal.timeout(time), ...(gone ? [gone] : [])];
    try {
      return await pool.run(task, { signal: AbortSignal.any(limits) });
    } catch (error) {
      if (error instanceof Error && /queue/i.test(error.message))
        throw new TooMuchWork('Too much work waits.');
      if (error instanceof Error && error.name === 'AbortError') throw new WorkGivenUp('It was given up.');
      throw error;
    }
  };
  return {
    summary: async (document) => {
      try {
        const made = await run({ is: 'summary', document }, SUMMARY_TIME);
        if ('summary' in made) return made;
        return damaged('It was mixed up with something else.');
      } catch (error) {
        if (error instanceof TooMuchWork) throw error;
        if (error instanceof WorkGivenUp) return damaged('It takes too long to work out.');
        return damaged(`It cannot be worked out: ${error instanceof Error ? error.message : String(error)}`);
      }
    },
    lining: async (document, gone) => {
      const made = await run({ is: 'lining', document }, PRINT_TIME, gone);
      return 'summary' in made ? { problem: 'The print was mixed up with something else.' } : made;
    },
    close: () => pool.destroy(),
  };
}
