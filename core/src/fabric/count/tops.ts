import type { Hold, StitchKind } from '../shorthand/instruction.ts';

/** What a place in a row is, seen from the row above. */
export type TopKind = StitchKind | 'chain';

/**
 * The tops of a row, in the order they are worked. Each stands on part of the row below: on its places `from[i]` up to,
 * not including, `to[i]`; on none, where both are the same: a chain, or a stitch into the same place as the last one,
 * which stands with it.
 */
export interface Tops {
  readonly kind: readonly TopKind[];
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** Of a chain, where the run of chains it is part of ends; of anything else, the place behind it. */
  readonly run: readonly number[];
  /** What each takes hold of: how it looks rests on that, no count does. */
  readonly hold: readonly Hold[];
}

/** Tops while they are worked. */
export class Working implements Tops {
  readonly kind: TopKind[] = [];
  readonly from: number[] = [];
  readonly to: number[] = [];
  readonly run: number[] = [];
  readonly hold: Hold[] = [];
  /** How what comes next is held. */
  holding: Hold = 'both';

  get many(): number {
    return this.kind.length;
  }

  put(kind: TopKind, from: number, to: number): void {
    this.kind.push(kind);
    this.from.push(from);
    this.to.push(to);
    this.run.push(this.kind.length);
    this.hold.push(this.holding);
  }

  /** A chain of so many, over the place where the work is. */
  chain(many: number, at: number): void {
    const end = this.many + many;
    this.holding = 'both';
    for (let k = 0; k < many; k++) {
      this.put('chain', at, at);
      this.run[this.many - 1] = end;
    }
  }
}

/** A foundation chain. */
export function chained(many: number): Tops {
  const tops = new Working();
  tops.chain(many, 0);
  return tops;
}
