import type { Page } from '@playwright/test';
import { expect, field, put, saved, test } from './server.ts';

/** Puts a list of yarn into the stash, and takes what can be taken. */
async function importStash(page: Page, csv: string | Buffer, take: RegExp) {
  await page.goto('/yarn');
  await expect(page.getByRole('table', { name: 'Stash' })).toBeVisible();
  await page
    .getByLabel('Stash file')
    .setInputFiles({ name: 'basket.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await page.getByRole('button', { name: take }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
}
const colour = (page: Page, name: string) =>
  page.getByRole('list', { name: 'Yarn by colour' }).getByRole('listitem', { name, exact: true });
/** Low and high end of what a colour takes, m. */
async function range(page: Page, name: string): Promise<[number, number]> {
  const text = (await colour(page, name).getByTestId('yarn-need').textContent()) ?? '';
  const found = /\((\d+) m to (\d+) m\)/.exec(text);
  return [Number(found?.[1]), Number(found?.[2])];
}

test('an edge that will be short is told before the first square; a cure, undo, and three squares on the scale', async ({
  page,
  open,
  server,
}) => {
  await importStash(
    page,
    'yarn;colour;dye lot;ball g;ball m;part balls g\nTollbar Cotton DK;Kingfisher;E2E-1;50;115;30\nTollbar Cotton DK;Kingfisher;E2E-2;50;115;8\nTollbar Cotton DK;Foam;E2E-3;50;115;50\n',
    /Take 3 lots/,
  );
  await open('Practice-night tote', 'Finish');
  const own = colour(page, 'Kingfisher');
  await expect(own.getByTestId('yarn-reach')).toBeHidden();
  for (const [name, lots] of [
    ['Kingfisher', ['E2E-1', 'E2E-2']],
    ['Foam', ['E2E-3']],
  ] as const) {
    await colour(page, name).getByRole('button', { name: 'Set yarn aside' }).click();
    for (const lot of lots) {
      const line = page.getByRole('listitem', { name: `${name}, lot ${lot}` });
      // All there is of it.
      await put(
        line.getByRole('textbox', { name: 'Grams for this bag' }),
        { 'E2E-1': '30', 'E2E-2': '8', 'E2E-3': '50' }[lot],
      );
      await line.getByRole('button', { name: 'Set aside', exact: true }).click();
      await expect(line.getByRole('button', { name: 'Free it' })).toBeVisible();
    }
    await page.keyboard.press('Escape');
  }
  await expect(own.getByTestId('yarn-reach')).toContainText(/Kingfisher ends in Edge round \d, \d m short\./);
  await expect(page.getByRole('region', { name: 'The tapes' })).toContainText(/Kingfisher \d m short/);
  await own.getByText('Two dye lots').click();
  await expect(own).toContainText('Lot E2E-2');

  await own.getByRole('button', { name: 'What helps' }).click();
  await page.getByRole('button', { name: 'Do it: Unravel the swatches, and work them up' }).click();
  await expect(own.getByTestId('yarn-reach')).toContainText('Likely');
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
  await expect(own.getByTestId('yarn-reach')).toContainText('short');

  // The more is weighed, the narrower the range.
  const [low, high] = await range(page, 'Kingfisher');
  await page.getByRole('button', { name: 'Weigh something' }).click();
  const dialog = page.getByRole('dialog', { name: 'Weigh something that is done' });
  await put(dialog.getByRole('textbox', { name: 'How many together' }), '3');
  await dialog.getByRole('button', { name: 'Take the weight on the scale from the scale' }).click();
  const scale = page.getByRole('dialog', { name: 'Scale' });
  await expect(scale).toContainText('Nothing lies on it.');
  const link = await scale.getByRole('link', { name: 'Lay something on it' }).getAttribute('href');
  expect(link).toBe(server.scalePage);
  const standIn = await page.context().newPage();
  await standIn.goto(server.scalePage);
  await standIn.getByRole('button', { name: 'Three squares' }).click();
  await page.bringToFront();
  await scale.getByRole('button', { name: 'Take 9.7 g' }).click();
  await expect(dialog.getByRole('textbox', { name: 'On the scale' })).toHaveValue('9.7');
  await dialog.getByRole('button', { name: 'Learn from it' }).click();
  await expect(page.getByRole('list', { name: 'Weighings' })).toContainText(
    /9\.7 g, \d+\.\d g expected; ±25 % became ±\d %/,
  );
  const [lowThen, highThen] = await range(page, 'Kingfisher');
  expect(highThen - lowThen).toBeLessThan(0.6 * (high - low));
  await saved(page);
  await page.reload();
  await expect(page.getByRole('list', { name: 'Weighings' })).toContainText('9.7 g');
});

test('what is too heavy, or lost, is never taken from the scale', async ({ page, open, server }) => {
  await open('Practice-night tote', 'Finish');
  const post = (path: string, data: string) =>
    page.request.post(`${server.scalePage}${path}`, {
      headers: { 'content-type': 'application/json' },
      data,
    });
  await page.getByRole('button', { name: 'Weigh something' }).click();
  await page.getByRole('button', { name: 'Take the weight on the scale from the scale' }).click();
  const scale = page.getByRole('dialog', { name: 'Scale' });
  await post('lay', '6000');
  await expect(scale).toContainText('More lies on it than it can weigh.');
  await expect(scale.getByRole('button', { name: /^Take/ })).toBeHidden();
  await post('clear', '');
  await post('unplug', '3');
  await expect(scale).toContainText('It does not answer. Is it switched on?');
  await expect(scale).toContainText('Nothing lies on it.');
});

test('one ball that two bags want: told in both, and given to the first', async ({ page, open }) => {
  await importStash(
    page,
    'yarn,colour,dye lot,ball g,ball m,full balls\nTollbar Cotton DK,Rust,TWO,50,115,1\n',
    /Take 1 lot/,
  );
  const ask = async (grams: string) => {
    await colour(page, 'Rust').getByRole('button', { name: 'Set yarn aside' }).click();
    const line = page.getByRole('listitem', { name: 'Rust, lot TWO' });
    await put(line.getByRole('textbox', { name: 'Grams for this bag' }), grams);
    await line.getByRole('button', { name: /^(Set aside|Ask for it, too)$/ }).click();
    await expect(line.getByRole('button', { name: 'Free it' })).toBeVisible();
    return line;
  };
  const first = await open('Practice-night tote', 'Finish');
  await ask('40');
  await open('Tower-key wallet', 'Finish');
  const line = await ask('30');
  await expect(line).toContainText('Only 10 g of 30 g: others asked first.');
  await expect(line).toContainText('40 g for Practice-night tote');
  await page.goto(`/bags/${first}/finish`);
  await colour(page, 'Rust').getByRole('button', { name: 'Set yarn aside' }).click();
  await expect(page.getByRole('listitem', { name: 'Rust, lot TWO' })).toContainText(
    '30 g for Tower-key wallet, of which only 10 g is there',
  );
  await page.goto('/yarn');
  await expect(
    page.getByText(
      /Rust, lot TWO is wanted by Practice-night tote and Tower-key wallet: together 70 g of 50 g/,
    ),
  ).toBeVisible();
});

test('the stash: bad rows are named, the others taken; sorted, found, changed together, taken back', async ({
  page,
}) => {
  await page.goto('/yarn');
  await expect(page.getByRole('table', { name: 'Stash' })).toBeVisible();
  await page.getByLabel('Stash file').setInputFiles({
    name: 'basket.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'yarn,colour,grams,ball g,ball m,price\n=Out of the box,Sedge,120,50,100,"4,50"\nOut of the box,Sedge,-3,50,100,\n,Reed,20,,,\n',
    ),
  });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('2 rows are left out');
  await expect(dialog).toContainText('Row 4: yarn:');
  await dialog.getByRole('button', { name: 'Take 1 lot' }).click();
  await page.getByLabel('Look for yarn').fill('sedge box');
  const rows = page.getByRole('table', { name: 'Stash' }).getByRole('row');
  await expect(rows).toHaveCount(2);
  await expect(rows.nth(1)).toContainText('120 g, 240 m');
  await expect(rows.nth(1)).toContainText('€4.50');
  await page.getByRole('checkbox', { name: /Choose Sedge/ }).check();
  const bar = page.getByRole('region', { name: 'What is chosen' });
  await bar.getByLabel('Where they lie').fill('Shed');
  await bar.getByRole('button', { name: 'Put there' }).click();
  await expect(rows.nth(1)).toContainText('Shed');
  await bar.getByRole('button', { name: 'Take them out' }).click();
  await expect(page.getByText('No yarn has all of these words.')).toBeVisible();
  await page.locator('[data-sonner-toast][data-front=true]').getByRole('button', { name: 'Undo' }).click();
  await expect(rows.nth(1)).toContainText('Shed');
  // What it writes, it reads: nothing is new in it.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export CSV' }).click(),
  ]);
  await page.getByLabel('Stash file').setInputFiles(await download.path());
  await expect(page.getByRole('button', { name: 'Nothing to take' })).toBeDisabled();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await page.getByLabel('Look for yarn').fill('');
  await page.getByRole('button', { name: 'Left', exact: true }).click();
  await expect(page.getByRole('columnheader', { name: 'Left' })).toHaveAttribute(
    'aria-sort',
    /descending|ascending/,
  );
});

