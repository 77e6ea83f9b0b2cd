import { footAt, heightAt, type Layer } from './layers.ts';

/** Parts a row is divided into. */
export const PARTS = 16;
/** An increase is felt so far to its sides, in shares of a row: stitches make room for one another. */
const SPREAD = [-1, -0.5, 0, 0.5, 1].map((part) => part / PARTS);
/** More layers than this are taken several together. */
const MOST_LAYERS = 24;

/** Several layers as one, named by the uppermost: their heights on one another, their feet one after another. */
export interface Band {
  readonly layer: Layer;
  readonly heightAt: (share: number) => number;
  readonly footAt: (share: number) => number;
  /** Rows in it. */
  readonly rows: number;
  /** Where its ends stand on the row below. */
  readonly left: number;
  readonly right: number;
}

/** A row that leaves some of the row below open at an end is a step in the outline. */
const isStep = ({ left, right }: Pick<Layer, 'left' | 'right'>): boolean => left > STEP || right < 1 - STEP;
const STEP = 1e-6;

export function bandsOf(layers: readonly Layer[]): Band[] {
  const together = Math.max(1, Math.ceil(layers.length / MOST_LAYERS));
  const groups: Layer[][] = [];
  for (const layer of layers) {
    const last = groups.at(-1);
    // A step is where one band ends and the next begins.
    if (last && last.length < together && !isStep(layer)) last.push(layer);
    else groups.push([layer]);
  }
  return groups.flatMap((group): Band[] => {
    const own = group.reverse();
    const [layer] = own;
    if (!layer) return [];
    const each = (share: number) => own.reduce((at, one) => footAt(one, at), share);
    const [left, right] = [each(0), each(1)];
    // Beyond its ends a row would go on as it ends; a round goes on at its beginning.
    const beyond = (share: number) => {
      if (share >= 0 && share <= 1) return each(share);
      const end = Math.floor(share);
      if (layer.round) return each(share - end) + end;
      return share < 0 ? 2 * left - each(-share) : 2 * right - each(2 - share);
    };
    const through = (share: number) =>
      SPREAD.reduce((sum, off) => sum + beyond(share + off), 0) / SPREAD.length;
    return [
      {
        layer,
        footAt: through,
        heightAt: (share) => {
          let at = share;
          return own.reduce((sum, one) => {
            const height = heightAt(one, at);
            at = footAt(one, at);
            return sum + height;
          }, 0);
        },
        rows: own.length,
        left,
        right,
      },
    ];
  });
}
