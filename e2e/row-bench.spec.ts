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

test('a fabric of one’s own is typed, measured, used for the whole bag, and seen filled', async ({
  page,
  open,
}) => {
  await open('Glove pouch', 'Swatch');
  await page.getByRole('combobox', { name: 'Worked in' }).click();
  await page.getByRole('option', { name: 'Write a fabric of your own ...' }).click();
  const dialog = page.getByRole('dialog');
  const rows = page.getByRole('textbox', { name: 'Rows of My fabric' });
  await rows.click();
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText(
    'Row 1: sc across\nRow 2: (bobble, 4 sc) to last st, sc\nRow 3: inc, sc across',
  );
  await expect(dialog.getByRole('status').first()).toContainText('do not keep their count');
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText('Row 1: sc across\nRow 2: (bobble, 4 sc) to last st, sc\nRow 3: sc across');
  await expect(dialog.getByRole('status').first()).toContainText(
    'It comes out over multiples of 5 and 1 more: 6, 11, 16 ..., and repeats over 3 rows.',
  );
  // The same rows in the other country's words.
  await page.getByRole('combobox', { name: 'Written in' }).click();
  await page.getByRole('option', { name: 'UK terms' }).click();
  await expect(rows).toContainText('Row 2: (bobble, 4 dc) to last 1 st, dc');
  await expect(dialog.getByRole('status').first()).toContainText('multiples of 5 and 1 more');
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole('link', { name: /^Build/ }).click();
  // 48 are no multiple of 5 and 1: the count is said to break the fabric's own, and no multiple is typed.
  await expect(
    page.getByText('This stitch pattern needs a multiple of 5 plus 1: 46 or 51, not 48.'),
  ).toBeVisible();
  await expect(page.getByLabel('Stitch pattern repeats over')).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByText('needs a multiple of 5 plus 1')).toBeVisible();
});

