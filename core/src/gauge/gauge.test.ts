import { expect, test } from 'vitest';
import { gaugeOf, heldYarn, tableGauge } from './index.ts';

const yarn = { stitch: 'tall', yarnWeight: 4, strands: 1, hook: 5 } as const;
const usual = (yarnWeight: number, strands: number) => ({
  ...yarn,
  yarnWeight,
  strands,
  hook: heldYarn(yarnWeight, strands).hook,
});

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

test('strands add up by their sections: two are thicker by 1.41, three by 1.73, four by twice', () => {
  const pitch = (strands: number) => tableGauge({ ...usual(3, strands), strands }).pitch.value;
  expect(pitch(2) / pitch(1)).toBeCloseTo(Math.SQRT2, 9);
  expect(pitch(3) / pitch(1)).toBeCloseTo(Math.sqrt(3), 9);
  expect(pitch(4) / pitch(1)).toBeCloseTo(2, 9);
  // 17 low stitches to 10 cm: two strands make 12, between medium (14) and bulky (10); three 9.8, four 8.5.
  expect([1, 2, 3, 4].map((strands) => heldYarn(3, strands).weight.name)).toEqual([
    'light',
    'medium',
    'bulky',
    'super bulky',
  ]);
});

test('the hook changes the gauge: half the hook makes a stitch little more than half as large, and surely less sure', () => {
  const at = (hook: number) => tableGauge({ ...usual(5, 1), hook });
  const { hook } = heldYarn(5, 1);
  // (1/2) ^ 0.85 = 0.555: a square of the same size then takes nearly twice the rounds.
  expect(at(hook / 2).row.value / at(hook).row.value).toBeCloseTo(0.555, 3);
  const relative = (one: ReturnType<typeof at>) => one.pitch.sd / one.pitch.value;
  expect(relative(at(hook / 2))).toBeGreaterThan(relative(at(hook)) * 1.4);
  expect(at(hook * 1.1).pitch.value).toBeGreaterThan(at(hook).pitch.value);
});

test('a count with another hook is shifted, and a guess until it is counted anew', () => {
  const stitches = { count: 30, length: 200 };
  const same = gaugeOf({ ...yarn, stitches });
  const shifted = gaugeOf({ ...yarn, hook: 6, stitches: { ...stitches, hook: 5 } });
  expect(shifted.pitch.origin).toBe('estimated');
  // 1.2 ^ 0.85 = 1.168 times as large.
  expect(shifted.pitch.value / same.pitch.value).toBeCloseTo(1.168, 1);
  expect(shifted.pitch.sd).toBeGreaterThan(2 * same.pitch.sd);
});
