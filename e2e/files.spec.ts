import { readFile } from 'node:fs/promises';
import { expect, test } from './server.ts';

test('a bag is saved as a file and opened again the same', async ({ page, open }) => {
  await open('Folder satchel', 'Build');
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const download = await downloading;
  expect(download.suggestedFilename()).toBe('folder-satchel.fennot.json');
  const path = await download.path();
  expect(JSON.parse(await readFile(path, 'utf8'))).toMatchObject({ format: 'fennot.bag', version: 2 });

  await page.goto('/');
  await page.getByLabel('Bag file').setInputFiles(path);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Folder satchel');
  await expect(page.getByText('18 squares, 2 panels')).toBeVisible();
});

test('a file that is not a bag is refused with what is wrong, and nothing is added', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('listitem').first()).toBeVisible();
  const before = await page.getByRole('listitem').count();
  const offer = (name: string, text: string) =>
    page
      .getByLabel('Bag file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  const dialog = page.getByRole('dialog');
  for (const [text, says] of [
    ['{"format":"fennot.bag","version":1,"name":"x', 'breaks off'],
    ['{"format":"fennot.bag","version":7}', 'newer Fennot'],
    ['{"hello":1}', 'not a Fennot bag'],
    ['{"format":"fennot.bag","version":1,"name":""}', 'name: A name cannot be empty.'],
  ] as const) {
    await offer('mine.json', text);
    await expect(dialog).toContainText(says);
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
  }
  expect(await page.getByRole('listitem').count()).toBe(before);
});

test('an address without a bag says so', async ({ page }) => {
  await page.goto('/bags/00000000-0000-4000-8000-000000000000');
  await expect(page.getByRole('heading', { name: 'There is no such bag' })).toBeVisible();
  await page.getByRole('link', { name: 'To all bags' }).click();
  await expect(page.getByRole('heading', { name: 'Bags' })).toBeVisible();
});