test('a slip in the second of two faces is told at its row, and in the comparison, with what would mend it', async ({
  page,
  open,
}) => {
  await open('Swallow pouch', 'Swatch');
  await page.getByRole('button', { name: 'Rows of Second face, as worked' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('status').first()).toContainText(
    'Row 9 makes 37, not 38 as written: 1 increase more would make 38.',
  );
  await page.getByRole('combobox', { name: 'Compare row by row with' }).click();
  await page.getByRole('option', { name: 'Face', exact: true }).click();
  await expect(page.getByTestId('twins')).toContainText(
    'Row 9 makes 37 in Second face, as worked and 38 in Face. Second face, as worked has 3 increases there, Face 4.',
  );
  // Put right, the two are alike.
  const rows = page.getByRole('textbox', { name: 'Rows of Second face, as worked' });
  await rows.click();
  await rows.getByText('(7 sc, inc) x3, 10 sc (38)').click();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.keyboard.insertText('Row 9: (7 sc, inc) x4, 2 sc (38)');
  await expect(page.getByTestId('twins')).toHaveText('All 30 rows are alike.');
  await expect(dialog.getByRole('status').first()).toContainText('30 rows, all of it comes out.');
});

test('a panel with a narrow middle, a strip and a strap by their rows, each from the interface', async ({
  page,
  open,
}) => {
  await open('Sash clutch', 'Swatch');
  const dialog = page.getByRole('dialog');
  const write = async (panel: string, text: string) => {
    await page.getByRole('button', { name: 'Write a panel' }).click();
    await page.getByRole('textbox', { name: `Rows of ${panel}` }).click();
    await page.keyboard.press('Control+A');
    await page.keyboard.press('Delete');
    if (text !== '') await page.keyboard.insertText(text);
  };
  const close = () => dialog.getByRole('button', { name: 'Close' }).first().click();

  // Sections: the braid, the snug stitch, the braid; Fennot writes the rows over them.
  await write('Panel 1', '');
  await dialog.getByRole('button', { name: /Sections side by side/ }).click();
  await dialog.getByRole('button', { name: 'A section' }).click();
  for (const [section, stitches] of [
    [1, '12'],
    [2, '6'],
    [3, '12'],
  ] as const) {
    await dialog.getByLabel(`Section ${section}`, { exact: true }).fill(stitches);
    await page.keyboard.press('Enter');
  }
  await dialog
    .getByRole('region', { name: 'Sections side by side' })
    .getByRole('button', { name: 'Close' })
    .click();
  await dialog.getByRole('button', { name: /Let Fennot write rows/ }).click();
  await dialog.getByRole('combobox', { name: 'Write' }).click();
  await page.getByRole('option', { name: 'Sections in their fabrics' }).click();
  await dialog.getByLabel('rows', { exact: true }).fill('40');
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Write them below' }).click();
  await expect(dialog.getByRole('textbox', { name: 'Rows of Panel 1' })).toContainText('(30)');
  await expect(dialog.getByRole('img')).toHaveAccessibleName(/draws? the panel in there/);
  await page.keyboard.press('Escape');
  await expect(dialog).toHaveCount(0);

  // A handle on the strap: a panel of its own, carried through.
  await write('Panel 2', 'ch 8\nRow 1: 8 sc\nRows 2-60: sc across');
  await expect(dialog.getByRole('status').first()).toContainText('60 rows, all of it comes out.');
  await close();

  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('combobox', { name: 'Made of' }).first().click();
  await page.getByRole('option', { name: 'By its rows: Panel 1' }).click();
  // Where it is used its rows can be opened, too.
  await page.getByRole('button', { name: 'Rows of Panel 1' }).click();
  await expect(dialog).toContainText('30 → 30');
  await close();
  await page.getByRole('link', { name: /^Finish/ }).click();
  await page.getByRole('combobox', { name: /^(Other s|S)traps$/ }).click();
  await page.getByRole('option', { name: 'One, from side to side' }).click();
  await page.getByRole('combobox', { name: 'Made as' }).click();
  await page.getByRole('option', { name: 'By its rows: Panel 2' }).click();
  await expect(page.getByTestId('strap-plan')).toContainText('Work 60 rows');
  await expect(page.getByText(/The drop below would take \d+ rows/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('strap-plan')).toContainText('Work 60 rows');
  // What is a strap cannot be taken out.
  await page.getByRole('link', { name: /^Swatch/ }).click();
  await expect(page.getByRole('button', { name: 'Take Panel 2 out' })).toBeDisabled();
});

test('a strip by its rows goes round the faces, and what cannot be one is not offered', async ({
  page,
  open,
}) => {
  await open('Puff drum', 'Swatch');
  await page.getByRole('button', { name: 'Write a panel' }).click();
  const dialog = page.getByRole('dialog');
  const rows = dialog.getByRole('textbox', { name: /^Rows of Panel/ });
  const name = (await rows.getAttribute('aria-label'))?.replace('Rows of ', '') ?? '';
  await rows.click();
  await page.keyboard.press('Control+A');
  await page.keyboard.insertText(
    'ch 17\nRow 1: 17 sc\nRow 2: sc, (bobble, sc) to end\nRows 3-70: repeat rows 1-2',
  );
  await expect(dialog.getByRole('status').first()).toContainText('70 rows, all of it comes out.');
  await dialog.getByRole('button', { name: 'Close' }).first().click();
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('combobox', { name: 'Strip made of' }).click();
  // The discs of the bag are worked round: no strip.
  await expect(page.getByRole('option', { name: /^By its rows/ })).toHaveCount(1);
  await page.getByRole('option', { name: `By its rows: ${name}` }).click();
  await expect(page.getByText(/70 rows(;|, as many)/)).toBeVisible();
  await saved(page);
  await page.getByRole('combobox', { name: 'Strip made of' }).click();
  await page.getByRole('option', { name: 'Rows as many as it takes' }).click();
  await expect(page.getByLabel('Stitches across the strip', { exact: true })).toHaveValue('17');
});