test('two windows on one lot: who comes late is told, and nothing is overwritten', async ({
  page,
  anotherBrowser,
}) => {
  await importStash(page, 'yarn,colour,dye lot,grams\nOut,Teasel,W,30\n', /Take 1 lot/);
  const other = await anotherBrowser();
  await other.goto('/yarn');
  for (const one of [page, other])
    await one.getByRole('button', { name: 'Change Teasel, Out, lot W' }).click();
  await put(field(page, 'Where it lies'), 'Here');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await put(field(other, 'Where it lies'), 'There');
  await other.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(other.getByRole('alert')).toContainText('changed in another window');
  await other.keyboard.press('Escape');
  await expect(other.getByRole('row').filter({ hasText: 'Teasel' })).toContainText('Here');
});

test('a motif kept in the library: what one bag learns, another is offered, with what would change', async ({
  page,
  open,
}) => {
  await open('Six-bell purse', 'Swatch');
  await page.getByRole('button', { name: 'Keep it in the library' }).last().click();
  await expect(page.getByText('A copy of the library’s')).toBeVisible();
  await saved(page);
  const first = page.url();
  const second = await open('Glove pouch', 'Swatch');
  await page.getByRole('button', { name: 'Add a square' }).click();
  await page.getByRole('combobox', { name: 'A motif of the library' }).click();
  await page.getByRole('option', { name: 'Bell hexagon' }).click();
  await expect(page.getByRole('combobox', { name: 'Motif', exact: true })).toHaveText('Bell hexagon');
  await saved(page);
  await page.goto(first);
  await page.getByRole('button', { name: 'I measured a motif' }).click();
  await page.getByRole('button', { name: 'Teach the library what was learnt here' }).click();
  await expect(page.getByRole('button', { name: 'Teach the library what was learnt here' })).toBeHidden();
  await page.goto(`/bags/${second}/swatch`);
  const offer = page.getByRole('list', { name: 'The library has learnt more' });
  await expect(offer).toContainText('Bell hexagon: 1 more piece measured');
  await offer.getByRole('button', { name: 'Take it' }).click();
  await expect(offer).toBeHidden();
  await page.goto('/motifs');
  await expect(page.getByRole('row').filter({ hasText: 'Bell hexagon' })).toContainText('2 pieces');
});

