import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { joinedSeams } from '../bag/index.ts';
import { familyOf } from '../families/index.ts';
import { materialsOf, sizeTable } from '../fit/index.ts';
import { constructions, testDocument } from '../testing/arbitraries.ts';
import { carryOn } from './carry-on.ts';
import {
  allBy,
  fewestTrails,
  joiningGraph,
  joinSteps,
  type Link,
  passEnd,
  passStart,
  planRuns,
  type Run,
  SCHOOLS,
  schoolsSideBySide,
  stepText,
  straightTrails,
  type Trail,
} from './index.ts';

const links = (most: number): fc.Arbitrary<Link[]> =>
  fc
    .array(fc.tuple(fc.nat(5), fc.nat(5), fc.nat(2)), { minLength: 1, maxLength: most })
    .map((list) => list.map(([from, to, way], i) => ({ id: `s${i}`, from, to, way: `w${way}` })));

const connected = (trail: Trail) =>
  trail.every((pass, i) => {
    const next = trail[i + 1];
    return next === undefined || passEnd(pass) === passStart(next);
  });

/** The fewest trails, found by trying: grow every trail every way. */
function fewestByTrying(all: readonly Link[]): number {
  const grow = (left: readonly Link[], at: number | undefined): number => {
    if (left.length === 0) return 0;
    let best = Number.POSITIVE_INFINITY;
    for (const link of left) {
      const rest = left.filter((one) => one !== link);
      for (const [from, to] of [
        [link.from, link.to],
        [link.to, link.from],
      ] as const) {
        if (from === at) best = Math.min(best, grow(rest, to));
        else best = Math.min(best, 1 + grow(rest, to));
      }
    }
    return best;
  };
  return grow(all, undefined);
}

describe('trails', () => {
  test('cover every link once, through shared corners, as few as Euler allows', () => {
    fc.assert(
      fc.property(links(30), (all) => {
        const trails = straightTrails(all);
        expect(
          trails
            .flat()
            .map(({ link }) => link.id)
            .sort(),
        ).toEqual(all.map(({ id }) => id).sort());
        expect(trails.every(connected)).toBe(true);
        expect(trails).toHaveLength(fewestTrails(all));
      }),
    );
  });

  test('as few as trying every order finds', () => {
    fc.assert(
      fc.property(links(6), (all) => {
        expect(straightTrails(all)).toHaveLength(fewestByTrying(all));
      }),
      { numRuns: 60 },
    );
  });

  test('go straight on at a crossing of two lines', () => {
    const cross: Link[] = [
      { id: 'n', from: 0, to: 4, way: 'upright' },
      { id: 'w', from: 1, to: 4, way: 'level' },
      { id: 's', from: 4, to: 2, way: 'upright' },
      { id: 'e', from: 4, to: 3, way: 'level' },
    ];
    const ways = straightTrails(cross).map((trail) => new Set(trail.map(({ link }) => link.way)).size);
    expect(ways).toEqual([1, 1]);
  });
});

/** The fewest runs when all of one phase comes before any of the next: by trying every pair of covers. */
function fewestInPhasesByTrying(first: readonly Link[], second: readonly Link[]): number {
  const ends = (all: readonly Link[]) => {
    const found = { fewest: Number.POSITIVE_INFINITY, corners: new Set<number>() };
    const grow = (left: readonly Link[], at: number | undefined, trails: number, stops: number[]) => {
      if (left.length === 0) {
        const all2 = at === undefined ? stops : [...stops, at];
        if (trails < found.fewest) {
          found.fewest = trails;
          found.corners = new Set(all2);
        } else if (trails === found.fewest) for (const corner of all2) found.corners.add(corner);
        return;
      }
      for (const link of left) {
        const rest = left.filter((one) => one !== link);
        for (const [from, to] of [
          [link.from, link.to],
          [link.to, link.from],
        ] as const) {
          if (from === at) grow(rest, to, trails, stops);
          else grow(rest, to, trails + 1, [...stops, from, ...(at === undefined ? [] : [at])]);
        }
      }
    };
    grow(all, undefined, 0, []);
    return found;
  };
  const [a, b] = [ends(first), ends(second)];
  const meet = [...a.corners].some((corner) => b.corners.has(corner));
  return a.fewest + b.fewest - (meet ? 1 : 0);
}

