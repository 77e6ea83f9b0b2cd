import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { type BagDocument, leftHanded, planned, type Settings, type Summed, summedUp } from '@fennot/core';
import { Piscina } from 'piscina';
import { liningPdf } from '../print/lining-pdf.ts';

/** Work that takes long enough to keep others waiting, or that a document may make endless. */
export interface Work {
  summary(document: BagDocument): Promise<Summed>;
  /** The lining as a PDF; a sentence when the bag has none. Given up when whoever asked has gone. */
  lining(document: BagDocument, hand: Settings['hand'], gone: AbortSignal): Promise<Lining>;
  close(): Promise<void>;
  /** So long a list waits for summaries that are being made, ms: those that come later are told the next time. */
  readonly patience: number;
}

/** What a worker is handed: the work, and where to say that it is taken up. */
export interface Handed {
  readonly task: Task;
  readonly begun: MessagePort;
}

/** One piece of work. */
export type Task =
  | { readonly is: 'summary'; readonly document: BagDocument }
  | { readonly is: 'lining'; readonly document: BagDocument; readonly hand: Settings['hand'] };

type Lining = Uint8Array | { readonly problem: string };
type Done = Summed | Lining;

const lining = async (document: BagDocument, hand: Settings['hand']): Promise<Lining> => {
  const answer = planned(document);
  if (!answer.ok) return { problem: answer.problem };
  return liningPdf(hand === 'left' ? leftHanded(answer.plan) : answer.plan);
};

/** Does a piece of work, in whatever thread. */
export const done = async (task: Task): Promise<Done> =>
  task.is === 'summary' ? summedUp(task.document) : lining(task.document, task.hand);

/** The work done in this very thread: for tests and measurements that are not about workers. */
export const inline = (): Work => ({
  summary: async (document) => summedUp(document),
  lining,
  close: async () => {},
  patience: Number.POSITIVE_INFINITY,
});

/** A first look at a shelf of bags that were never summed up must not wait for the last of them, ms. */
const LIST_PATIENCE = 600;
/** Time a summary and a print may take, ms, from when a worker takes them up; memory of one worker, MB; work that may wait. */
const [SUMMARY_TIME, PRINT_TIME] = [10_000, 20_000];
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
export function pooled({ summary: summaryTime = SUMMARY_TIME, print: printTime = PRINT_TIME } = {}): Work {
  const pool = new Piscina<Handed, Done>({
    filename: new URL('./entry.mjs', import.meta.url).href,
    minThreads: 0,
    maxThreads: 2,
    // A thread takes a second to be ready: it stays as long as someone is at work.
    idleTimeout: 300_000,
    maxQueue: QUEUE,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY },
  });
  const run = async (task: Task, time: number, gone?: AbortSignal) => {
    const slow = new AbortController();
    // The time others take before it is no time of its own.
    const { port1: begun, port2 } = new MessageChannel();
    let timer: NodeJS.Timeout | undefined;
    begun.once('message', () => {
      timer = setTimeout(() => slow.abort(), time);
    });
    try {
      const signal = gone ? AbortSignal.any([slow.signal, gone]) : slow.signal;
      return await pool.run({ task, begun: port2 }, { signal, transferList: [port2] });
    } catch (error) {
      if (error instanceof Error && /queue/i.test(error.message))
        throw new TooMuchWork('Too much work waits.');
      if (error instanceof Error && error.name === 'AbortError') throw new WorkGivenUp('It was given up.');
      throw error;
    } finally {
      clearTimeout(timer);
      begun.close();
    }
  };
  return {
    summary: async (document) => {
      try {
        const made = await run({ is: 'summary', document }, summaryTime);
        if ('summary' in made) return made;
        return damaged('It was mixed up with something else.');
      } catch (error) {
        if (error instanceof TooMuchWork) throw error;
        if (error instanceof WorkGivenUp) return damaged('It takes too long to work out.');
        return damaged(`It cannot be worked out: ${error instanceof Error ? error.message : String(error)}`);
      }
    },
    lining: async (document, hand, gone) => {
      const made = await run({ is: 'lining', document, hand }, printTime, gone);
      return 'summary' in made ? { problem: 'The print was mixed up with something else.' } : made;
    },
    close: () => pool.destroy(),
    patience: LIST_PATIENCE,
  };
}
