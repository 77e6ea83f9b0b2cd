import type { Lot } from '@fennot/core';

/** A lot of the stash: two whole balls of cotton, in a colour and a dye lot, with what a test is about. */
export const testLot = (fields: Partial<Lot> = {}): Lot => ({
  yarn: 'Tollbar Cotton DK',
  colourName: 'Reed',
  colour: '#5f8a50',
  weight: 3,
  fibre: 'cotton',
  dyeLot: '7',
  ball: { grams: 50, metres: 115 },
  full: 2,
  parts: [],
  place: '',
  note: '',
  ...fields,
});
