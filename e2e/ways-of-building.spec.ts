import { expect, field, put, saved, tape, test } from './server.ts';

test('a net of one’s own: pieces taken, folds drawn, edges parted and closed again', async ({
  page,
  open,
}) => {
  await open('Rope roll', 'Build');
  await page.getByRole('button', { name: /Another way/ }).click();
  await page.getByRole('radio', { name: /A net of your own/ }).click();
  const state = page.getByTestId('net-state');
  await expect(state).toContainText('18 pieces, 6 edges open.');
  const net = page.getByRole('region', { name: 'Laid flat' });
  for (const name of ['A1', 'A2', 'A3', 'B1', 'B2', 'B3']) {
    await net.getByRole('button', { name: `Take ${name} away` }).focus();
    await page.keyboard.press('Enter');
  }
  await expect(state).toContainText('12 pieces');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(state).toContainText('13 pieces');
  // A pair of edges went with the squares: the net says what it wants.
  const wants = page.getByRole('list', { name: 'What the net still wants' });
  await expect(wants).toContainText('openings');
  await page.getByRole('radio', { name: 'Folds' }).click();
  await net.getByRole('button', { name: /^Fold line upright\/2: no fold/ }).focus();
  await page.keyboard.press('Enter');
  await expect(net.getByRole('button', { name: /^Fold line upright\/2: folded over/ })).toBeVisible();
  // An edge parted is open, and offered to be closed again once the fold is gone.
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('radio', { name: 'Edges' }).click();
  const meeting = net.getByRole('button', { name: /left edge meets .* left edge/ });
  const before = await meeting.count();
  await meeting.first().focus();
  await page.keyboard.press('Enter');
  await expect(meeting).toHaveCount(before - 2);
  await page.getByRole('button', { name: /Close the .* with only one partner/ }).click();
  await expect(meeting).toHaveCount(before);
  await saved(page);
});

