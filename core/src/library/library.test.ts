import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type BagDocument, documentSchema, type Motif } from '../document/index.ts';
import { planned, planOf } from '../plan/index.ts';
import { documents, testDocument } from '../testing/arbitraries.ts';
import { mm } from '../units/index.ts';
import {
  itemFrom,
  itemName,
  type KeptItem,
  lessonsFor,
  libraryItemSchema,
  seenVersion,
  taught,
  withItem,
} from './index.ts';

const ID = '00000000-0000-4000-8000-000000000001';
const kept = (item: KeptItem['item'], version = 1): KeptItem => ({ id: ID, version, item });
const bag = () =>
  testDocument({
    family: 'wrap-round',
    laid: 'tube',
    bottom: 'seam',
    sides: 'joins',
    body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 3 },
  });
/** A bag whose motif is a copy of the library's. */
const copy = (version = 1): BagDocument => ({
  ...bag(),
  motifs: bag().motifs.map((motif) =>
    motif.id === 'm1' ? { ...motif, origin: { id: ID, version } } : motif,
  ),
});
const measure = (document: BagDocument, ...sizes: number[]): BagDocument => ({
  ...document,
  motifs: document.motifs.map((motif) =>
    motif.id === 'm1'
      ? { ...motif, measured: [...motif.measured, ...sizes.map((size) => ({ rounds: 4, size: mm(size) }))] }
      : motif,
  ),
});
const measuredOf = ({ motifs }: BagDocument, id = 'm1') =>
  motifs.find((one) => one.id === id)?.measured.length;

describe('an item', () => {
  test('is whole on its own, whatever bag it is kept from, and can be put into any other', () => {
    fc.assert(
      fc.property(documents, documents, (from, into) => {
        for (const of of ['swatch', 'motif'] as const)
          for (const { id } of (of === 'swatch' ? from.swatches : from.motifs).slice(0, 2)) {
            const item = itemFrom(from, { of, id });
            expect(libraryItemSchema.safeParse(item).error?.issues ?? []).toEqual([]);
            const next = withItem(into, kept(item));
            expect(documentSchema.safeParse(next).error?.issues ?? []).toEqual([]);
            // Nothing that was there has gone.
            expect(next.yarns.slice(0, into.yarns.length)).toEqual(into.yarns);
            expect(next.motifs.slice(0, into.motifs.length)).toEqual(into.motifs);
            // What comes out again is what went in, but for names of its parts.
            const list: ReadonlyArray<{ id: string }> = of === 'swatch' ? next.swatches : next.motifs;
            const again = itemFrom(next, { of, id: list.at(-1)?.id ?? '' });
            expect(itemName(again)).toBe(itemName(item));
            expect(again.motif?.measured).toEqual(item.motif?.measured);
            expect(again.swatch.stitches).toEqual(item.swatch.stitches);
          }
      }),
      { numRuns: 25 },
    );
  });

  test('put in twice, it uses the yarn and the swatch that are there', () => {
    const item = itemFrom(bag(), { of: 'motif', id: 'm1' });
    const once = withItem(bag(), kept(item));
    expect(once.yarns).toHaveLength(bag().yarns.length);
    expect(once.swatches).toHaveLength(bag().swatches.length);
    const twice = withItem(once, kept(item));
    expect(new Set(twice.motifs.map(({ id }) => id)).size).toBe(bag().motifs.length + 2);
    expect(twice.motifs.at(-1)?.origin).toEqual({ id: ID, version: 1 });
  });
});