test('one yarn carries on from the flat joins into the closing ones wherever that can be', () => {
  fc.assert(
    fc.property(links(4), links(4), (first, second) => {
      const later = second.map((link) => ({ ...link, id: `t${link.id}` }));
      const same = { corner: (c: number) => c, link: (l: Link) => l };
      const runs = carryOn(straightTrails(first), straightTrails(later), same);
      expect(runs.every(connected)).toBe(true);
      expect(runs).toHaveLength(fewestInPhasesByTrying(first, later));
    }),
    { numRuns: 60 },
  );
});

describe('runs of a bag', () => {
  const planned = constructions.map((construction) => {
    const document = testDocument(construction);
    const graph = familyOf(construction).build(materialsOf(sizeTable(document), document));
    return { graph, joining: joiningGraph(graph) };
  });

  test('every school joins every seam once, flat ones before closing ones', () => {
    fc.assert(
      fc.property(planned, fc.constantFrom(...SCHOOLS), ({ graph, joining }, school) => {
        const { runs } = planRuns(graph, joining, { school, flatFirst: true, how: allBy('whip') });
        const order = runs.flatMap(({ passes }) => passes.map(({ link }) => link.seam));
        expect(order.map(({ id }) => id).sort()).toEqual(
          joinedSeams(graph)
            .map(({ id }) => id)
            .sort(),
        );
        // Long seams go through both in one.
        if (school === 'as-you-go' || school === 'long') return;
        const firstClosing = order.findIndex(({ kind }) => kind === 'closing');
        expect(order.slice(firstClosing).every(({ kind }) => kind === 'closing')).toBe(true);
        for (const { passes } of runs) {
          const flat = passes.filter(({ link }) => link.seam.kind === 'flat');
          expect(connected(passes.filter(({ link }) => link.seam.kind === 'closing'))).toBe(true);
          expect(connected(flat)).toBe(true);
        }
      }),
    );
  });

  test('fewest ends reaches Euler’s bound when the order is free, and no school beats it', () => {
    fc.assert(
      fc.property(planned, ({ graph, joining }) => {
        const schools = schoolsSideBySide(graph, joining, { how: allBy('whip') });
        const bound = fewestTrails(joining.all);
        expect(schools.at(-1)?.runs).toBe(bound);
        const flatFirst = schools.find(({ school, flatFirst: first }) => school === 'fewest' && first);
        // As you go there is hardly a yarn of its own to count.
        for (const { runs, school } of schools)
          if (school !== 'as-you-go') expect(runs).toBeGreaterThanOrEqual(bound);
        for (const one of schools.filter(({ school }) => school === 'lines' || school === 'strips'))
          expect(one.runs).toBeGreaterThanOrEqual(flatFirst?.runs ?? 0);
      }),
    );
  });

  const tube = () => {
    const construction = {
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 2 },
    } as const;
    const document = testDocument(construction);
    const graph = familyOf(construction).build(materialsOf(sizeTable(document), document));
    return { graph, joining: joiningGraph(graph) };
  };

  test('a tube of 4 by 2, counted by hand', () => {
    const runs = (school: 'lines' | 'strips' | 'fewest', flatFirst: boolean) => {
      const { graph, joining } = tube();
      return planRuns(graph, joining, { school, flatFirst, how: allBy('whip') }).runs.length;
    };
    // Lines: one level, three upright, and the side seam going on along the bottom.
    expect(runs('lines', true)).toBe(5);
    // Strips: four joins inside columns, three lines between them, side and bottom.
    expect(runs('strips', true)).toBe(8);
    // The third upright line or the level one carries on into the closing run.
    expect(runs('fewest', true)).toBe(4);
    // Made up, only the four line ends at the rim are odd: two runs.
    expect(runs('fewest', false)).toBe(2);
  });

  test('its steps name both edges, count both sides and cross only what is joined already', () => {
    const { graph, joining } = tube();
    const plan = planRuns(graph, joining, { school: 'lines', flatFirst: true, how: allBy('flat-slip') });
    const steps = joinSteps(graph, joining, plan);
    const texts = steps.map((step) => stepText(step, 'flat-slip', { terms: 'us', system: 'cm' }));
    // First the level line, from the right: nothing to cross. Each upright line then crosses it once.
    expect(texts[1]).toBe('A4, lower edge meets B4, upper edge: 14 insertions in each, flat slip stitch.');
    const perRun = plan.runs.map(
      (run) => steps.filter((s) => s.run === run.number && s.does === 'cross').length,
    );
    expect(perRun.slice(0, 4)).toEqual([0, 1, 1, 1]);
    expect(steps.filter(({ does }) => does === 'fold')).toHaveLength(1);
    expect(steps.findIndex(({ does }) => does === 'fold')).toBeLessThan(
      steps.findIndex((step) => step.does === 'join' && step.seam.startsWith('side')),
    );
  });
});

