import { readFile } from 'node:fs/promises';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import { expect, field, put, saved, test } from './server.ts';

const STRONG = 'seven herons on the weir';
const OTHER = 'nine eels under the lode';
const PHONE: BrowserContextOptions = {
  viewport: { width: 390, height: 844 },
  hasTouch: true,
  isMobile: true,
};

/** Makes the local maker's machine an account's. */
async function makeMine(page: Page, url: string, name = 'Rowan') {
  await page.goto(`${url}/settings`);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.getByLabel('Password', { exact: true }).fill(STRONG);
  await page.getByRole('button', { name: 'Make it mine' }).click();
  await expect(page.getByRole('heading', { name: 'Devices' })).toBeVisible();
}

/** Signs in on the page before one is in, or over an open one; waits until that is done, unless it is to be refused. */
async function signIn(page: Page, name: string, password: string, { refused = false } = {}) {
  const form = page
    .locator('form')
    .filter({ has: page.getByRole('button', { name: 'Sign in', exact: true }) });
  await form.getByLabel('Name', { exact: true }).fill(name);
  await form.getByLabel('Password', { exact: true }).fill(password);
  await form.getByRole('button', { name: 'Sign in', exact: true }).click();
  if (!refused) await expect(page.getByRole('heading', { name: /^Sign(ed out| in)$/ })).toHaveCount(0);
}