describe('what the library learns', () => {
  const item = itemFrom(bag(), { of: 'motif', id: 'm1' });

  test('from one bag it offers to another, with what it would change; taken or left, it is not offered again', () => {
    const first = measure(copy(), 130, 131, 129, 130, 132);
    const better = taught(first, kept(item));
    expect(better?.motif?.measured).toHaveLength((item.motif?.measured.length ?? 0) + 5);
    const second = copy();
    const [lesson, ...others] = lessonsFor(planOf(second), [kept(better ?? item, 2)]);
    expect(others).toEqual([]);
    expect(lesson?.says).toEqual(['5 more pieces measured']);
    // The second bag's squares were thought to be of another size: its tapes move by what the plan says.
    const now = planOf(second).tapes.find(({ measure: of }) => of === 'width')?.finished.value ?? 0;
    const then =
      planOf(lesson?.taken ?? second).tapes.find(({ measure: of }) => of === 'width')?.finished.value ?? 0;
    expect(lesson?.moves.find(({ measure: of }) => of === 'width')?.by).toBeCloseTo(then - now, 6);
    expect(measuredOf(lesson?.taken ?? second)).toBe((measuredOf(second) ?? 0) + 5);
    for (const after of [lesson?.taken, lesson?.left])
      expect(lessonsFor(planOf(after ?? second), [kept(better ?? item, 2)])).toEqual([]);
    expect(measuredOf(lesson?.left ?? second)).toBe(measuredOf(second));
  });

  test('a bag that knows no more teaches nothing; what one taught, it is not taught again', () => {
    expect(taught(copy(), kept(item))).toBeUndefined();
    const better = taught(measure(copy(), 130), kept(item));
    expect(better && taught(measure(copy(), 130), kept(better, 2))).toBeUndefined();
    expect(taught(bag(), kept(item))).toBeUndefined();
  });

  test('two bags that measured one size each teach both, in whatever order', () => {
    const one = (first: number, second: number) => {
      const once = taught(measure(copy(), first), kept(item));
      return once && taught(measure(copy(), second), kept(once, 2));
    };
    const sizes = (motif: Motif | undefined) => motif?.measured.map(({ size }) => size).sort();
    expect(sizes(one(130, 140)?.motif)).toEqual(sizes(one(140, 130)?.motif));
  });

  test('what was measured with another hook says of the bag’s own only by guess', () => {
    const thick = {
      ...copy(),
      swatches: copy().swatches.map((swatch) => ({ ...swatch, hook: swatch.hook + 1 })),
    };
    const better = taught(measure(copy(), 130), kept(item)) ?? item;
    const [lesson] = lessonsFor(planOf(thick), [kept(better, 2)]);
    const last = lesson?.taken.motifs.find(({ id }) => id === 'm1')?.measured.at(-1);
    expect(last?.hook).toBe(item.swatch.hook);
    // And from there the library is taught nothing.
    expect(taught(measure(thick, 150), kept(item))).toBeUndefined();
  });

  test('weighings come along, in the names of the bag', () => {
    const document = bag();
    const { swatch } = item;
    const weighed: BagDocument = {
      ...copy(),
      weighings: [
        {
          id: 'w',
          what: 'A square',
          worked: [{ swatch: swatch.id, yarn: document.yarns[0]?.id ?? '', pitches: 500 }],
          tails: [],
          weighed: { of: 'thing', grams: 5 },
        },
      ],
    };
    const better = taught(weighed, kept(item)) ?? item;
    const [lesson] = lessonsFor(planOf(copy()), [kept(better, 2)]);
    expect(lesson?.says).toEqual(['1 more weighing']);
    expect(lesson?.taken.weighings).toHaveLength(1);
    expect(documentSchema.safeParse(lesson?.taken).success).toBe(true);
  });

  test('of any bag: taken or left, the bag can be planned, and only its copies know that they have seen it', () => {
    fc.assert(
      fc.property(documents, fc.integer({ min: 50, max: 200 }), (any, size) => {
        const [motif] = any.motifs;
        const answer = planned(any);
        fc.pre(answer.ok && motif !== undefined);
        const mine = itemFrom(any, { of: 'motif', id: motif.id });
        const with_ = {
          ...any,
          motifs: any.motifs.map((one) =>
            one.id === motif.id ? { ...one, origin: { id: ID, version: 1 } } : one,
          ),
        };
        const more: KeptItem = kept(
          {
            ...mine,
            motif: { ...motif, measured: [...motif.measured, { rounds: 3, size: mm(size) }] },
          },
          2,
        );
        const plan = planned(with_);
        fc.pre(plan.ok);
        for (const { taken, left } of lessonsFor(plan.plan, [more])) {
          expect(planned(taken).ok).toBe(true);
          expect({ ...left, motifs: [] }).toEqual({ ...with_, motifs: [] });
        }
        expect(seenVersion(any, more)).toEqual(any);
      }),
      { numRuns: 25 },
    );
  });
});
