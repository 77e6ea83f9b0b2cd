import type { Page } from '@playwright/test';
import { expect, field, put, test } from './server.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
test.use(PHONE);

/** The lower half of the screen. */
const counter = (page: Page) =>
  page.getByRole('button', { name: /is done$|^Begin( the next)?$|is hidden$|off the hook/ });
const task = (page: Page, name: string) => page.getByRole('link', { name: new RegExp(`^${name}`) }).first();

/** Opens a bag beside the hook. */
async function beside(page: Page, bag: string) {
  await page.goto(`/bags/${bag}/make`);
  await expect(page.getByRole('heading', { name: 'Under way' })).toBeVisible();
}

test('a square is worked round by round, by thumb and space bar, taken back by one, ripped back, and made', async ({
  page,
  open,
}) => {
  const bag = await open('Folder satchel');
  await beside(page, bag);
  await task(page, 'Foam heart').tap();
  await counter(page).tap();
  await expect(page.getByRole('heading', { name: /Round 1/ })).toBeVisible();
  await counter(page).tap();
  await page.locator('main').click({ position: { x: 5, y: 80 } });
  await page.keyboard.press('Space');
  await expect(page.getByRole('heading', { name: /Round 3/ })).toContainText('change to Marigold');
  await page.getByRole('button', { name: 'Back one' }).tap();
  await expect(page.getByRole('heading', { name: /Round 2/ })).toBeVisible();
  for (let i = 0; i < 2; i++) await counter(page).tap();
  await page.getByRole('button', { name: /Rip back/ }).tap();
  await page.getByRole('button', { name: 'One fewer' }).tap();
  await page.getByRole('button', { name: 'Rip back 2 rounds' }).tap();
  await expect(page.getByRole('heading', { name: /Round 2/ })).toBeVisible();
  for (let i = 0; i < 3; i++) await counter(page).tap();
  await expect(page.getByText('1 made, 5 to go.')).toBeVisible();
  // The last round and the piece are one press, and one way back.
  await page.getByRole('button', { name: 'Back one' }).tap();
  await expect(page.getByRole('heading', { name: /Round 4/ })).toBeVisible();
  await counter(page).tap();
  await page.reload();
  await expect(page.getByText('1 made, 5 to go.')).toBeVisible();
  await page.getByRole('link', { name: 'To the table' }).tap();
  await expect(page.getByText('1 of 20 pieces made')).toBeVisible();
});

test('without a connection the strip goes on; then the laptop has every row, once', async ({
  page,
  open,
  anotherBrowser,
}) => {
  const bag = await open('Folder satchel');
  await beside(page, bag);
  await task(page, 'Strip').tap();
  await counter(page).tap();
  const laptop = await anotherBrowser();
  await laptop.setViewportSize({ width: 1280, height: 800 });
  await beside(laptop, bag);
  await expect(task(laptop, 'Strip')).toContainText('row 1 of 156');

  await page.context().setOffline(true);
  for (let row = 1; row <= 39; row++) await counter(page).tap();
  await expect(page.getByText('corner')).toHaveCount(0);
  await expect(page.getByRole('status')).toContainText(/No connection: \d+ steps wait on this device/);
  await expect(page.getByRole('heading', { name: /Row 40/ })).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText(/No connection/)).toHaveCount(0);
  await expect(task(laptop, 'Strip')).toContainText('row 40 of 156');
  // A row on the laptop is heard of on the phone.
  await task(laptop, 'Strip').click();
  await counter(laptop).click();
  await expect(page.getByRole('heading', { name: /Row 41/ })).toBeVisible();
});

test('the server is killed between two rows: both are there when it is back', async ({
  page,
  serverWith,
}) => {
  const server = await serverWith();
  await page.goto(server.url);
  await page
    .getByRole('link', { name: /Folder satchel/ })
    .first()
    .tap();
  await page.getByRole('link', { name: 'Make', exact: true }).tap();
  await task(page, 'Flap').tap();
  await counter(page).tap();
  await counter(page).tap();
  await server.kill();
  await counter(page).tap();
  await expect(page.getByRole('status')).toContainText('No connection');
  await server.start();
  await page.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(page.getByText(/No connection/)).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { name: /Row 3/ })).toBeVisible();
});

