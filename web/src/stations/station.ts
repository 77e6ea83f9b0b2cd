import type { Plan } from '@fennot/core';
import type { BagStore } from '../open-bag/store.ts';

/** What every station's worktop is given. */
export interface StationProps {
  readonly plan: Plan;
  readonly store: BagStore;
}

/** The stations in working order. */
export const STATIONS = ['brief', 'swatch', 'build', 'arrange', 'sides', 'joins', 'finish'] as const;
export type Station = (typeof STATIONS)[number];

export const stationName: Record<Station, string> = {
  brief: 'Brief',
  swatch: 'Swatch',
  build: 'Build',
  arrange: 'Arrange',
  sides: 'Sides',
  joins: 'Joins',
  finish: 'Finish',
};
