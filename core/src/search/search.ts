import type { BagDocument } from '../document/index.ts';
import { firstSwatch } from '../document/look-up.ts';
import {
  type Construction,
  FAMILIES,
  type FamilyId,
  type QuickSize,
  type Ranges,
} from '../families/index.ts';
import { LIMITS } from '../fields/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { must } from '../geometry/index.ts';
import { isSquare } from '../motif/index.ts';
import { JOIN_METHODS, type JoinMethodId } from '../runs/index.ts';
import { admitted } from './admitted.ts';
import { PER_EDGE_ROUND, reaches, scoreOf, wantedOf } from './score.ts';

/** A bag the search found. */
export interface Found {
  readonly construction: Construction;
  readonly method: JoinMethodId;
  /** Edge rounds along the opening that bring it up to the height; their height is in the size. */
  readonly edgeRounds: number;
  readonly size: Readonly<QuickSize>;
  readonly score: number;
  readonly reached: boolean;
}

export interface SearchOptions {
  readonly families: readonly FamilyId[];
  readonly methods: readonly JoinMethodId[];
  readonly ranges: Ranges;
  /** Edge rounds that may be worked, up to so many, in this swatch. */
  readonly edge: { readonly swatch: string; readonly rounds: number };
}

/** How many candidates of each family and method are kept while searching. */
const KEEP = 24;

/** The families a search can go through for a document: all but those whose squares it does not have. */
export function searchable(document: BagDocument): FamilyId[] {
  const squares = document.motifs.some(({ kind }) => isSquare(kind));
  return FAMILIES.filter(({ ofMotifs, searched }) => searched !== 'never' && (!ofMotifs || squares)).map(
    ({ id }) => id,
  );
}

/** Those of them that are searched unless the maker says otherwise: what is on the table, and no body twice. */
export function usuallySearched(document: BagDocument): FamilyId[] {
  const always = new Set(FAMILIES.filter(({ searched }) => searched === 'always').map(({ id }) => id));
  return searchable(document).filter((id) => always.has(id) || id === document.construction.family);
}

/**
 * The whole space: every family that is usually searched, every method, counts up to what fits a table,
 * and squares like the maker's own: as many rounds as the last one measured, one fewer to two more.
 * `panels` lets bodies be worked as panels too, not only made of squares.
 */
export function fullSearch(document: BagDocument, panels: boolean): SearchOptions {
  const squares = document.motifs.filter(({ kind }) => isSquare(kind));
  const own = squares.flatMap(({ measured }) => measured).at(-1)?.rounds ?? USUAL_ROUNDS;
  return {
    families: usuallySearched(document),
    methods: document.joins.measuredStrip ? [document.joins.method] : JOIN_METHODS,
    ranges: {
      motifs: squares.map(({ id }) => id),
      panels: panels || squares.length === 0 ? document.swatches.map(({ id }) => id) : [],
      strips: document.swatches.map(({ id }) => id),
      rounds: { from: Math.max(1, own - 1), to: Math.min(LIMITS.rounds, own + 2) },
      squares: 12,
      stitches: 160,
      stitchStep: 2,
      strip: 40,
    },
    edge: {
      swatch: document.features?.edge?.swatch ?? firstSwatch(document),
      rounds: MOST_EDGE,
    },
  };
}

/** More edge rounds than this are a wall of their own. */
const MOST_EDGE = 8;

/** Rounds of a square nobody has measured yet. */
const USUAL_ROUNDS = 5;

/** The best so far of one family and method, worst last. */
class Shortlist {
  readonly kept: Found[] = [];

  worst(): number {
    return this.kept.length < KEEP ? Number.POSITIVE_INFINITY : must(this.kept.at(-1), 'answer').score;
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
  const height = wanted.find(({ measure }) => measure === 'height');
  const others = wanted.filter((one) => one !== height);
  const lists: Found[][] = [];
  let seen = 0;
  for (const id of options.families) {
    const family = FAMILIES.find((entry) => entry.id === id);
    for (const method of family ? options.methods : []) {
      const joined: BagDocument = { ...document, joins: { ...document.joins, method } };
      const materials = materialsOf(sizeTable(joined), joined);
      const perRound = options.edge.rounds > 0 ? materials.rowHeight(options.edge.swatch) : 0;
      const list = new Shortlist();
      let offered: QuickSize & { score: number; edgeRounds: number } = {
        ...NOTHING,
        score: 0,
        edgeRounds: 0,
      };
      const tall = { ...NOTHING };
      family?.explore(
        options.ranges,
        materials,
        (size) => {
          seen += 1 + options.edge.rounds;
          // Edge rounds change the height alone: what the rest costs already decides about most candidates.
          if (scoreOf(size, others) >= list.worst()) return false;
          let [best, edgeRounds] = [scoreOf(size, wanted), 0];
          Object.assign(tall, size);
          for (let rounds = 1; height && rounds <= options.edge.rounds; rounds++) {
            tall.height = size.height + rounds * perRound;
            const score = scoreOf(tall, wanted) + rounds * PER_EDGE_ROUND;
            if (score < best) [best, edgeRounds] = [score, rounds];
          }
          if (best >= list.worst()) return false;
          offered = { ...size, height: size.height + edgeRounds * perRound, score: best, edgeRounds };
          return true;
        },
        (construction) => {
          const { score, edgeRounds, ...size } = offered;
          if (admitted(construction, size.squares))
            list.add({ construction, method, edgeRounds, size, score, reached: reaches(size, wanted) });
        },
        document.construction.family === id ? document.construction : undefined,
      );
      lists.push(list.kept);
      yield { seen, done: false, answers: diverse(lists.flat()) };
    }
  }
  yield { seen, done: true, answers: diverse(lists.flat()) };
}

const NOTHING: QuickSize = { width: 0, height: 0, depth: 0, squares: 0 };

/** The document with what was found on the table, edge rounds and all. */
export function withFound(document: BagDocument, found: Found, edgeSwatch: string): BagDocument {
  const { edge: _, ...features } = document.features ?? {};
  const { edgeRounds } = found;
  return {
    ...document,
    construction: found.construction,
    joins: { ...document.joins, method: found.method },
    features: {
      ...features,
      ...(edgeRounds > 0 ? { edge: { swatch: edgeSwatch, rounds: edgeRounds, growth: 0 } } : {}),
    },
  };
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
