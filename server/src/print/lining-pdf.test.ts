import { beginDocument, layLining, liningPieces, planOf } from '@fennot/core';
import { expect, test } from 'vitest';
import { liningPdf, tilesOf } from './lining-pdf.ts';

const plan = planOf(beginDocument({ name: 'Lined bag' }));

test('a sheet of 400 by 600 mm takes three pages across and three down', () => {
  // 186 by 273 mm of an A4 page are printed: 400 / 186 and 600 / 273, rounded up.
  expect(tilesOf({ width: 400, height: 600 })).toEqual({ across: 3, down: 3 });
  expect(tilesOf({ width: 100, height: 100 })).toEqual({ across: 1, down: 1 });
});

test('the lining is printed over as many pages as its sheet takes, and each is an A4', async () => {
  const pdf = (await liningPdf(plan)).toString('latin1');
  expect(pdf.startsWith('%PDF-')).toBe(true);
  const { across, down } = tilesOf(layLining(liningPieces(plan.graph), 10));
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(across * down);
  expect(pdf.match(/MediaBox \[0 0 595\.28 841\.89\]/g)).toHaveLength(across * down);
});