async function signOut(page: Page, url: string) {
  await page.goto(`${url}/settings`);
  await page.getByRole('button', { name: 'Sign out on this device' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
}

/** A page in a browser of its own. */
async function elsewhere(browser: Browser, options: BrowserContextOptions = {}): Promise<Page> {
  const context = await browser.newContext({ ignoreHTTPSErrors: true, ...options });
  return context.newPage();
}

/** Opens a demo bag where its name is. */
async function openBrief(page: Page) {
  await demoBag(page).click();
  await page.getByRole('link', { name: /^Brief/ }).click();
  await saved(page);
}

const demoBag = (page: Page) => page.getByRole('link', { name: /Folder satchel/ }).first();

test('the local maker becomes an account, keeps every bag, goes out and comes in again', async ({
  page,
  browser,
  serverWith,
}) => {
  const { url } = await serverWith();
  await page.goto(url);
  await expect(demoBag(page)).toBeVisible();
  await makeMine(page, url);
  await page.goto(url);
  await expect(demoBag(page)).toBeVisible();
  // Another browser of this machine is told nothing any more, not even names.
  const other = await elsewhere(browser);
  await other.goto(url);
  await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect(await other.content()).not.toContain('purse');
  await signOut(page, url);
  await signIn(page, 'ROWAN', OTHER, { refused: true });
  await expect(page.getByRole('alert')).toHaveText('There is no such name with that password.');
  await signIn(page, 'ROWAN', STRONG);
  await page.getByRole('link', { name: 'Bags', exact: true }).click();
  await expect(demoBag(page)).toBeVisible();
  await other.context().close();
});

test('a laptop and a phone on one home network work on the same bag', async ({
  page: _,
  browser,
  serverWith,
}) => {
  const server = await serverWith({ FENNOT_HOST: '0.0.0.0' });
  const url = `https://localhost:${server.port}`;
  const laptop = await elsewhere(browser);
  await laptop.goto(url);
  await expect(laptop.getByRole('heading', { name: 'Make this Fennot yours' })).toBeVisible();
  const [, code = ''] = /first account: (\S+)/.exec(server.said) ?? [];
  await laptop.getByLabel('Code', { exact: true }).fill(code);
  await laptop.getByLabel('Name', { exact: true }).fill('Rowan');
  await laptop.getByLabel('Password', { exact: true }).fill(STRONG);
  await laptop.getByRole('button', { name: 'Make it mine' }).click();
  await expect(demoBag(laptop)).toBeVisible();

  await laptop.getByRole('link', { name: 'Settings' }).click();
  await laptop.getByRole('button', { name: 'Join a phone' }).click();
  const shown = laptop.getByLabel('Code', { exact: true });
  await expect(shown).toHaveText(/^[0-9A-Z]{5}-[0-9A-Z]{5}$/);
  await expect(laptop.getByText(/Good once, for 1:\d\d more/)).toBeVisible();
  const phone = await elsewhere(browser, PHONE);
  // As the pattern has it: behind the #, where no server sees it.
  const asked: string[] = [];
  phone.on('request', (request) => asked.push(request.url()));
  await phone.goto(`${url}/join#${(await shown.innerText()).replace('-', '')}`);
  await phone.getByLabel('Name of this device').fill('Phone by the hook');
  expect(phone.url()).toBe(`${url}/join`);
  await phone.getByRole('button', { name: 'Join', exact: true }).tap();
  await expect(demoBag(phone)).toBeVisible();
  expect(asked.every((one) => !one.includes('#') && !/[0-9A-Z]{10}/.test(new URL(one).pathname))).toBe(true);
  await expect(laptop.getByRole('status')).toContainText('Phone by the hook has joined');
  await laptop.getByRole('button', { name: 'Done' }).click();

  // The same bag on both: what the phone changes, the laptop shows.
  await demoBag(phone).tap();
  await expect(phone).toHaveURL(/\/bags\//);
  const bag = new URL(phone.url()).pathname;
  await laptop.goto(`${url}${bag}`);
  await phone.getByRole('link', { name: /^Brief/ }).tap();
  await put(field(phone, 'Name'), 'From the phone');
  await saved(phone);
  await laptop.bringToFront();
  await laptop.evaluate(() => window.dispatchEvent(new Event('focus')));
  await expect(laptop.getByRole('heading', { level: 1 })).toContainText('From the phone');

  // Ended from the laptop, the phone is out at its next step.
  await laptop.goto(`${url}/settings`);
  await laptop.getByRole('button', { name: 'Sign out Phone by the hook' }).click();
  await expect(laptop.getByText('Phone by the hook is signed out.')).toBeVisible();
  await phone.goto(url);
  await expect(phone.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  // A stranger on that network.
  const stranger = await elsewhere(browser, PHONE);
  await stranger.goto(`${url}${bag}`);
  await expect(stranger.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect(await stranger.content()).not.toContain('From the phone');
  for (const page of [laptop, phone, stranger]) await page.context().close();
});

test('signed out elsewhere in the middle of work: one signs in over it, and it is saved', async ({
  page,
  serverWith,
}) => {
  const { url } = await serverWith();
  await makeMine(page, url);
  await page.goto(url);
  await openBrief(page);
  // The device is ended while a change is made.
  await page.evaluate(async () => {
    const account = await (await fetch('/api/account')).json();
    await fetch(`/api/account/devices/${account.devices[0].id}`, { method: 'DELETE' });
  });
  await put(field(page, 'Name'), 'Kept through it');
  await expect(page.getByRole('heading', { name: 'Signed out' })).toBeVisible();
  await signIn(page, 'Rowan', STRONG);
  await expect(page.getByRole('heading', { name: 'Signed out' })).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Kept through it');
});

test('signed out with unsaved changes: they are kept, and taken up by the same maker only', async ({
  page,
  serverWith,
}) => {
  const { url } = await serverWith();
  await makeMine(page, url);
  await page.getByRole('button', { name: 'Invite a maker' }).click();
  const code = await page.locator('output').first().innerText();
  await page.goto(url);
  await openBrief(page);
  const bag = page.url();
  await page.route('**/api/bags/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.fallback(),
  );
  await put(field(page, 'Name'), 'Never sent');
  await expect(page.getByRole('status', { name: 'Saving' })).not.toHaveText(/^Saved/);
  await signOut(page, url);
  await page.unroute('**/api/bags/*');

  // Another maker at the same browser sees nothing of it.
  await page.goto(`${url}/invited`);
  await page.getByLabel('Code', { exact: true }).fill(code);
  await page.getByLabel('Name', { exact: true }).fill('Sedge');
  await page.getByLabel('Password', { exact: true }).fill(OTHER);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByRole('heading', { name: 'No bag yet' })).toBeVisible();
  await expect(page.getByText('Never sent')).toHaveCount(0);
  await page.goto(bag);
  await expect(page.getByText('There is no bag')).toBeVisible();

  await signOut(page, url);
  await signIn(page, 'Rowan', STRONG);
  await page.goto(bag);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Never sent');
  await saved(page);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Never sent');
});

test('another maker who signs in beside an open page gets nothing of it, and it saves nothing as theirs', async ({
  page,
  context,
  serverWith,
}) => {
  const { url } = await serverWith();
  await makeMine(page, url);
  await page.getByRole('button', { name: 'Invite a maker' }).click();
  const code = await page.locator('output').first().innerText();
  await page.goto(url);
  await openBrief(page);
  const beside = await context.newPage();
  await signOut(beside, url);
  await beside.goto(`${url}/invited`);
  await beside.getByLabel('Code', { exact: true }).fill(code);
  await beside.getByLabel('Name', { exact: true }).fill('Sedge');
  await beside.getByLabel('Password', { exact: true }).fill(OTHER);
  await beside.getByRole('button', { name: 'Make the account' }).click();
  await expect(beside.getByRole('heading', { name: 'No bag yet' })).toBeVisible();
  await page.bringToFront();
  await expect(page.getByRole('heading', { name: 'Signed out' })).toBeVisible();
  const theirs = await beside.evaluate(async () => (await (await fetch('/api/bags')).json()).total);
  expect(theirs).toBe(0);
  // Whoever had the page signs in again, and goes on.
  await signIn(page, 'Rowan', STRONG);
  await expect(page.getByRole('heading', { name: 'Signed out' })).toHaveCount(0);
  await put(field(page, 'Name'), 'Mine again');
  await saved(page);
});

test('a passkey lets in, alone or after the password; a recovery code where it is lost', async ({
  page,
  serverWith,
}) => {
  const { url } = await serverWith();
  const devtools = await page.context().newCDPSession(page);
  await devtools.send('WebAuthn.enable');
  await devtools.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  await makeMine(page, url);
  await page.getByRole('button', { name: 'Add one' }).click();
  const list = page.getByRole('list', { name: 'Passkeys' });
  await expect(list).toContainText('for localhost; not used yet');
  // Without recovery codes a lost passkey would shut the maker out.
  await page.getByRole('radio', { name: 'And a passkey' }).click();
  await expect(page.getByText('Nothing would let you in any more')).toBeVisible();
  await page.getByRole('button', { name: 'Make them' }).click();
  const codes = page.getByRole('dialog').getByRole('listitem');
  await expect(codes).toHaveCount(10);
  const recovery = await codes.first().innerText();
  await page.getByRole('button', { name: 'I have them' }).click();
  await page.getByRole('radio', { name: 'And a passkey' }).click();
  await expect(page.getByText('It takes the password and a passkey.')).toBeVisible();

  // Both are asked for: the passkey alone does not let in.
  await signOut(page, url);
  await page.getByRole('button', { name: 'Use a passkey' }).click();
  await expect(page.getByRole('alert')).toContainText('This passkey does not let in here');
  await signIn(page, 'Rowan', STRONG);
  await page.goto(`${url}/settings`);
  await expect(list).toContainText('used less than a minute ago');
  await page.getByRole('radio', { name: 'Enough' }).click();
  await expect(page.getByText('a passkey is enough, too')).toBeVisible();

  await signOut(page, url);
  await page.getByRole('button', { name: 'Use a passkey' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toHaveCount(0);
  await page.goto(`${url}/settings`);
  await page.getByRole('button', { name: /^Take out the passkey/ }).click();
  await expect(list).toHaveCount(0);

  await signOut(page, url);
  await page.getByRole('button', { name: 'The password is lost' }).click();
  await page.getByLabel('Name', { exact: true }).fill('rowan');
  await page.getByLabel('Recovery code').fill(recovery.toLowerCase());
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toHaveCount(0);
  await page.goto(`${url}/settings`);
  await expect(page.getByText('9 left.')).toBeVisible();
  await page.getByText('Messages').click();
  await expect(page.getByText('New recovery codes')).toBeVisible();
});

test('everything goes out as one file, the account ends, and the file goes into the next one', async ({
  page,
  serverWith,
}) => {
  const server = await serverWith();
  const { url } = server;
  await makeMine(page, url);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export everything' }).click();
  const path = await (await download).path();
  const file = JSON.parse(await readFile(path, 'utf8'));
  expect([file.format, file.bags.length]).toEqual(['fennot.maker', 26]);
  const importFile = () => page.getByLabel('File of everything').setInputFiles(path);
  await importFile();
  await expect(page.getByRole('heading', { name: 'There is something here already' })).toBeVisible();
  await page.getByRole('button', { name: 'Leave it as it is' }).click();
  await page.getByRole('button', { name: 'Delete the account ...' }).click();
  await expect(page.getByRole('button', { name: 'Delete everything' })).toBeDisabled();
  await page.getByLabel('I have exported what I want to keep.').check();
  await page.getByRole('button', { name: 'Delete everything' }).click();
  await expect(page.getByRole('heading', { name: 'No bag yet' })).toBeVisible();
  await page.goto(`${url}/settings`);
  await importFile();
  await expect(page.getByText('Taken in: 26 bags')).toBeVisible();
  await expect(demoBag(page)).toBeVisible();
});

test('over an open line saving keeps its promises, and what does not work there is said', async ({
  playwright,
  serverWith,
}) => {
  const server = await serverWith({
    FENNOT_HOST: '0.0.0.0',
    FENNOT_TLS: 'off',
    FENNOT_NAMES: 'fennot.test',
  });
  // A name that is this machine, and that no browser takes for it.
  const { launchOptions } = (await import('./playwright.config.ts')).default.use ?? {};
  const browser = await playwright.chromium.launch({
    ...launchOptions,
    args: [...(launchOptions?.args ?? []), '--host-resolver-rules=MAP fennot.test 127.0.0.1'],
  });
  const page = await (await browser.newContext(PHONE)).newPage();
  const url = `http://fennot.test:${server.port}`;
  await page.goto(`${url}/join`);
  expect(
    await page.evaluate(() => [window.isSecureContext, 'locks' in navigator, 'serviceWorker' in navigator]),
  ).toEqual([false, false, false]);
  await expect(page.getByText('passkeys do not work over it')).toBeVisible();
  await page.goto(url);
  const [, code = ''] = /first account: (\S+)/.exec(server.said) ?? [];
  await page.getByLabel('Code', { exact: true }).fill(code);
  await page.getByLabel('Name', { exact: true }).fill('Rowan');
  await page.getByLabel('Password', { exact: true }).fill(STRONG);
  await page.getByRole('button', { name: 'Make it mine' }).click();
  await openBrief(page);
  const bag = page.url();
  // The server goes in the middle of work, the page, too; nothing is lost.
  await server.kill();
  await put(field(page, 'Name'), 'Through a cut');
  await expect(page.getByRole('status', { name: 'Saving' })).not.toHaveText(/^Saved/);
  await page.close();
  await server.start();
  const [context] = browser.contexts();
  const again = await context?.newPage();
  if (!again) throw new Error('The browser has no window.');
  await again.goto(bag);
  await expect(again.getByRole('heading', { level: 1 })).toContainText('Through a cut');
  await saved(again);
  await browser.close();
});