test('a bag of squares is gone on with piece by piece, and measures the same', async ({ page, open }) => {
  await open('Handbell hauler', 'Build');
  const width = await tape(page, 'width');
  await page.getByRole('button', { name: 'Change this net piece by piece' }).click();
  await expect(page.getByTestId('net-state')).toContainText('13 pieces, 8 edges open.');
  expect(await tape(page, 'width')).toBe(width);
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test('a disc is added under Swatch, and two of them make a drum', async ({ page, open }) => {
  await open('Folder satchel', 'Swatch');
  await page.getByRole('combobox', { name: 'Add a motif' }).click();
  await page.getByRole('option', { name: 'Disc', exact: true }).click();
  await expect(page.getByText('stitches round')).toBeVisible();
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('combobox', { name: 'Made of' }).click();
  await page.getByRole('option', { name: 'One piece: Disc' }).click();
  await expect(page.getByText('2 motifs, 1 panel')).toBeVisible();
  const drum = await tape(page, 'height');
  const rounds = field(page, 'Rounds');
  await put(rounds, String(Number(await rounds.inputValue()) + 2));
  await expect(async () => expect(await tape(page, 'height')).toBeGreaterThan(drum)).toPass();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('18 squares, 2 panels')).toBeVisible();
  await saved(page);
});

test('edge rounds and a flap are put on top of any bag', async ({ page, open }) => {
  await open('Glove pouch', 'Build');
  const height = await tape(page, 'height');
  await page.getByRole('combobox', { name: 'Edge rounds along the opening' }).click();
  await page.getByRole('option', { name: 'Yes' }).click();
  await expect(async () => expect(await tape(page, 'height')).toBeGreaterThan(height)).toPass();
  await page.getByRole('combobox', { name: 'Flap' }).click();
  await page.getByRole('option', { name: 'Pointed, by decreases' }).click();
  await expect(page.locator('[data-piece="Flap"]')).toBeVisible();
  await page.getByRole('combobox', { name: 'Flap' }).click();
  await page.getByRole('option', { name: 'None' }).click();
  await expect(page.locator('[data-piece="Flap"]')).toHaveCount(0);
  await saved(page);
});

test('a purse is gathered at its open sides, too, and a waist is drawn in', async ({ page, open }) => {
  await open('Rosette purse', 'Build');
  const opening = await tape(page, 'opening');
  const together = page.getByRole('textbox', { name: 'Stitches worked together at the open sides' });
  await put(together, '2');
  await expect(page.locator('[data-piece="Left band"]')).toBeVisible();
  await expect(async () => expect(await tape(page, 'opening')).toBeGreaterThan(opening)).toPass();
  await page.getByRole('combobox', { name: 'A drawn-in waist' }).click();
  await page.getByRole('option', { name: 'Yes' }).click();
  await expect(page.getByRole('textbox', { name: 'Waist at' })).toHaveValue('70');
  await page.getByRole('combobox', { name: 'A drawn-in waist' }).click();
  await page.getByRole('option', { name: 'No' }).click();
  await put(together, '1');
  await expect(page.locator('[data-piece="Left band"]')).toHaveCount(0);
  await saved(page);
});

test('answers are kept and compared side by side, and one is put on the table', async ({ page, open }) => {
  await open('Market pinwheel', 'Brief');
  await page.getByRole('button', { name: /Look for bags/ }).click();
  const status = page.getByRole('status', { name: 'Search' });
  await expect(status).toContainText('bags looked at.', { timeout: 60_000 });
  const keep = page.getByLabel('Keep to compare');
  await keep.nth(0).check();
  await keep.nth(1).check();
  await page.getByRole('button', { name: 'Compare 2 side by side' }).click();
  const table = page.getByRole('dialog', { name: 'Side by side' }).getByRole('table');
  for (const row of ['width', 'height', 'pieces', 'yarn, about', 'ends to hide', 'hours, about', 'Target'])
    await expect(table.getByRole('row', { name: new RegExp(`^${row}`, 'i') })).toBeVisible();
  await table
    .getByRole('button', { name: /^Take the/ })
    .nth(1)
    .click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});

test('the filled bag is cut open, held up, laid down, and filled more or less', async ({ page, open }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open('Six-bell purse', 'Build');
  await page.getByRole('radio', { name: 'Filled' }).click();
  const said = page.getByTestId('filled');
  await expect(said).toContainText('Holds about', { timeout: 60_000 });
  await expect(page.getByRole('img', { name: /Standing.*Inside: Method book/ })).toBeVisible();
  await page.getByRole('button', { name: 'Inside' }).click();
  await expect(page.getByRole('button', { name: 'Inside' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('radio', { name: 'Held by its rim' }).click();
  await expect(page.getByRole('img', { name: /Held by its rim.*filled: about/ })).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('radio', { name: 'Lying' }).click();
  await expect(page.getByRole('img', { name: /Lying.*filled: about/ })).toBeVisible({ timeout: 60_000 });
  // More in it makes it thicker.
  const bulge = async () => Number(/bulges to ([\d.]+)/.exec((await said.textContent()) ?? '')?.[1]);
  await page.getByRole('radio', { name: 'Standing' }).click();
  await expect(page.getByRole('img', { name: /Standing.*filled: about/ })).toBeVisible({ timeout: 60_000 });
  const before = await bulge();
  const soft = page.getByRole('slider', { name: 'Soft filling, percent' });
  await soft.focus();
  await page.keyboard.press('End');
  await expect(said).toContainText('It fills');
  await expect(said).toContainText('Holds about', { timeout: 60_000 });
  expect(await bulge()).toBeGreaterThan(before);
});

test('an edit while the filled bag is shown fills the other bag', async ({ page, open }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open('Rope roll', 'Build');
  await page.getByRole('radio', { name: 'Filled' }).click();
  const said = page.getByTestId('filled');
  await expect(said).toContainText('Holds about', { timeout: 60_000 });
  const litres = async () => Number(/about ([\d.]+) litres/.exec((await said.textContent()) ?? '')?.[1]);
  const before = await litres();
  // Two columns fewer: pieces that are shown are no longer there.
  const columns = page
    .getByRole('spinbutton', { name: /^Columns/ })
    .or(page.getByLabel(/^Columns/))
    .first();
  await columns.fill('4');
  await columns.press('Enter');
  await expect(page.getByRole('img', { name: /of .* squares?, filled/ })).toBeVisible();
  await expect.poll(litres, { timeout: 60_000 }).toBeLessThan(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(litres, { timeout: 60_000 }).toBe(before);
  await saved(page);
});

test('what does not go in stands beside the bag, and is told', async ({ page, open }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open('Tea-flask sling', 'Build');
  await page.getByRole('radio', { name: 'Filled' }).click();
  await expect(page.getByTestId('filled')).toContainText('Tea flask does not go in.', { timeout: 60_000 });
  // Its cord is drawn: what is left of the mouth is told.
  const mouth = async () =>
    Number(/which is ([\d.]+) cm/.exec((await page.getByTestId('filled').textContent()) ?? '')?.[1]);
  const whole = await mouth();
  await page.getByRole('slider', { name: 'Drawn shut, percent' }).fill('100');
  await expect(page.getByTestId('filled')).toContainText('It fills');
  await expect(page.getByTestId('filled')).toContainText('Holds about', { timeout: 60_000 });
  expect(await mouth()).toBeLessThan(0.4 * whole);
});

test('a zip is closed and opened again on the filled bag', async ({ page, open }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open('Glove pouch', 'Build');
  await page.getByRole('radio', { name: 'Filled' }).click();
  const said = page.getByTestId('filled');
  await expect(said).toContainText('Holds about', { timeout: 60_000 });
  const litres = async () => Number(/about ([\d.]+) litres/.exec((await said.textContent()) ?? '')?.[1]);
  const before = await litres();
  await page.getByRole('button', { name: 'Closed' }).click();
  await expect(page.getByRole('button', { name: 'Closed' })).toHaveAttribute('aria-pressed', 'true');
  await expect(said).toContainText('It fills');
  await expect(said).toContainText('Holds about', { timeout: 60_000 });
  expect(await litres()).toBeLessThan(before);
});