describe('runs as the maker wants them', () => {
  const planned = constructions.map((construction) => {
    const document = testDocument(construction);
    const graph = familyOf(construction).build(materialsOf(sizeTable(document), document));
    return { graph, joining: joiningGraph(graph) };
  });
  const school = fc.constantFrom(...SCHOOLS);
  const ids = (runs: readonly Run[]) =>
    runs.flatMap(({ passes }) => passes.map(({ link }) => link.id)).sort();

  test('lines joined another way have runs of their own, and nothing is joined twice or left out', () => {
    fc.assert(
      fc.property(planned, school, fc.nat(), ({ graph, joining }, own, pick) => {
        const lines = [...new Set(joining.all.map(({ way }) => way))];
        const other = lines[pick % Math.max(1, lines.length)];
        const how = (line: string) =>
          line === other ? { method: 'ridge' as const, yarn: 'y2' } : { method: 'whip' as const, yarn: 'y1' };
        const { runs } = planRuns(graph, joining, { school: own, flatFirst: true, how });
        expect(ids(runs)).toEqual(joining.all.map(({ id }) => id).sort());
        for (const run of runs.filter(({ asYouGo }) => !asYouGo))
          for (const { link } of run.passes) expect(how(link.way)).toEqual(run.how);
      }),
    );
  });

  test('a chosen last seam comes last, and ends where it should', () => {
    fc.assert(
      fc.property(planned, fc.nat(), ({ graph, joining }, pick) => {
        const closing = [...new Set(joining.closing.map(({ way }) => way))];
        const line = closing[pick % Math.max(1, closing.length)];
        if (line === undefined) return;
        const plan = (end: 'first' | 'second') =>
          planRuns(graph, joining, {
            school: 'lines',
            flatFirst: true,
            how: allBy('whip'),
            last: { line, end },
          }).runs;
        const [one, other] = [plan('first'), plan('second')];
        expect(ids(one)).toEqual(joining.all.map(({ id }) => id).sort());
        const last = (runs: readonly Run[]) => runs.at(-1)?.passes ?? [];
        expect(last(one).every(({ link }) => link.way === line)).toBe(true);
        const [p, q] = [last(one).at(-1), last(other)[0]];
        // The one way ends where the other begins.
        if (p && q && last(one).length === last(other).length)
          expect(p.forward ? p.link.to : p.link.from).toBe(q.forward ? q.link.from : q.link.to);
      }),
    );
  });

  test('no needle is threaded with more than the longest yarn: a seam that needs more is worked in parts', () => {
    fc.assert(
      fc.property(planned, school, ({ graph, joining }, own) => {
        const longest = 1200;
        const { runs } = planRuns(graph, joining, {
          school: own,
          flatFirst: true,
          how: allBy('mattress'),
          longest,
        });
        expect([...new Set(ids(runs))]).toEqual(joining.all.map(({ id }) => id).sort());
        for (const { yarn, asYouGo } of runs) if (!asYouGo) expect(yarn).toBeLessThanOrEqual(longest + 1e-6);
      }),
    );
  });

  test('as you go, each square is joined only to squares worked before it', () => {
    fc.assert(
      fc.property(planned, ({ graph, joining }) => {
        const plan = planRuns(graph, joining, {
          school: 'as-you-go',
          flatFirst: true,
          how: allBy('flat-slip'),
        });
        const steps = joinSteps(graph, joining, plan).flatMap((step) =>
          step.does === 'motif' ? [step] : [],
        );
        const worked = new Set<string>();
        for (const { name, joins } of steps) {
          for (const { a, b } of joins) {
            expect(a.name).toBe(name);
            expect(worked.has(b.name)).toBe(true);
          }
          worked.add(name);
        }
        const between = joining.all.filter(({ seam }) => {
          const of = (id: string) => graph.pieces.find((piece) => piece.id === id)?.make.of;
          return (
            of(seam.a.piece) === 'motif' && of(seam.b.piece) === 'motif' && seam.a.piece !== seam.b.piece
          );
        });
        expect(steps.reduce((sum, { joins }) => sum + joins.length, 0)).toBe(between.length);
      }),
    );
  });
});
