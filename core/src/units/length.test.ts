import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { formatLength, hookName, lengthFigure, parseLength } from './index.ts';

const value = (text: string, system: 'cm' | 'in') => {
  const parsed = parseLength(text, system);
  return parsed.ok ? Math.round(parsed.value * 1000) / 1000 : parsed.error;
};

describe('reading lengths', () => {
  test.each([
    ['36', 'cm', 360],
    ['36,5 cm', 'cm', 365],
    ['360 mm', 'in', 360],
    ['14', 'in', 355.6],
    ['14 1/2', 'in', 368.3],
    ['14½"', 'cm', 368.3],
    ['3/4 in', 'cm', 19.05],
    [' -2 cm', 'cm', -20],
  ] as const)('%s as %s', (text, system, mm) => {
    expect(value(text, system)).toBe(mm);
  });

  test.each(['', 'wide', '12 13', '1.5 1/2 in', 'NaN', '1/0 in', '5 ft'])(
    'refuses “%s” in a sentence',
    (text) => {
      expect(value(text, 'cm')).toMatch(/\.$/);
    },
  );

  test('what is written in centimetres is read back within half a millimetre', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (length) => {
        const back = parseLength(formatLength(length, 'cm'), 'cm');
        expect(back.ok && Math.abs(back.value - length)).toBeLessThanOrEqual(0.5000001);
      }),
    );
  });

  test('what is written in inches is read back within a sixteenth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (length) => {
        const back = parseLength(formatLength(length, 'in'), 'in');
        expect(back.ok && Math.abs(back.value - length)).toBeLessThanOrEqual(25.4 / 16 + 1e-6);
      }),
    );
  });
});

test('inches are written to the nearest eighth, carrying over to the next inch', () => {
  expect(lengthFigure(14.375 * 25.4, 'in')).toBe('14 ⅜');
  expect(lengthFigure(0.97 * 25.4, 'in')).toBe('1');
  expect(lengthFigure(0.25 * 25.4, 'in')).toBe('¼');
  expect(lengthFigure(0, 'in')).toBe('0');
});

test('a hook has its US letter where there is one', () => {
  expect(hookName(5)).toBe('5 mm (H-8)');
  expect(hookName(4.25)).toBe('4.25 mm');
});
