import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readScaleLine, type ScaleReading, scaleLine, takenFrom } from './index.ts';

test.each([
  ['123.4 g stable', { of: 'reading', reading: { is: 'stable', grams: 123.4 } }],
  ['-3 g stable\r', { of: 'reading', reading: { is: 'stable', grams: -3 } }],
  ['0.0 g moving', { of: 'reading', reading: { is: 'moving', grams: 0 } }],
  ['over', { of: 'reading', reading: { is: 'over' } }],
  ['scale 1 Kitchen scale', { of: 'name', name: 'Kitchen scale' }],
  ['page http://127.0.0.1:4682/', { of: 'page', page: 'http://127.0.0.1:4682/' }],
  ['123,4 g stable', undefined],
  ['12 oz stable', undefined],
  ['1e3 g stable', undefined],
  ['', undefined],
  ['page javascript:alert(1)', undefined],
])('“%s” says %j', (line, says) => {
  expect(readScaleLine(line)).toEqual(says);
});

test('whatever is shown to a tenth of a gram is read as it was', () => {
  const readings: fc.Arbitrary<ScaleReading> = fc.oneof(
    fc.record({
      is: fc.constantFrom('stable' as const, 'moving' as const),
      grams: fc.integer({ min: -9999, max: 99_999 }).map((tenths) => tenths / 10),
    }),
    fc.constant({ is: 'over' as const }),
  );
  fc.assert(
    fc.property(readings, (reading) => {
      expect(readScaleLine(scaleLine(reading))).toEqual({ of: 'reading', reading });
    }),
  );
});

test('no line of any text breaks the reading', () => {
  fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (line) => void readScaleLine(line)));
});

test('only what is stable and above zero is taken', () => {
  expect(takenFrom({ is: 'stable', grams: 14.2 })).toBe(14.2);
  for (const reading of [
    { is: 'stable', grams: 0 },
    { is: 'stable', grams: -0.1 },
    { is: 'moving', grams: 14.2 },
    { is: 'over' },
    { is: 'lost' },
  ] as const)
    expect(takenFrom(reading)).toMatch(/\.$|\?$/);
});
