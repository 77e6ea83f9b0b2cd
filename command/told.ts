/** Something that went wrong, in a sentence for whoever sits at the terminal: what it is, and what can be done. */
export class Told extends Error {}

export const say = (text: string): void => {
  process.stderr.write(`${text}\n`);
};

/** Waits a while, ms. */
export const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
