import {
  type AllottedLot,
  allotted,
  type Basket,
  basketsAside,
  type Enough,
  enoughOf,
  type Plan,
  type Stash,
} from '@fennot/core';
import { useMemo } from 'react';
import { useStash } from '../api/holdings.ts';
import { useBagId } from '../open-bag/bag-id.ts';

/** What a bag takes against what is set aside for it. */
export interface EnoughYarn {
  readonly all: readonly Enough[];
  readonly baskets: readonly Basket[];
  /** The stash, lot by lot; nothing until it is there. */
  readonly lots: readonly AllottedLot[] | undefined;
  readonly names: Stash['bags'];
  readonly bag: string | undefined;
}

/** Looks the stash up for the open bag. Until it is there, nothing is set aside. */
export function useEnough({ document, tally }: Plan): EnoughYarn {
  const bag = useBagId();
  const { data } = useStash();
  const lots = useMemo(() => data && allotted(data.lots, data.allotments), [data]);
  const { needs } = tally.effort;
  return useMemo(() => {
    const baskets = bag === undefined || !lots ? [] : basketsAside(document, bag, lots);
    return { all: enoughOf(document, needs, baskets), baskets, lots, names: data?.bags ?? {}, bag };
  }, [document, needs, bag, lots, data]);
}
