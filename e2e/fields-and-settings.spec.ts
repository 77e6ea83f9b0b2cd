import { expect, field, put, saved, tape, test } from './server.ts';

test('what cannot be read stays as typed with the reason, and nothing else breaks', async ({
  page,
  open,
}) => {
  await open('Rope roll', 'Build');
  const width = await tape(page, 'width');
  const columns = field(page, 'Columns round the bag');
  for (const [text, says] of [
    ['0', 'must be at least 1'],
    ['-3', 'must be at least 1'],
    ['999999999', 'cannot be more than 40'],
    ['NaN', '“NaN” is not a number'],
    ['seven', '“seven” is not a number'],
    ['2.5', 'must be a whole number'],
    ['', 'Type a number'],
  ] as const) {
    await put(columns, text);
    await expect(page.getByRole('alert')).toContainText(says);
    await expect(columns).toHaveValue(text);
    expect(await tape(page, 'width')).toBe(width);
  }
  await put(columns, '7');
  await expect(page.getByRole('alert')).toHaveCount(0);

  await page.getByRole('link', { name: /^Brief/ }).click();
  const target = field(page, 'Width');
  for (const [text, says] of [
    ['wide', 'is not a length'],
    ['0', 'more than zero'],
    ['90000', 'cannot be more than'],
  ] as const) {
    await put(target, text);
    await expect(page.getByRole('alert')).toContainText(says);
  }
  await put(target, '11 1/2 in');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await target.blur();
  await expect(target).toHaveValue('29.2');
  await put(target, '29');
  await saved(page);
});

test('a count that breaks the multiple, and a swatch of one row, are told at their place', async ({
  page,
  open,
}) => {
  await open('Glove pouch', 'Build');
  const multiples = page.getByText(/needs a multiple of 4 plus 1/);
  const stitches = field(page, 'Stitches in a row');
  await put(stitches, '40');
  await expect(multiples).toContainText('37 or 41, not 40');
  await put(stitches, '41');
  await expect(multiples).toHaveCount(0);

  await page.getByRole('link', { name: /^Swatch/ }).click();
  const rows = field(page, 'Rows counted');
  await put(rows, '1');
  await expect(page.getByRole('alert')).toContainText('must be at least 2');
  await put(rows, '24');
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a strip longer than its way is told', async ({ page, open }) => {
  await open('Folder satchel', 'Sides');
  await page.getByLabel('Rows of the strip').click();
  await page.getByRole('option', { name: 'As many as I say' }).click();
  await put(field(page, 'Rows'), '180');
  await expect(page.getByTestId('strip-verdict')).toContainText('24 rows too long');
  await page.getByRole('button', { name: 'Leave out 24 rows: by length' }).click();
  await expect(page.getByTestId('strip-verdict')).toContainText('It comes out by length');
  await saved(page);
});

test('US or UK, centimetres or inches, light or dark govern every label', async ({ page, open }) => {
  await open('Junior ringer', 'Joins');
  await expect(page.getByRole('combobox', { name: 'Joined by' })).toHaveText('Single crochet ridge');
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('radio', { name: 'UK' }).click();
  await page.getByRole('radio', { name: 'inches' }).click();
  await page.getByRole('radio', { name: 'Dark' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('combobox', { name: 'Joined by' })).toHaveText('Double crochet ridge');
  await expect(page.getByTestId('tape-width')).toContainText(/^10 in/);
  await expect(page.getByRole('region', { name: 'Steps' })).toContainText('yd');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.getByRole('link', { name: /^Swatch/ }).click();
  await expect(page.getByRole('combobox', { name: 'Stitch', exact: true })).toHaveText('half treble crochet');
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('radio', { name: 'US' }).click();
  await page.getByRole('radio', { name: 'cm' }).click();
  await page.getByRole('radio', { name: 'As the device' }).click();
  await expect(page.getByTestId('tape-width')).toContainText('cm');
});
