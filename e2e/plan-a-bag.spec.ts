import { allSteps, expect, field, put, saved, tape, test } from './server.ts';

test('from nothing to a joining order for a bag of one’s own size', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Folder satchel' }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Begin a bag' }).click();
  await field(page, 'Name').fill('Music bag');
  await field(page, 'Width').fill('30');
  await field(page, 'Height').fill('28 cm');
  await page.getByRole('button', { name: 'Lay it on the table' }).click();

  await expect(page.getByRole('heading', { name: 'Music bag' })).toBeVisible();
  const range = page.getByTestId('tape-width');
  const widthOf = async () => {
    const [, low = '0', high = '0'] = /([\d.]+)–([\d.]+)/.exec((await range.textContent()) ?? '') ?? [];
    return Number(high) - Number(low);
  };
  const before = await widthOf();
  await page.getByRole('button', { name: 'I measured a square' }).click();
  await put(field(page, 'side'), '10.2');
  await expect.poll(widthOf).toBeLessThan(before / 2);

  await page.getByRole('link', { name: /^Build/ }).click();
  await put(field(page, 'Columns round the bag'), '8');
  const { width, pieces } = { width: await tape(page, 'width'), pieces: page.getByText(/^\d+ squares$/) };
  expect(width).toBeGreaterThan(20);
  await expect(pieces).toHaveText(/^(16|24|32) squares$/);

  await page.getByRole('link', { name: /^Joins/ }).click();
  const steps = page.getByRole('region', { name: 'Steps' });
  await expect(steps).toContainText('meets');
  const words = await allSteps(page);
  expect(words).toContain('insertions in each');
  expect(words).toContain('Fold the work');
  await expect(steps.getByRole('listitem').last()).toContainText('fasten off');
  await saved(page);
});

test('counts are typed, pulled on the net, undone in one step and kept through a reload', async ({
  page,
  open,
}) => {
  await open('Rope roll', 'Build');
  const columns = field(page, 'Columns round the bag');
  await expect(columns).toHaveValue('7');
  const start = await tape(page, 'width');

  const grip = page.locator('[data-grip="columns"]');
  const box = await grip.boundingBox();
  if (!box) throw new Error('no grip');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (const far of [20, 50, 90, 130]) await page.mouse.move(x - far, y);
  await page.mouse.up();
  await expect(columns).not.toHaveValue('7');
  expect(await tape(page, 'width')).toBeLessThan(start);
  await saved(page);
  const pulled = await columns.inputValue();

  await page.reload();
  await expect(columns).toHaveValue(pulled);
  await put(columns, '9');
  await page.keyboard.press('Control+z');
  await expect(columns).toHaveValue(pulled);
  await page.keyboard.press('Control+y');
  await expect(columns).toHaveValue('9');
  await put(columns, '7');
  await expect.poll(() => tape(page, 'width')).toBe(start);
  await saved(page);
});

test('one pull of a grip is one step of undo', async ({ page, open }) => {
  await open('Outing box', 'Build');
  const rows = field(page, 'Front: rows of squares');
  const grip = page.locator('[data-grip="front-rows"]');
  const box = await grip.boundingBox();
  if (!box) throw new Error('no grip');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (const far of [40, 80, 120, 160]) await page.mouse.move(x, y - far);
  await page.mouse.up();
  expect(Number(await rows.inputValue())).toBeGreaterThan(3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rows).toHaveValue('2');
  await saved(page);
});

test('a flag pulled on its tape moves the target', async ({ page, open }) => {
  await open('Glove pouch', 'Brief');
  const width = field(page, 'Width');
  await expect(width).toHaveValue('22.0');
  const box = await page.locator('[data-flag="width"]').boundingBox();
  if (!box) throw new Error('no flag');
  await page.mouse.move(box.x + 8, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + 8, { steps: 4 });
  await page.mouse.up();
  expect(Number(await width.inputValue())).toBeGreaterThan(22);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(width).toHaveValue('22.0');
});

