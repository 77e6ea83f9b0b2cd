import type { BagDocument, Swatch } from '../document/index.ts';
import { swatchGauge } from '../fit/index.ts';
import { must } from '../geometry/index.ts';
import { TAIL } from '../runs/index.ts';
import type { RowColours } from '../stripes/index.ts';
import type { Learnt } from './learn.ts';
import type { SizedTops } from './panel-tops.ts';
import { CHAIN_BY_PITCH, TIME_OF_TOP, YARN_BY_PITCH, YARN_OF_TOP } from './rates.ts';
import { pitchOf } from './thread.ts';
import type { YarnPart, YarnStep, YarnUse } from './uses.ts';

/** A swatch with its gauge, mm; and what one pitch of it counts for in yarn, as its maker works it. */
export type Gauged = Omit<Swatch, 'pitch' | 'row'> & {
  readonly pitch: number;
  readonly row: number;
  readonly thread: number;
};

/** Gathers the uses of yarn of a bag, and the time of its stitches. */
export class Gathering {
  readonly uses: YarnUse[] = [];
  /** Stitches of each part, as low stitches that take as long. */
  readonly work = new Map<YarnPart, number>();
  /** Swatches whose gauge something is worked in. */
  readonly worked = new Set<string>();
  #step: YarnStep = { operation: 'pieces', what: '', many: 1, pieces: [] };
  readonly #gauge: ReadonlyMap<string, Gauged>;

  constructor(document: BagDocument, { factors }: Pick<Learnt, 'factors'>) {
    this.#gauge = new Map(
      document.swatches.map((swatch) => {
        const { pitch, row } = swatchGauge(document, swatch);
        const thread = pitchOf(document, swatch) * (factors.get(swatch.id) ?? 1);
        return [swatch.id, { ...swatch, pitch: pitch.value, row: row.value, thread }];
      }),
    );
  }

  /** All that follows belongs to this step of the work, until the next one is begun. */
  begin(operation: YarnStep['operation'], what: string, many = 1, pieces: readonly string[] = []): void {
    this.#step = { operation, what, many, pieces };
  }

  swatch(id: string): Gauged {
    return must(this.#gauge.get(id), 'swatch');
  }

  /** Stitches that take as long as so many low ones. */
  toil(part: YarnPart, many: number): void {
    this.work.set(part, (this.work.get(part) ?? 0) + many);
  }

  /** One use, in the step that is under way; what takes nothing is none. */
  add(use: Omit<YarnUse, 'step'>): void {
    if (use.length !== 0) this.uses.push({ ...use, step: this.#step });
  }

  /** So many stitches of a swatch's own. */
  put(part: YarnPart, what: string, many: number, id: string): void {
    const { stitch } = this.swatch(id);
    this.toil(part, many * TIME_OF_TOP[stitch]);
    this.pitches(part, what, many, many * YARN_BY_PITCH[stitch], id);
  }

  /** So many chains: they count as no stitches. */
  chain(part: YarnPart, what: string, many: number, id: string): void {
    this.toil(part, many);
    this.pitches(part, what, many, many * CHAIN_BY_PITCH, id);
  }

  /** Stitches of a swatch that take so many pitches of its yarn, in its own yarn or another. */
  pitches(
    part: YarnPart,
    what: string,
    stitches: number,
    pitches: number,
    swatch: string,
    yarn = this.swatch(swatch).yarn,
    more: Pick<YarnUse, 'inner'> = {},
  ): void {
    const { thread, strands } = this.swatch(swatch);
    this.worked.add(swatch);
    this.add({ part, what, yarn, swatch, stitches, length: pitches * thread * strands, ...more });
  }

  /**
   * Rows of a piece, each in its colour, as one use of each.
   *
   * @param times how many such pieces there are.
   */
  rows(
    part: YarnPart,
    what: string,
    many: number,
    tops: (row: number) => readonly SizedTops[],
    colour: RowColours,
    times = 1,
  ): void {
    /** Stitches and their pitches by yarn, and by swatch in that. */
    const own = new Map<string, Map<string, { stitches: number; pitches: number }>>();
    for (let row = 1; row <= many; row++) {
      const yarn = colour(row);
      const swatches = own.get(yarn) ?? new Map<string, { stitches: number; pitches: number }>();
      own.set(yarn, swatches);
      for (const { swatch, tops: kinds } of tops(row)) {
        const sum = swatches.get(swatch) ?? { stitches: 0, pitches: 0 };
        swatches.set(swatch, sum);
        for (const [kind, one] of kinds) {
          if (kind !== 'chain') sum.stitches += one * times;
          sum.pitches += one * times * YARN_OF_TOP[kind];
          this.toil(part, one * times * TIME_OF_TOP[kind]);
        }
      }
    }
    for (const [yarn, swatches] of own)
      for (const [swatch, { stitches, pitches }] of swatches)
        this.pitches(part, what, stitches, pitches, swatch, yarn);
  }

  /** Ends that are hidden. */
  tails(what: string, yarn: string, many: number, strands: number): void {
    this.add({ part: 'tails', what: `Ends of ${what}`, yarn, stitches: 0, length: many * TAIL * strands });
  }
}
