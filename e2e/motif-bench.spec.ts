import { expect, saved, test } from './server.ts';

test('a rose from the ready ones is changed on the Motif bench, and the bag is made of it', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Swatch');
  await page.getByRole('combobox', { name: 'Add a motif' }).click();
  await page.getByRole('option', { name: /Pond rose/ }).click();
  await page.getByRole('button', { name: 'On the Motif bench' }).click();
  const bench = page.getByRole('dialog');
  await expect(bench.getByTestId('motif-facts')).toContainText('6 rounds, 18 a side, 20 loops to join');
  await expect(bench.getByText(/Round 3 on round 1: \(blo sc, ch 3, skip 1\) x8 \(32\)/)).toBeVisible();
  await expect(bench.getByRole('img', { name: 'Chart of Pond rose' })).toBeVisible();
  // Longer arches behind the first petals: four chains instead of three, eight times.
  const third = bench.getByRole('listitem', { name: 'Round 3' });
  await third.getByLabel('Chains of an arch').fill('4');
  await third.getByLabel('Chains of an arch').press('Enter');
  await expect(bench.getByText(/Round 3 on round 1: \(blo sc, ch 4, skip 1\) x8 \(40\)/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(bench).toBeHidden();

  await page.getByRole('link', { name: 'Build' }).click();
  await page.getByRole('combobox', { name: 'Square', exact: true }).click();
  await page.getByRole('option', { name: 'Pond rose' }).click();
  // It comes with all its rounds: with fewer it would still be round.
  await expect(page.getByRole('textbox', { name: 'Rounds in each square' })).toHaveValue('6');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'Rounds in each square' })).toHaveValue('6');
});
