import { expect, test } from './server.ts';

test('the net is walked by keys: pieces, edges, and over to the edge that meets', async ({ page, open }) => {
  await open('Rope roll', 'Build');
  const net = page.getByRole('application', { name: /Net of \d+ pieces/ });
  const said = page.getByRole('region', { name: 'Laid flat' }).locator('p');
  await net.focus();
  await page.keyboard.press('ArrowRight');
  await expect(said).toContainText(/^A1: /);
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(said).toContainText('A1, right edge: meets A2, left edge');
  await page.keyboard.press('m');
  await expect(said).toContainText('A2, left edge: meets A1, right edge');
  await page.keyboard.press('ArrowDown');
  await expect(said).toContainText(/^B2: /);
});

test('all keys are on one sheet, and a number goes to its station', async ({ page, open }) => {
  await open('Rope roll', 'Build');
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys' });
  await expect(sheet).toContainText('Go to the edge that meets this one');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await page.keyboard.press('6');
  await expect(page.getByRole('complementary', { name: 'Worktop: Joins' })).toBeVisible();
  // Typed into a field a number is a number.
  await page.keyboard.press('3');
  const columns = page.getByLabel('Columns', { exact: false }).first();
  await columns.focus();
  await page.keyboard.press('5');
  await expect(page.getByRole('complementary', { name: 'Worktop: Build' })).toBeVisible();
});

test('anything is found by its name, and undone from there', async ({ page, open }) => {
  await open('Folder satchel', 'Build');
  await page.keyboard.press('Control+k');
  const finder = page.getByRole('dialog');
  await finder.getByRole('combobox').fill('back, bottom');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Worktop: Sides' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Laid flat' }).locator('p')).toContainText('Back, bottom:');
  await page.getByRole('button', { name: 'Find' }).click();
  await finder.getByRole('combobox').fill('nothing like it');
  await expect(finder).toContainText('Nothing here is called that.');
  await finder.getByRole('combobox').fill('finish');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Worktop: Finish' })).toBeVisible();
});
