import fc from 'fast-check';
import { expect, test } from 'vitest';
import { LEAST_STEP, stepsOf } from './grip-steps.ts';

test('a grip of 30 mm a step at half a mm a pixel is pulled 60 px for one', () => {
  expect(stepsOf(60, 30, 0.5)).toBe(1);
  expect(stepsOf(-120, 30, 0.5)).toBe(-2);
});

test('where more lies the other way, it is pulled the other way', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -600, max: 600 }),
      fc.double({ min: 0.1, max: 80, noNaN: true }),
      fc.double({ min: 0.1, max: 3, noNaN: true }),
      (pulled, perStep, px) => {
        // Halves go up on either side of nothing.
        if ((2 * pulled) % Math.max(perStep / px, LEAST_STEP) === 0) return;
        expect(stepsOf(pulled, -perStep, px)).toBe(-stepsOf(pulled, perStep, px) || 0);
        expect(Math.abs(stepsOf(pulled, perStep, px))).toBeLessThanOrEqual(Math.abs(pulled) / LEAST_STEP + 1);
      },
    ),
  );
});