test('a strip four rows short is told, marked, and mended with one press', async ({ page, open }) => {
  await open('Junior ringer', 'Sides');
  const verdict = page.getByTestId('strip-verdict');
  // By count the strip has a row end for each stitch; by length it was stopped too early.
  await expect(verdict).toContainText('by length it is 4 rows short, 4.4 % stretched');
  await expect(page.getByRole('row', { name: /corner/ })).toHaveCount(2);
  await page.getByRole('button', { name: 'Add 4 rows: by length' }).click();
  await expect(verdict).toContainText('91 rows. It comes out by length');
  await expect(page.getByRole('button', { name: /Front, bottom/ })).toContainText('invisible');
  await page.getByRole('button', { name: /Front, bottom/ }).click();
  await expect(page.getByText(/Take two loops of Strip with one of Front at insertion/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(verdict).toContainText('4 rows short');
  await saved(page);
});

test('the schools differ in ends, and the steps are played on both drawings', async ({ page, open }) => {
  await open('Rope roll', 'Joins');
  const school = (name: string) => page.getByRole('radio', { name: new RegExp(name) });
  await expect(school('All lines one way')).toContainText('18 ends');
  await expect(school('Strips first')).toContainText('42 ends');
  await expect(school('any order')).toContainText('8 ends');
  await school('Strips first').click();
  await expect(page.getByText('21', { exact: true }).first()).toBeVisible();
  const steps = page.getByRole('region', { name: 'Steps' });
  await expect(steps).toContainText('step 1 of');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'One step on' }).click();
  await expect(steps.locator('[aria-current="step"]')).toContainText('meets');
  await page.locator('body').press('.');
  await expect(steps).toContainText('step 3 of');
  await page.locator('body').press(',');
  await expect(steps).toContainText('step 2 of');
  await school('All lines one way').click();
  await saved(page);
});

test('pointing at a piece says what it meets; arrow keys walk over the net', async ({ page, open }) => {
  await open('Folder satchel', 'Build');
  await page.locator('[data-piece="Front B2"]').hover();
  const flat = page.getByRole('region', { name: 'Laid flat' });
  await expect(flat).toContainText('Front B2: Ringing square, 4 rounds, 14 loops a side.');
  await expect(flat).toContainText('Meets Front A2, Front B1, Front B3, Front C2');
  await page.mouse.move(5, 5);
  await page.getByRole('application').focus();
  await page.keyboard.press('ArrowRight');
  await expect(flat).toContainText('Front A1:');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowDown');
  await expect(flat).toContainText('Front B2:');
});

test('from the target to bags that reach it, one of them put on the table', async ({ page, open }) => {
  await open('Rope roll', 'Brief');
  await page.getByRole('button', { name: 'Look for bags of this size' }).click();
  await expect(page.getByRole('status', { name: 'Search' })).toContainText(/bags looked at\./, {
    timeout: 30_000,
  });
  const answers = page.getByRole('complementary').getByRole('listitem');
  expect(await answers.count()).toBeGreaterThanOrEqual(3);
  await expect(page.getByRole('img', { name: /^Wrap-round bag made up/ })).toBeVisible();
  const other = answers.filter({ hasNotText: 'Wrap-round' }).first();
  await other.getByRole('button').click();
  await expect(other.getByRole('button')).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('img', { name: /^Wrap-round bag made up/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('img', { name: /^Wrap-round bag made up/ })).toBeVisible();
  await saved(page);
});

test('the bag is filled in three dimensions and scrubbed back to flat', async ({ page, open }) => {
  // Drawn by the processor alone, every frame on the way costs more than the filling itself.
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open('Tower-key wallet', 'Build');
  await page.getByRole('radio', { name: 'Filled' }).click();
  await expect(page.getByTestId('filled')).toContainText('litres', { timeout: 150_000 });
  await expect(page.getByRole('img', { name: /filled: about/ })).toBeVisible();
  const scrub = page.getByRole('slider', { name: 'From flat to filled' });
  await scrub.focus();
  await page.keyboard.press('Home');
  await expect(scrub).toHaveValue('0');
  await page.getByRole('radio', { name: 'Front' }).click();
  await expect(page.getByTestId('filled')).toHaveCount(0);
});

test('every way of building can be chosen, and comes to a joining order', async ({ page, open }) => {
  await open('Outing box', 'Build');
  const ways = page.getByRole('radiogroup', { name: 'Way of building' }).getByRole('radio');
  const another = page.getByRole('button', { name: /Another way/ });
  await another.click();
  const count = await ways.count();
  expect(count).toBe(13);
  for (let i = 0; i < count; i++) {
    if (i > 0) await another.click();
    const name = (await ways.nth(i).innerText()).trim();
    const chosen = await ways.nth(i).isChecked();
    if (chosen) await page.getByRole('button', { name: /Keep this way/ }).click();
    else await ways.nth(i).click();
    await expect(another).toContainText(name);
    await expect(page.getByTestId('tape-width')).toContainText(/\d/);
    await page.getByRole('link', { name: /^Joins/ }).click();
    await expect(page.getByRole('region', { name: 'Steps' })).toContainText('meets');
    await page.getByRole('link', { name: /^Build/ }).click();
  }
});