test('joins are ticked off one by one, what is done at one go by one press, ends a few at a time', async ({
  page,
  open,
}) => {
  const bag = await open('Folder satchel');
  await beside(page, bag);
  await task(page, 'Run 1').tap();
  await expect(page.getByText(/meets/)).toBeVisible();
  for (let i = 0; i < 3; i++) await counter(page).tap();
  await expect(page.getByText('All of it is done.')).toBeVisible();
  await page.getByRole('button', { name: 'Back one' }).tap();
  await expect(page.getByText('2 of 3 joins')).toBeVisible();
  await page.getByRole('link', { name: 'To the table' }).tap();
  await task(page, 'Hide the ends of the pieces').tap();
  await page.getByRole('button', { name: '8 at once' }).tap();
  await counter(page).tap();
  await expect(page.getByText('9 of 148 hidden')).toBeVisible();
  await page.getByRole('link', { name: 'To the table' }).tap();
  await task(page, 'Block them').tap();
  await counter(page).tap();
  await expect(page.getByText('All of it is done.')).toBeVisible();
});

test('a plan that changes under the hook tells what does not fit, and drops nothing', async ({
  page,
  open,
}) => {
  const bag = await open('Folder satchel');
  await beside(page, bag);
  await task(page, 'Rust heart').tap();
  await page.getByRole('button', { name: 'One is made already' }).tap();
  await page.goto(`/bags/${bag}/build`);
  const rounds = field(page, 'Rounds in each square');
  await put(rounds, '5');
  await page.getByRole('link', { name: 'Make', exact: true }).tap();
  await expect(page.getByRole('region', { name: 'Does not fit the plan' })).toContainText(
    '1 piece of 4 rounds was made; the plan now wants 5 rounds. Either add 1 round to it',
  );
  // Put by it fits; taken back it does not again; planned for, the bag is as it was.
  const misfits = page.getByRole('region', { name: 'Does not fit the plan' });
  await misfits.getByRole('button', { name: 'Put by' }).tap();
  await expect(misfits).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(misfits).toBeVisible();
  // So it does when the plan is changed back.
  await page.goBack();
  await put(rounds, '4');
  await page.getByRole('link', { name: 'Make', exact: true }).tap();
  await expect(page.getByText('1 of 20 pieces made')).toBeVisible();
  await expect(misfits).toBeHidden();
  await page.goBack();
  await put(rounds, '5');
  await page.getByRole('link', { name: 'Make', exact: true }).tap();
  await misfits.getByRole('button', { name: 'Plan for this' }).tap();
  await expect(misfits).toBeHidden();
  await expect(page.getByText('1 of 20 pieces made')).toBeVisible();
});

test('a square that came out small: what could be done is tried on the plan, taken by one press, and taken back by another', async ({
  page,
  open,
  stored,
}) => {
  const bag = await open('Folder satchel');
  await beside(page, bag);
  await task(page, 'Rust heart').tap();
  await page.getByRole('button', { name: 'One is made already' }).tap();
  const card = page.getByRole('region', { name: 'Measure it' });
  await put(card.getByLabel('It measures'), '8');
  await expect(card.getByRole('status')).toContainText('% smaller than expected. With it the bag changes');
  await card.getByRole('radio', { name: /hook for what is still to come/ }).check();
  await card.getByRole('button', { name: 'Take it into the plan' }).tap();
  await expect.poll(async () => (await stored(bag)).document.motifs[0]?.measured.at(-1)?.size).toBe(80);
  const hook = async () => (await stored(bag)).document.swatches[0]?.hook ?? 0;
  await expect.poll(hook).toBeGreaterThan(5);
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect.poll(hook).toBe(5);
  expect((await stored(bag)).document.motifs[0]?.measured.at(-1)?.size).not.toBe(80);
});

test('once a bag was opened here, it opens without the server, goes on, and sends it all when there is one again', async ({
  page,
  serverWith,
}) => {
  const server = await serverWith();
  await page.goto(server.url);
  await page
    .getByRole('link', { name: /Folder satchel/ })
    .first()
    .tap();
  await page.getByRole('link', { name: 'Make', exact: true }).tap();
  await task(page, 'Flap').tap();
  await counter(page).tap();
  // Everything the application is built of is kept by then.
  await page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state);
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller?.state), { timeout: 60_000 })
    .toBe('activated');
  await server.kill();
  await page.reload();
  await expect(page.getByRole('heading', { name: /Row 1/ })).toBeVisible();
  for (let row = 1; row <= 3; row++) await counter(page).tap();
  await expect(page.getByRole('status')).toContainText('No connection');
  // The list says that it cannot be had, and what can.
  await page.goto(server.url);
  await page
    .getByRole('region', { name: 'Opened here before' })
    .getByRole('link', { name: 'Folder satchel' })
    .tap();
  await task(page, 'Flap').tap();
  await expect(page.getByRole('heading', { name: /Row 4/ })).toBeVisible();
  await server.start();
  await page.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(page.getByText(/No connection/)).toHaveCount(0);
  const { bags } = await (await fetch(`${server.url}/api/bags?search=Folder`)).json();
  const { events } = await (await fetch(`${server.url}/api/bags/${bags[0].id}/events`)).json();
  expect(events).toHaveLength(4);
});
