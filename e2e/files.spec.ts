import { readFile } from 'node:fs/promises';
import { expect, test } from './server.ts';

test('a bag is saved as a file and opened again the same', async ({ page, open }) => {
  await open('Folder satchel', 'Build');
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const download = await downloading;
  expect(download.suggestedFilename()).toBe('folder-satchel.fennot.json');
  const path = await download.path();
  expect(JSON.parse(await readFile(path, 'utf8'))).toMatchObject({ format: 'fennot.bag', version: 7 });

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
    ['{"format":"fennot.bag","version":8}', 'newer Fennot'],
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

test('of many bags one is found by its name, and they stand in the order that is chosen', async ({
  page,
  request,
}) => {
  const like = await (await request.get('/api/bags?search=Rope')).json();
  const { document } = await (await request.get(`/api/bags/${like.bags[0].id}`)).json();
  const ids = Array.from({ length: 60 }, () => crypto.randomUUID());
  for (const [i, id] of ids.entries())
    await request.post('/api/bags', {
      data: { id, document: { ...document, name: `Zz shelf ${String(i).padStart(2, '0')}` } },
    });
  await page.goto('/');
  const search = page.getByLabel('Look for a bag by its name');
  const cards = page.getByRole('listitem');
  await search.fill('ZZ SHELF 4');
  await expect(page.getByText('10 bags', { exact: true })).toBeVisible();
  await expect(cards).toHaveCount(10);
  await search.fill('zz shelf');
  await page.getByRole('radio', { name: 'By name' }).click();
  await expect(cards.first()).toContainText('Zz shelf 00');
  await expect(page.getByText('60 bags', { exact: true })).toBeVisible();
  // Not all of them are there; the last one is when one comes to it, on the second page.
  expect(await cards.count()).toBeLessThan(40);
  await expect(async () => {
    await page.mouse.wheel(0, 3000);
    await expect(page.getByRole('heading', { name: 'Zz shelf 59' })).toBeVisible({ timeout: 300 });
  }).toPass();
  await search.fill('no such bag anywhere');
  await expect(page.getByText('No bag is called anything with “no such bag anywhere”.')).toBeVisible();
  for (const id of ids) await request.delete(`/api/bags/${id}`);
});

test('an address without a bag says so', async ({ page }) => {
  await page.goto('/bags/00000000-0000-4000-8000-000000000000');
  await expect(page.getByRole('heading', { name: 'There is no such bag' })).toBeVisible();
  await page.getByRole('link', { name: 'To all bags' }).click();
  await expect(page.getByRole('heading', { name: 'Bags' })).toBeVisible();
});
