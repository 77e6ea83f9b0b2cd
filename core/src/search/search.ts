import type { BagDocument } from '../document/index.ts';
import {
  type Construction,
  FAMILIES,
  type FamilyId,
  type QuickSize,
  type Ranges,
} from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { isSquare } from '../motif/index.ts';
import { JOIN_METHODS, type JoinMethodId } from '../runs/index.ts';
import { reaches, scoreOf, wantedOf } from './score.ts';

/** A bag the search found. */
export interface Found {
  readonly construction: Construction;
  readonly method: JoinMethodId;
  readonly size: Readonly<QuickSize>;
  readonly score: number;
  readonly reached: boolean;
}

export interface SearchOptions {
  readonly families: readonly FamilyId[];
  readonly methods: readonly JoinMethodId[];
  readonly ranges: Ranges;
}

/** How many candidates of each family and method are kept while searching. */
const KEEP = 24;

/**
 * The whole space: every family the document can be made in, every method, counts up to what fits a table,
 * and squares like the maker's own: as many rounds as the last one measured, one fewer to two more.
 * `panels` lets bodies be worked as panels too, not only made of squares.
 */
export function fullSearch(document: BagDocument, panels: boolean): SearchOptions {
  const squares = document.motifs.filter(({ kind }) => isSquare(kind));
  const own = squares.flatMap(({ measured }) => measured).at(-1)?.rounds ?? USUAL_ROUNDS;
  return {
    families: FAMILIES.filter(({ ofMotifs }) => !ofMotifs || squares.length > 0).map(({ id }) => id),
    methods: document.joins.measuredStrip ? [document.joins.method] : JOIN_METHODS,
    ranges: {
      motifs: squares.map(({ id }) => id),
      panels: panels || squares.length === 0 ? document.swatches.map(({ id }) => id) : [],
      strips: document.swatches.map(({ id }) => id),
      rounds: { from: Math.max(1, own - 1), to: own + 2 },
      squares: 12,
      stitches: 160,
      stitchStep: 2,
      strip: 40,
    },
  };
}

/** Rounds of a square nobody has measured yet. */
const USUAL_ROUNDS = 5;

/** The best so far of one family and method, worst last. */
class Shortlist {
  readonly kept: Found[] = [];

  worst(): number {
    return this.kept.length < KEEP ? Number.POSITIVE_INFINITY : (this.kept.at(-1)?.score ?? 0);
  }

  add(found: Found): void {
    const at = this.kept.findIndex(({ score }) => score > found.score);
    this.kept.splice(at < 0 ? this.kept.length : at, 0, found);
    if (this.kept.length > KEEP) this.kept.pop();
  }
}

export interface Progress {
  /** Candidates looked at so far. */
  readonly seen: number;
  readonly done: boolean;
  /** The list as it stands: best first, each of another kind. */
  readonly answers: readonly Found[];
}

/**
 * Looks through every family, method and count within the ranges for bags of the wanted size. Yields after
 * each family and method, so that first answers come at once and the search can be left at any time.
 * Complete: no bag within the ranges scores better than the first answer.
 */
export function* search(document: BagDocument, options: SearchOptions): Generator<Progress, void> {
  const wanted = wantedOf(document);
  const lists: Found[][] = [];
  let seen = 0;
  for (const id of options.families) {
    const family = FAMILIES.find((entry) => entry.id === id);
    for (const method of family ? options.methods : []) {
      const joined: BagDocument = { ...document, joins: { ...document.joins, method } };
      const materials = materialsOf(sizeTable(joined), joined);
      const list = new Shortlist();
      let offered: QuickSize & { score: number } = { width: 0, height: 0, depth: 0, squares: 0, score: 0 };
      family?.explore(
        options.ranges,
        materials,
        (size) => {
          seen++;
          const score = scoreOf(size, wanted);
          if (score >= list.worst()) return false;
          offered = { ...size, score };
          return true;
        },
        (construction) => {
          const { score, ...size } = offered;
          list.add({ construction, method, size, score, reached: reaches(size, wanted) });
        },
      );
      lists.push(list.kept);
      yield { seen, done: false, answers: diverse(lists.flat()) };
    }
  }
  yield { seen, done: true, answers: diverse(lists.flat()) };
}

/** How many answers are shown. */
const SHOWN = 8;

/** What makes two answers the same kind of bag to a maker: how it is built, and of how large squares. */
function kindOf({ construction, size }: Found): string {
  const shape = JSON.stringify(construction, (key, value: unknown) =>
    ['motif', 'swatch', 'flap', 'tuck', 'depth', 'stitches', 'multiple'].includes(key) ? undefined : value,
  );
  return `${construction.family} ${size.squares} ${size.depth > 1} ${size.squares > 0 ? shape : ''}`;
}

/**
 * The best answers, no two alike: first the best of each family that comes near, then the next best kinds.
 * A second answer of a family must differ in squares by a quarter or more.
 */
function diverse(found: readonly Found[]): Found[] {
  const best = [...found].sort((a, b) => a.score - b.score);
  const chosen: Found[] = [];
  const kinds = new Set<string>();
  const take = (one: Found) => {
    chosen.push(one);
    kinds.add(kindOf(one));
  };
  const [first] = best;
  if (!first) return [];
  const families = new Set<string>();
  for (const one of best) {
    if (families.has(one.construction.family) || chosen.length >= SHOWN) continue;
    // A family that misses badly where another reaches is no answer.
    if (first.reached && !one.reached && chosen.length >= 3) continue;
    families.add(one.construction.family);
    take(one);
  }
  for (const one of best) {
    if (chosen.length >= SHOWN) break;
    if (kinds.has(kindOf(one)) || (first.reached && !one.reached)) continue;
    const twins = chosen.filter(({ construction }) => construction.family === one.construction.family);
    const apart = twins.every(
      ({ size }) =>
        Math.abs(size.squares - one.size.squares) >= 0.25 * Math.max(1, size.squares) ||
        size.depth > 1 !== one.size.depth > 1,
    );
    if (apart) take(one);
  }
  return chosen.sort((a, b) => a.score - b.score);
}
