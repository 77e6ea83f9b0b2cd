import { type Plan, twinsOf } from '@fennot/core';
import { useEffect } from 'react';
import { useArranging } from './arranging.ts';

/** The twins that touch; a walk through them ends when there are no more so many. */
export function useTwins(plan: Plan) {
  const twins = twinsOf(plan);
  const { walk, set } = useArranging();
  useEffect(() => {
    if (walk !== undefined && walk >= twins.length) set({ walk: undefined });
  }, [walk, twins.length, set]);
  return twins;
}
