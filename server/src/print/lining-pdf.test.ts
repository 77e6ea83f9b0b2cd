import { beginDocument, layLining, liningPieces, must, planOf } from '@fennot/core';
import { expect, test } from 'vitest';
import { liningPdf, pagesOf, tilesOf } from './lining-pdf.ts';

const plan = planOf(beginDocument({ name: 'Lined bag' }));

test('a sheet of 400 by 600 mm takes three pages across and three down', () => {
  // 186 by 273 mm of an A4 page are printed: 400 / 186 and 600 / 273, rounded up.
  expect(tilesOf({ width: 400, height: 600 })).toEqual({ across: 3, down: 3 });
  expect(tilesOf({ width: 100, height: 100 })).toEqual({ across: 1, down: 1 });
});

test('a name that lies beyond a page makes no page of its own, however high the bag', async () => {
  const high = planOf({
    ...plan.document,
    construction: {
      family: 'two-faces',
      tuck: 0,
      face: {
        of: 'motifs',
        motif: must(plan.document.motifs[0], 'square').id,
        rounds: 5,
        columns: 2,
        rows: 9,
      },
    },
  });
  const pdf = (await liningPdf(high)).toString('latin1');
  const pages = pagesOf(layLining(liningPieces(high.graph), 10));
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(pages.length);
});

test('the lining is printed over as many pages as its sheet takes, and each is an A4', async () => {
  const pdf = (await liningPdf(plan)).toString('latin1');
  expect(pdf.startsWith('%PDF-')).toBe(true);
  const pages = pagesOf(layLining(liningPieces(plan.graph), 10));
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(pages.length);
  expect(pdf.match(/MediaBox \[0 0 595\.28 841\.89\]/g)).toHaveLength(pages.length);
});

test('every corner of every shape lies on a page, and no page is empty', () => {
  const sheet = layLining(liningPieces(plan.graph), 10);
  const pages = pagesOf(sheet);
  const { across, down } = tilesOf(sheet);
  expect(pages.length).toBeLessThanOrEqual(across * down);
  for (const { x, y } of sheet.pieces.flatMap(({ cutting }) => cutting)) {
    const on = pages.some(
      ({ row, column }) =>
        x >= column * 186 && x <= (column + 1) * 186 && y >= row * 273 && y <= (row + 1) * 273,
    );
    expect(on).toBe(true);
  }
});
