import { describe, expect, test } from 'vitest';
import { DEFICIENT } from './eye.ts';

/** What an eye makes of a colour, linear red, green and blue. */
const through = (eye: keyof typeof DEFICIENT, colour: readonly number[]) =>
  [0, 1, 2].map((row) => colour.reduce((sum, part, i) => sum + part * (DEFICIENT[eye][3 * row + i] ?? 0), 0));
const apart = (p: readonly number[], q: readonly number[]) =>
  Math.hypot(...p.map((part, i) => part - (q[i] ?? 0)));

describe('other eyes', () => {
  test.each(['protan', 'deutan', 'tritan'] as const)('%s sees greys as they are', (eye) => {
    for (const grey of [0, 0.2, 0.7, 1])
      for (const part of through(eye, [grey, grey, grey])) expect(part).toBeCloseTo(grey, 3);
  });

  test('without red or green cones a red and a green that are as light come together, without blue ones they do not', () => {
    const [red, green] = [
      [0.5, 0.1, 0.05],
      [0.1, 0.28, 0.05],
    ];
    const plain = apart(red, green);
    expect(apart(through('deutan', red), through('deutan', green))).toBeLessThan(0.5 * plain);
    expect(apart(through('protan', red), through('protan', green))).toBeLessThan(0.5 * plain);
    expect(apart(through('tritan', red), through('tritan', green))).toBeGreaterThan(0.7 * plain);
  });
});
