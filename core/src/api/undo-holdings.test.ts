import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Allotment, KeptLot, Lot } from '../stash/index.ts';
import { type HoldingChange, undoHoldings } from './index.ts';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const lot = (full: number): Lot => ({
  yarn: 'A',
  colourName: 'B',
  colour: '#123456',
  weight: 4,
  fibre: '',
  dyeLot: '',
  ball: { grams: 50, metres: 100 },
  full,
  parts: [],
  place: '',
  note: '',
});

interface Made {
  readonly lots: ReadonlyMap<string, KeptLot>;
  readonly allotments: ReadonlyMap<string, Allotment>;
}

/** What a server makes of changes: none where one is refused. */
function made(
  { lots, allotments }: Made,
  changes: readonly HoldingChange[],
): (Made & { versions: Record<string, number> }) | undefined {
  const [own, aside, versions] = [new Map(lots), new Map(allotments), new Map<string, number>()];
  for (const change of changes)
    switch (change.of) {
      case 'add': {
        if (own.has(change.id)) return undefined;
        const version = (change.after ?? 0) + 1;
        own.set(change.id, { id: change.id, version, lot: change.lot });
        versions.set(change.id, version);
        break;
      }
      case 'change':
      case 'remove': {
        if (own.get(change.id)?.version !== change.basedOn) return undefined;
        if (change.of === 'change') {
          own.set(change.id, { id: change.id, version: change.basedOn + 1, lot: change.lot });
          versions.set(change.id, change.basedOn + 1);
          break;
        }
        own.delete(change.id);
        versions.delete(change.id);
        for (const [id, one] of aside) if (one.lot === change.id) aside.delete(id);
        break;
      }
      case 'allot':
        if (!own.has(change.allotment.lot)) return undefined;
        aside.set(change.allotment.id, change.allotment);
        break;
      case 'free':
        aside.delete(change.id);
    }
  return { lots: own, allotments: aside, versions: Object.fromEntries(versions) };
}

const ids = fc.integer({ min: 1, max: 4 });
const wish: fc.Arbitrary<HoldingChange> = fc.oneof(
  fc.record({
    of: fc.constant('add' as const),
    id: ids.map(uuid),
    lot: fc.integer({ min: 0, max: 9 }).map(lot),
  }),
  fc.record({
    of: fc.constant('change' as const),
    id: ids.map(uuid),
    basedOn: fc.integer({ min: 1, max: 2 }),
    lot: fc.integer({ min: 0, max: 9 }).map(lot),
  }),
  fc.record({
    of: fc.constant('remove' as const),
    id: ids.map(uuid),
    basedOn: fc.integer({ min: 1, max: 2 }),
  }),
  fc.record({ id: ids, lot: ids, grams: fc.integer({ min: 1, max: 50 }) }).map(({ id, lot: of, grams }) => ({
    of: 'allot' as const,
    allotment: { id: uuid(100 + id), lot: uuid(of), bag: uuid(9), yarn: 'y1', grams },
  })),
  fc.record({ of: fc.constant('free' as const), id: ids.map((id) => uuid(100 + id)) }),
);

test('whatever is changed once is as it was when it is taken back', () => {
  const amounts = ({ lots, allotments }: Made) => ({
    lots: new Map([...lots].map(([id, one]) => [id, one.lot] as const)),
    allotments: allotments,
  });
  fc.assert(
    fc.property(fc.array(wish, { maxLength: 6 }), wish, (history, change) => {
      // Any stash that some changes lead to; those that are refused are left out.
      const before = history.reduce<Made>((now, one) => made(now, [one]) ?? now, {
        lots: new Map(),
        allotments: new Map(),
      });
      const after = made(before, [change]);
      fc.pre(after !== undefined);
      const stash = { lots: [...before.lots.values()], allotments: [...before.allotments.values()] };
      const back = made(after, undoHoldings([change], stash, after));
      expect(back && amounts(back)).toEqual(amounts(before));
      // A lot that comes back is no version that anybody has seen.
      for (const [id, { version }] of back?.lots ?? [])
        if (change.of !== 'allot' && change.of !== 'free' && change.id === id)
          expect(version).toBeGreaterThan(before.lots.get(id)?.version ?? 0);
    }),
  );
});

test('several changes at once are taken back from the last to the first', () => {
  const before: Made = {
    lots: new Map([[uuid(1), { id: uuid(1), version: 1, lot: lot(1) }]]),
    allotments: new Map(),
  };
  const allotment = { id: uuid(101), lot: uuid(2), bag: uuid(9), yarn: 'y1', grams: 5 };
  const changes: HoldingChange[] = [
    { of: 'change', id: uuid(1), basedOn: 1, lot: lot(4) },
    { of: 'add', id: uuid(2), lot: lot(2) },
    { of: 'allot', allotment },
  ];
  const after = made(before, changes);
  const undone = after && undoHoldings(changes, { lots: [...before.lots.values()], allotments: [] }, after);
  expect(undone).toEqual([
    { of: 'free', id: uuid(101) },
    { of: 'remove', id: uuid(2), basedOn: 1 },
    { of: 'change', id: uuid(1), basedOn: 2, lot: lot(1) },
  ]);
});
