import { expect, field, put, saved, test } from './server.ts';

test('what it must hold goes in or not, and what binds is said', async ({ page, open }) => {
  await open('Rope roll', 'Brief');
  const must = page.getByRole('complementary', { name: 'Worktop: Brief' });
  const before = await must.getByText(/^[✓✗] /).count();
  await page.getByRole('button', { name: 'A box or book' }).click();
  const said = must.getByText(/^[✓✗] /).nth(before);
  await expect(said).toContainText(/Stands .* above the lowest place of the rim/);
  await put(must.getByLabel('high').nth(before), '20');
  await put(must.getByLabel('wide').nth(before), '15');
  await expect(said).toContainText(/^✓ Goes in; .* leaves /);
  await page.getByRole('radio', { name: 'Filled' }).click();
  await expect(page.getByRole('img', { name: /Inside: [^.]*Folder/ })).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Remove Folder' }).click();
  await expect(must.getByText(/^[✓✗] /)).toHaveCount(before);
  await saved(page);
});

test('which ways of building are searched is the maker’s choice; a cover only when asked for', async ({
  page,
  open,
}) => {
  await open('Clapper pouch', 'Brief');
  await page.getByText(/ways of building$/).click();
  const cover = page.getByRole('checkbox', { name: 'Cover', exact: true });
  await expect(cover).not.toBeChecked();
  await cover.check();
  for (const name of [
    'Boxed',
    'Grown sides',
    'Faces and strip',
    'Fold-over',
    'Gathered',
    'Pinwheel',
    'On point',
  ])
    await page.getByRole('checkbox', { name, exact: true }).uncheck();
  await page.getByRole('button', { name: /Look for bags/ }).click();
  await expect(page.getByRole('status', { name: 'Search' })).toContainText('bags looked at.', {
    timeout: 60_000,
  });
  const answers = page.getByRole('list').filter({ has: page.getByLabel('Keep to compare') });
  await expect(answers.getByText('Cover', { exact: true }).first()).toBeVisible();
  await expect(answers.getByText('Boxed', { exact: true })).toHaveCount(0);
});

test('where nothing reaches the target the nearest are shown, with what would have to give', async ({
  page,
  open,
}) => {
  await open('Market pinwheel', 'Brief');
  await put(field(page, 'Width'), '190');
  await put(field(page, 'Height'), '3');
  await page.getByRole('button', { name: /Look for bags/ }).click();
  await expect(page.getByRole('status', { name: 'Search' })).toContainText('None reaches the target', {
    timeout: 60_000,
  });
  await expect(page.getByText(/(width|height) [\d.]+ cm (small|large)/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
});