test('time and cost: a day it is done, and a price that covers yarn, things and hours', async ({
  page,
  open,
  stored,
}) => {
  const id = await open('Practice-night tote', 'Finish');
  await page.getByRole('button', { name: 'When is it done?' }).click();
  await expect(page.getByTestId('finish-date')).toContainText(/it is done about \w{3} \d+ \w+ \d{4}/);
  for (const name of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'])
    await page.getByText(name, { exact: true }).click();
  await expect(page.getByTestId('finish-date')).toContainText(/about Sun /);
  // The last day stays: without one it would never be done.
  await page.getByText('Sun', { exact: true }).click();
  await expect(page.getByTestId('finish-date')).toContainText(/about Sun /);
  await page.getByText('Prices, things and an hour of yours').click();
  await put(field(page, 'A ball of Kingfisher'), '3.99');
  await put(field(page, 'An hour is worth'), '12');
  await page.getByRole('button', { name: 'Something bought for it' }).click();
  await put(field(page, 'for'), '2,50');
  await saved(page);
  const { document } = await stored(id);
  expect(document.money).toMatchObject({ rate: 1200, things: [{ name: 'Lining', cost: 250 }] });
  expect(document.yarns.find(({ colourName }) => colourName === 'Kingfisher')?.ball?.price).toBe(399);
  await expect(page.getByTestId('price')).toHaveText(/^€1\d\d\.\d\d$/);
});
