import type { ChangedHoldings, HoldingChange, Stash } from './holdings.ts';

/**
 * The changes that take some changes back, on top of what they made.
 *
 * @param before the stash as it was.
 * @param versions what each lot came to be.
 */
export const undoHoldings = (
  changes: readonly HoldingChange[],
  before: Pick<Stash, 'lots' | 'allotments'>,
  { versions }: ChangedHoldings,
): HoldingChange[] => [...changes].reverse().flatMap((change) => undoOne(change, before, versions));

function undoOne(
  change: HoldingChange,
  { lots, allotments }: Pick<Stash, 'lots' | 'allotments'>,
  versions: ChangedHoldings['versions'],
): HoldingChange[] {
  switch (change.of) {
    case 'add':
      return [{ of: 'remove', id: change.id, basedOn: versions[change.id] ?? 1 }];
    case 'change': {
      const old = lots.find(({ id }) => id === change.id);
      return old
        ? [{ of: 'change', id: change.id, basedOn: versions[change.id] ?? change.basedOn + 1, lot: old.lot }]
        : [];
    }
    case 'remove': {
      const old = lots.find(({ id }) => id === change.id);
      if (!old) return [];
      return [
        { of: 'add', id: change.id, after: change.basedOn, lot: old.lot },
        // What was set aside of it went with it.
        ...allotments
          .filter(({ lot }) => lot === change.id)
          .map((allotment): HoldingChange => ({ of: 'allot', allotment })),
      ];
    }
    case 'allot': {
      const old = allotments.find(({ id }) => id === change.allotment.id);
      return old ? [{ of: 'allot', allotment: old }] : [{ of: 'free', id: change.allotment.id }];
    }
    case 'free': {
      const old = allotments.find(({ id }) => id === change.id);
      return old ? [{ of: 'allot', allotment: old }] : [];
    }
  }
}
