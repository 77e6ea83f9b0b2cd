import type { BagDocument, Swatch } from '../document/index.ts';
import { swatchGauge } from '../fit/index.ts';
import { must } from '../geometry/index.ts';
import { TAIL } from '../runs/index.ts';
import type { RowColours } from '../stripes/index.ts';
import type { SizedTops } from './panel-tops.ts';
import { CHAIN_BY_PITCH, TIME_OF_TOP, YARN_BY_PITCH, YARN_OF_TOP } from './rates.ts';
import type { YarnPart, YarnUse } from './uses.ts';

/** A swatch with its gauge, mm. */
export type Gauged = Omit<Swatch, 'pitch' | 'row'> & { readonly pitch: number; readonly row: number };

/** Gathers the uses of yarn of a bag, and the time of its stitches. */
export class Gathering {
  readonly uses: YarnUse[] = [];
  /** All stitches, as low stitches that take as long. */
  work = 0;
  /** Swatches whose gauge something is worked in. */
  readonly worked = new Set<string>();
  readonly #gauge: ReadonlyMap<string, Gauged>;

  constructor(document: BagDocument) {
    this.#gauge = new Map(
      document.swatches.map((swatch) => {
        const { pitch, row } = swatchGauge(document, swatch);
        return [swatch.id, { ...swatch, pitch: pitch.value, row: row.value }];
      }),
    );
  }

  swatch(id: string): Gauged {
    return must(this.#gauge.get(id), 'swatch');
  }

  /** One use; what takes nothing is none. */
  add(use: YarnUse): void {
    if (use.length !== 0) this.uses.push(use);
  }

  /** So many stitches of a swatch's own. */
  put(part: YarnPart, what: string, many: number, id: string): void {
    const { pitch, stitch, strands, yarn } = this.swatch(id);
    this.worked.add(id);
    this.work += many * TIME_OF_TOP[stitch];
    this.add({ part, what, yarn, stitches: many, length: many * YARN_BY_PITCH[stitch] * pitch * strands });
  }

  /** So many chains. */
  chain(part: YarnPart, what: string, many: number, id: string): void {
    const { pitch, strands, yarn } = this.swatch(id);
    this.worked.add(id);
    this.work += many;
    this.add({ part, what, yarn, stitches: many, length: many * CHAIN_BY_PITCH * pitch * strands });
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
    const own = new Map<string, { stitches: number; length: number }>();
    for (let row = 1; row <= many; row++) {
      const yarn = colour(row);
      const before = own.get(yarn) ?? { stitches: 0, length: 0 };
      for (const sized of tops(row)) this.#row(sized, times, before);
      own.set(yarn, before);
    }
    for (const [yarn, one] of own) this.add({ part, what, yarn, ...one });
  }

  /** Adds the tops of a row that are of one size to what its colour takes. */
  #row({ swatch, tops }: SizedTops, times: number, to: { stitches: number; length: number }): void {
    const { pitch, strands } = this.swatch(swatch);
    this.worked.add(swatch);
    for (const [kind, one] of tops) {
      const many = one * times;
      if (kind !== 'chain') to.stitches += many;
      to.length += many * YARN_OF_TOP[kind] * pitch * strands;
      this.work += many * TIME_OF_TOP[kind];
    }
  }

  /** Ends that are hidden. */
  tails(what: string, yarn: string, many: number, strands: number): void {
    this.add({ part: 'tails', what: `Ends of ${what}`, yarn, stitches: 0, length: many * TAIL * strands });
  }
}
