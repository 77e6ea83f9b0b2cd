import type { Point } from '../../geometry/index.ts';

/** What can be done to a net that its maker lays: the interface draws it without knowing the family. */
export interface NetEditor<C> {
  /** Places beside the pieces where another may be laid. */
  readonly spots: ReadonlyArray<{
    readonly id: string;
    readonly outline: readonly Point[];
    readonly add: (of: 'square' | 'panel') => C;
  }>;
  readonly pieces: ReadonlyArray<{
    readonly id: string;
    readonly name: string;
    readonly of: 'square' | 'panel';
    readonly outline: readonly Point[];
    /** Nothing to take away when it is the last one. */
    readonly take: (() => C) | undefined;
    /** A square becomes a panel, a panel a square. */
    readonly turn: () => C;
  }>;
  /** Lines the net may be folded along; pressing one goes on to the next kind of fold. */
  readonly folds: ReadonlyArray<{
    readonly id: string;
    readonly from: Point;
    readonly to: Point;
    readonly angle: 180 | 90 | undefined;
    readonly next: () => C;
  }>;
  /** Edges that no flat join takes. */
  readonly edges: ReadonlyArray<{
    readonly id: string;
    readonly name: string;
    readonly from: Point;
    readonly to: Point;
    readonly partner: string | undefined;
  }>;
  /** One piece alone, to begin from nothing. */
  clear(): C;
  pair(a: string, b: string): C;
  part(edge: string): C;
  /** Pairs of edges with only one possible partner, and what they are when closed. */
  readonly suggested: { readonly many: number; readonly close: () => C };
  /** What is not sound yet, in sentences. */
  readonly problems: readonly string[];
}
