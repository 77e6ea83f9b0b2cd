import type { Page } from '@playwright/test';
import { expect, field, put, saved, test } from './server.ts';

const columns = (page: Page) => field(page, 'Columns round the bag');
const clash = (page: Page) => page.getByRole('dialog', { name: 'This bag was changed in another window' });
const status = (page: Page) => page.getByRole('status', { name: 'Saving' });

/** The same bag in another browser, which has saved nine columns. */
async function nineSavedIn(other: Page, page: Page): Promise<Page> {
  await other.goto(page.url());
  await put(columns(other), '9');
  await saved(other);
  return other;
}

/** Loses the answer to the next save: the server has it, the page never hears. */
async function loseNextAnswer(page: Page): Promise<void> {
  await page.route(
    '**/api/bags/*',
    async (route) => {
      if (route.request().method() !== 'PUT') return route.fallback();
      await route.fetch();
      await route.abort();
    },
    { times: 1 },
  );
}

test('reloaded right after an edit, the edit is there and nobody is accused', async ({ page, open }) => {
  await open('Rope roll');
  for (const [was, next] of [
    ['7', '8'],
    ['8', '9'],
    ['9', '6'],
    ['6', '10'],
  ] as const) {
    await expect(columns(page)).toHaveValue(was);
    await put(columns(page), next);
    await page.reload();
    await expect(columns(page)).toHaveValue(next);
    await saved(page);
    await expect(clash(page)).toHaveCount(0);
  }
});

test('an answer that is lost on the way is asked for again, and is no clash', async ({
  page,
  open,
  stored,
}) => {
  const id = await open('Rope roll');
  await loseNextAnswer(page);
  await put(columns(page), '8');
  await put(columns(page), '9');
  await saved(page);
  await expect(clash(page)).toHaveCount(0);
  expect((await stored(id)).document).toMatchObject({ construction: { body: { columns: 9 } } });

  // Lost, and the page reloaded before it is asked for again.
  await loseNextAnswer(page);
  await put(columns(page), '6');
  await expect(page.getByRole('alert')).toContainText('does not answer');
  await page.reload();
  await expect(columns(page)).toHaveValue('6');
  await saved(page);
  await expect(clash(page)).toHaveCount(0);
});

test('a clash is told, also after a reload in the middle of it; mine becomes a copy, theirs stays', async ({
  page,
  open,
  anotherBrowser,
  stored,
}) => {
  const id = await open('Rope roll');
  const other = await nineSavedIn(await anotherBrowser(), page);
  await put(columns(page), '5');
  await expect(clash(page)).toBeVisible();
  await page.reload();
  await expect(clash(page)).toBeVisible();
  const behind = page.getByRole('textbox', { name: 'Columns round the bag', includeHidden: true });
  await expect(behind).toHaveValue('5');
  expect((await stored(id)).document).toMatchObject({ construction: { body: { columns: 9 } } });
  await page.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(page.getByRole('heading', { name: 'Rope roll (copy)' })).toBeVisible();
  await expect(columns(page)).toHaveValue('5');
  await other.reload();
  await expect(columns(other)).toHaveValue('9');
});

test('taking the other state in a clash leaves mine under undo', async ({ page, open, anotherBrowser }) => {
  await open('Rope roll');
  await nineSavedIn(await anotherBrowser(), page);
  await put(columns(page), '5');
  await page.getByRole('button', { name: 'Take the other' }).click();
  await expect(columns(page)).toHaveValue('9');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(columns(page)).toHaveValue('5');
  await saved(page);
});

test('the same change in two browsers is no clash', async ({ page, open, anotherBrowser }) => {
  await open('Rope roll');
  await nineSavedIn(await anotherBrowser(), page);
  await put(columns(page), '9');
  await saved(page);
  await expect(clash(page)).toHaveCount(0);
});

test('two windows of one browser: the one that rests shows what the other saved', async ({
  page,
  open,
  context,
}) => {
  await open('Rope roll');
  const other = await context.newPage();
  await other.goto(page.url());
  await put(columns(other), '9');
  await expect(columns(page)).toHaveValue('9');
  await saved(page);
  await put(columns(page), '8');
  await expect(columns(other)).toHaveValue('8');
  await expect(clash(other)).toHaveCount(0);
});

test('a server killed in the middle loses nothing, nor does a window closed before it is back', async ({
  page,
  open,
  server,
  context,
}) => {
  await open('Rope roll');
  await server.kill();
  await put(columns(page), '6');
  await expect(page.getByRole('alert')).toContainText('The Fennot server does not answer.');
  await expect(page.getByRole('alert')).toContainText('kept in this browser');
  await expect(status(page)).toHaveText(/Not saved yet/);
  await server.start();
  await saved(page);
  await page.reload();
  await expect(columns(page)).toHaveValue('6');
  await expect(columns(page)).toBeVisible();

  await server.kill();
  await put(columns(page), '5');
  await expect(page.getByRole('alert')).toBeVisible();
  const address = page.url();
  await page.close();
  await server.start();
  // The next window takes it up at once, and does not say that it is saved until it is.
  const next = await context.newPage();
  await next.goto(address);
  await expect(columns(next)).toHaveValue('5');
  await saved(next);
  await next.getByRole('button', { name: 'Undo' }).click();
  await expect(columns(next)).toHaveValue('6');
});

