import type { ChangedHoldings, HoldingChange, Library, Stash } from './holdings.ts';

/** What a maker had before a change, as far as the change is about it. */
type Before = Partial<Pick<Stash, 'lots' | 'allotments'> & Pick<Library, 'items'>>;

/**
 * The changes that take some changes back, on top of what they made.
 *
 * @param before what there was.
 * @param versions what each thing came to be.
 */
export const undoHoldings = (
  changes: readonly HoldingChange[],
  before: Before,
  { versions }: ChangedHoldings,
): HoldingChange[] => [...changes].reverse().flatMap((change) => undoOne(change, before, versions));

function undoOne(
  change: HoldingChange,
  { lots = [], allotments = [], items = [] }: Before,
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
    case 'keep': {
      const now = versions[change.id] ?? (change.basedOn ?? 0) + 1;
      const old = items.find(({ id }) => id === change.id);
      return old
        ? [{ of: 'keep', id: change.id, basedOn: now, item: old.item }]
        : [{ of: 'drop', id: change.id, basedOn: now }];
    }
    case 'drop': {
      const old = items.find(({ id }) => id === change.id);
      return old ? [{ of: 'keep', id: change.id, after: change.basedOn, item: old.item }] : [];
    }
    case 'free': {
      const old = allotments.find(({ id }) => id === change.id);
      return old ? [{ of: 'allot', allotment: old }] : [];
    }
  }
}
