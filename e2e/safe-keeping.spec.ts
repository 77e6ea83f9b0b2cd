import { readFile } from 'node:fs/promises';
import { expect, field, saved, test } from './server.ts';

test('two windows on one bag: a clash is told, mine becomes a copy, theirs stays', async ({
  page,
  open,
  context,
}) => {
  await open('Glove pouch', 'Build');
  const other = await context.newPage();
  await other.goto(page.url());
  const rows = (window: typeof page) => field(window, 'Rows');
  await rows(other).fill('70');
  await saved(other);
  await rows(page).fill('50');
  await expect(page.getByRole('dialog')).toContainText('changed in another window');
  await page.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(page.getByRole('heading', { name: 'Glove pouch (copy)' })).toBeVisible();
  await expect(rows(page)).toHaveValue('50');
  await other.reload();
  await expect(rows(other)).toHaveValue('70');
});

test('two windows on one bag: taking the other leaves mine under undo', async ({ page, open, context }) => {
  await open('Rope roll', 'Build');
  const other = await context.newPage();
  await other.goto(page.url());
  const rounds = (window: typeof page) => field(window, 'Rounds in each square');
  await rounds(other).fill('5');
  await saved(other);
  await rounds(page).fill('3');
  await page.getByRole('button', { name: 'Take the other' }).click();
  await expect(rounds(page)).toHaveValue('5');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(rounds(page)).toHaveValue('3');
  await saved(page);
  await rounds(page).fill('4');
  await saved(page);
});

test('a server killed in the middle of an edit loses nothing', async ({ page, open, server }) => {
  await open('Hymn-sheet cover', 'Build');
  const columns = field(page, 'Columns across');
  await server.kill();
  await columns.fill('6');
  await expect(page.getByRole('alert')).toContainText('The Fennot server does not answer.');
  await expect(page.getByRole('alert')).toContainText('kept in this browser');
  await server.start();
  await saved(page);
  await page.reload();
  await expect(columns).toHaveValue('6');

  // Killed, edited, and the window closed before the server is back.
  await server.kill();
  await columns.fill('5');
  await expect(page.getByRole('alert')).toBeVisible();
  const address = page.url();
  await page.goto('about:blank');
  await server.start();
  await page.goto(address);
  await expect(columns).toHaveValue('5');
  await saved(page);
  await columns.fill('4');
  await saved(page);
});

test('a bag is saved as a file and opened again the same', async ({ page, open }) => {
  await open('Folder satchel', 'Build');
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const download = await downloading;
  expect(download.suggestedFilename()).toBe('folder-satchel.fennot.json');
  const path = await download.path();
  expect(JSON.parse(await readFile(path, 'utf8'))).toMatchObject({ format: 'fennot.bag', version: 1 });

  await page.goto('/');
  await page.getByLabel('Bag file').setInputFiles(path);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Folder satchel');
  await expect(page.getByText('18 squares, 2 panels')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Folder satchel' })).toHaveCount(2);
  await page.getByRole('button', { name: 'Delete Folder satchel' }).first().click();
  await expect(page.getByRole('heading', { name: 'Folder satchel' })).toHaveCount(1);
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