test('two windows with unsaved changes keep one each: the second is told, and becomes a copy', async ({
  page,
  open,
  server,
  context,
}) => {
  await open('Rope roll');
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(columns(other)).toHaveValue('7');
  await server.kill();
  await put(columns(page), '5');
  await put(columns(other), '9');
  for (const window of [page, other]) await expect(window.getByRole('alert')).toBeVisible();
  const address = page.url();
  await page.close();
  await other.close();
  await server.start();
  const next = await context.newPage();
  await next.goto(address);
  // The later one is gone on from; the other waits to be decided on.
  await expect(columns(next)).toHaveValue('9');
  const left = next.getByRole('region', { name: 'Left behind' });
  await expect(left).toContainText('were never saved');
  await left.getByRole('button', { name: 'Keep as a bag of its own' }).click();
  await expect(left).toHaveCount(0);
  await saved(next);
  await next.goto('/');
  await next.getByRole('heading', { name: 'Rope roll (copy)' }).first().click();
  await expect(columns(next)).toHaveValue('5');
});

test('deleted in another window: what is here can be kept, also after a reload', async ({
  page,
  open,
  context,
}) => {
  const id = await open('Rope roll');
  const other = await context.newPage();
  await other.goto('/');
  const card = other.getByRole('listitem').filter({ has: other.locator(`a[href^="/bags/${id}/"]`) });
  await card.getByRole('button', { name: 'Delete Rope roll' }).click();
  await expect(page.getByText('This bag was deleted in another window.')).toBeVisible();
  await put(columns(page), '5');
  await page.reload();
  await expect(columns(page)).toHaveValue('5');
  await expect(page.getByText('This bag was deleted in another window.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep what is here as a new bag' }).click();
  await expect(page.getByRole('heading', { name: 'Rope roll (copy)' })).toBeVisible();
  await expect(columns(page)).toHaveValue('5');
  await saved(page);
});

test('a bag brought back is as it was last saved, not as the list had loaded it', async ({
  page,
  open,
  context,
}) => {
  const id = await open('Rope roll');
  const list = await context.newPage();
  await list.goto('/');
  const card = list.getByRole('listitem').filter({ has: list.locator(`a[href^="/bags/${id}/"]`) });
  await expect(card).toContainText('29.0 cm');
  // The list learns nothing of it: it is not looked at again.
  await put(columns(page), '9');
  await saved(page);
  await card.getByRole('button', { name: 'Delete Rope roll' }).click();
  await expect(page.getByText('This bag was deleted in another window.')).toBeVisible();
  await list.getByRole('button', { name: 'Bring it back' }).click();
  await expect(card).toBeVisible();
  // The window that was told it is gone is told that it is there.
  await saved(page);
  await expect(columns(page)).toHaveValue('9');
  await page.reload();
  await expect(columns(page)).toHaveValue('9');
});

test('a draft that cannot be read is offered where bags are, and never deleted unasked', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await page.evaluate(() => {
    localStorage.setItem('fennot.draft.gone.old-window', '{"basedOn":3,"document":{"half":');
  });
  await page.reload();
  const left = page.getByRole('region', { name: 'Left behind' });
  await expect(left).toContainText('They cannot be read here');
  const downloading = page.waitForEvent('download');
  await left.getByRole('button', { name: 'Export' }).click();
  await downloading;
  await page.reload();
  await expect(left).toBeVisible();
  await left.getByRole('button', { name: 'Throw away ...' }).click();
  await left.getByRole('button', { name: 'Throw them away for good' }).click();
  await expect(left).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('listitem').first()).toBeVisible();
  await expect(left).toHaveCount(0);
});

test('settings that could not be saved are told, and taken back', async ({ page, open }) => {
  await open('Rope roll');
  await page.route('**/api/settings', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.fallback(),
  );
  await page.getByRole('button', { name: 'Settings' }).click();
  await page.getByRole('radio', { name: 'inches' }).click();
  await expect(page.getByText('The settings could not be saved')).toBeVisible();
  await expect(page.getByRole('radio', { name: 'cm', exact: true })).toBeChecked();
});

test('a damaged bag is a card with a sentence and a way out; the others are there', async ({
  page,
  open,
  database,
}) => {
  const id = await open('Rope roll');
  // A version of its own: of the sound one a summary may be under way, and would be kept.
  await database(
    `update bags set document = jsonb_set(document, '{swatches}', '"eaten"'), version = version + 1, summed = null where id = '${id}'`,
  );
  await page.goto('/');
  const card = page.getByRole('listitem').filter({ hasText: 'cannot be shown' });
  await expect(card).toContainText('Rope roll');
  await expect(card).toContainText('This must be a list.');
  await expect(page.getByRole('heading', { name: 'Folder satchel' }).first()).toBeVisible();
  const downloading = page.waitForEvent('download');
  await card.getByRole('button', { name: 'Export' }).click();
  await downloading;
  await page.goto(`/bags/${id}/build`);
  await expect(page.getByRole('heading', { name: '“Rope roll” cannot be shown' })).toBeVisible();
  await database(`delete from bags where id = '${id}'`);
});
