import { expect, saved, tape, test } from './server.ts';

test('a panel is written by its rows, counted as it is typed, and becomes the faces of the bag', async ({
  page,
  open,
}) => {
  await open('Glove pouch', 'Swatch');
  await page.getByRole('button', { name: 'Write a panel' }).click();
  const rows = page.getByRole('textbox', { name: 'Rows of Panel 1' });
  await rows.click();
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText('ch 30\nRow 1: 30 sc\nRow 2: sc, (bobble, sc) to end\nRows 3-20: sc across');
  // 30 are 1 and 29: pairs do not come out of 29.
  const status = page.getByRole('dialog').getByRole('status');
  await expect(status).toContainText(
    'Line 3: Row 2: What is repeated takes 2 at a time, and there are 29 for it',
  );
  await expect(page.getByRole('dialog')).toContainText('29 → 29');

  await page.keyboard.press('Control+A');
  await page.keyboard.insertText(
    'ch 31\nRow 1: 31 sc\nRow 2: sc, (bobble, sc) to end (31)\nRows 3-20: repeat rows 1-2',
  );
  await expect(status).toContainText('20 rows, all of it comes out.');
  await expect(page.getByRole('dialog').getByRole('img')).toHaveAccessibleName(
    /Panel 1, laid flat.*It lies flat/,
  );
  await page.getByRole('button', { name: 'Close' }).click();

  await page.getByRole('link', { name: /^Build/ }).click();
  const before = await tape(page, 'width');
  await page.getByRole('combobox', { name: 'Made of' }).first().click();
  await page.getByRole('option', { name: 'By its rows: Panel 1' }).click();
  await expect.poll(() => tape(page, 'width')).not.toBe(before);
  await saved(page);
  await page.reload();
  await page.getByRole('link', { name: /^Swatch/ }).click();
  await page.getByRole('button', { name: 'Rows of Panel 1' }).click();
  await expect(page.getByRole('textbox', { name: 'Rows of Panel 1' })).toContainText(
    'Row 2: sc, (bobble, sc) to end (31)',
  );
  // What the bag is made of cannot be taken out, nor left without rows: it says why, and the rows stay to be put right.
  await page.getByRole('textbox', { name: 'Rows of Panel 1' }).click();
  await page.keyboard.press('Control+A');
  await page.keyboard.press('Delete');
  await expect(page.getByRole('dialog').getByRole('status')).toContainText('has no rows yet');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.getByRole('textbox', { name: 'Rows of Panel 1' }).click();
  await page.keyboard.press('Control+Z');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Take Panel 1 out' })).toBeDisabled();
});
