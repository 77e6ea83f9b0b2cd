import { heightAt, type Layer } from './layers.ts';

/** A piece that begins in a ring and is worked in rows: by how much it opens. */
export interface Fan {
  /** From its one straight side to the other, degrees. */
  readonly angle: number;
  /** Stitches more a row that it has, one row with another, and that a half disc would have. */
  readonly more: number;
  readonly half: number;
}

/** Fewer rows say nothing of how a piece goes on. */
const LEAST_ROWS = 3;

/**
 * The angle of a fan: rows at the distance r from the ring are as long as the arc they lie on, L = angle × r, so that it
 * is dL/dr. Taken from the first row to the last one that grows: a last row of shells is as long as it may be.
 *
 * @returns nothing of what stands on a chain, or is worked round.
 */
export function fanOf(layers: readonly Layer[], first: number): Fan | undefined {
  if (first > 0 || layers.some(({ round }) => round)) return undefined;
  let grown = layers.length - 1;
  while (grown > 0 && (layers[grown]?.length ?? 0) <= (layers[grown - 1]?.length ?? 0)) grown--;
  const [begins, ends] = [layers[0], layers[grown]];
  if (!begins || !ends || grown + 1 < LEAST_ROWS) return undefined;
  const risen = layers.slice(1, grown + 1).reduce((sum, layer) => sum + heightAt(layer, 0.5), 0);
  const angle = (ends.length - begins.length) / risen;
  const pitch = ends.length / ends.many;
  return {
    angle: (angle * 180) / Math.PI,
    more: (ends.many - begins.many) / grown,
    half: (Math.PI * risen) / grown / pitch,
  };
}

/** Off by less, nobody sees that a half disc is none. */
const UNSEEN = 8;

/** A fan in a sentence. */
export function fanText({ angle, more, half }: Fan): string {
  if (Math.abs(angle - 180) < UNSEEN) return 'It opens by half a turn: a half disc.';
  return `It opens by ${Math.round(angle)}°, which is a fan and no half disc: with ${half.toFixed(1)} more a row, where it has ${Number(more.toFixed(1))}, it would be one.`;
}
