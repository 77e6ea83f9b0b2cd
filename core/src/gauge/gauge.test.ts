import { expect, test } from 'vitest';
import { gaugeOf, heldWeight, tableGauge } from './index.ts';

const yarn = { stitch: 'tall', yarnWeight: 4, strands: 1 } as const;

test('a long count outweighs the table almost wholly', () => {
  // 30 stitches over 200 mm: 6.67 mm a stitch. The table says 100 / 14 = 7.14 with 12 % error; the count
  // is good to sqrt((.25/30)^2 + (1/200)^2 + .012^2) = 1.5 %, so it has over 98 % of the weight.
  const { pitch } = gaugeOf({ ...yarn, stitches: { count: 30, length: 200 } });
  expect(pitch.value).toBeCloseTo(200 / 30, 1);
  expect(pitch.sd / pitch.value).toBeLessThan(0.02);
  expect(pitch.origin).toBe('measured');
});

test('the longer the counted length, the narrower the gauge', () => {
  const sd = (count: number) => gaugeOf({ ...yarn, rows: { count, length: count * 12 } }).row.sd;
  expect(sd(4)).toBeGreaterThan(sd(10));
  expect(sd(10)).toBeGreaterThan(sd(30));
});

test('blocked counts take the place of fresh ones', () => {
  const fresh = { stitches: { count: 20, length: 100 }, rows: { count: 20, length: 100 } };
  const blocked = { stitches: { count: 20, length: 108 }, rows: { count: 20, length: 104 } };
  const { pitch, row } = gaugeOf({ ...yarn, ...fresh, blocked });
  expect(pitch.value).toBeCloseTo(5.4, 1);
  expect(row.value).toBeGreaterThan(5.1);
});

test('two strands held together behave about two classes thicker, and never beyond jumbo', () => {
  expect(heldWeight(3, 2)).toBe(5);
  expect(heldWeight(6, 4)).toBe(7);
  const single = tableGauge({ ...yarn, yarnWeight: 3 }).pitch.value;
  expect(tableGauge({ ...yarn, yarnWeight: 3, strands: 2 }).pitch.value).toBeGreaterThan(single * 1.4);
});
