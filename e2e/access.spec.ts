import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './server.ts';

const STATIONS = ['Brief', 'Swatch', 'Build', 'Arrange', 'Sides', 'Joins', 'Finish'];
const SCHEMES = ['light', 'dark'] as const;

/** Looks at what is shown now; by night only the colours are others. */
async function checking(page: Page, colorScheme: (typeof SCHEMES)[number]) {
  await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
  return async (where: string) => {
    const axe = new AxeBuilder({ page });
    if (colorScheme === 'dark') axe.withRules(['color-contrast']);
    const { violations } = await axe.analyze();
    const found = violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html }) => `${where}: ${id}: ${html.slice(0, 160)}`),
    );
    expect(found).toEqual([]);
  };
}

for (const scheme of SCHEMES) {
  test(`no access violations at the stations, ${scheme}`, async ({ page, open }) => {
    // Every rule on every stitch of eight drawings: minutes, on a machine that is at other things.
    test.slow();
    const check = await checking(page, scheme);
    await open('Folder satchel');
    for (const station of STATIONS) {
      await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
      await expect(page.getByRole('complementary', { name: `Worktop: ${station}` })).toBeVisible();
      await check(station);
    }
    await page.getByRole('radio', { name: 'Worn' }).click();
    await check('on a figure');
  });

  test(`no access violations before one is in, and in the settings, ${scheme}`, async ({
    page,
    serverWith,
  }) => {
    const check = await checking(page, scheme);
    const server = await serverWith({ FENNOT_HOST: '0.0.0.0' });
    const url = `http://localhost:${server.port}`;
    await page.goto(url);
    await page.getByLabel('Code', { exact: true }).waitFor();
    await check('the first account');
    const [, code = ''] = /first account: (\S+)/.exec(server.said) ?? [];
    await page.getByLabel('Code', { exact: true }).fill(code);
    await page.getByLabel('Name', { exact: true }).fill('Rowan');
    await page.getByLabel('Password', { exact: true }).fill('seven herons on the weir');
    await expect(page.getByText('very good')).toBeVisible();
    await check('a password');
    await page.getByRole('button', { name: 'Make it mine' }).click();
    await page.getByRole('link', { name: 'Settings' }).click();
    await page.getByRole('heading', { name: 'Security' }).waitFor();
    await check('settings as a place');
    await page.getByRole('button', { name: 'Join a phone' }).click();
    await page.getByRole('dialog').getByLabel('Code', { exact: true }).waitFor();
    await check('a code');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Make them' }).click();
    await page.getByRole('dialog').getByRole('listitem').first().waitFor();
    await check('recovery codes');
    await page.getByRole('button', { name: 'I have them' }).click();
    await page.getByRole('button', { name: 'Change it' }).click();
    await page.getByLabel('New password', { exact: true }).waitFor();
    await check('another password');
    await page.keyboard.press('Escape');
    await page.goto(`${url}/join`);
    await page.getByLabel('Code', { exact: true }).waitFor();
    await check('joining');
  });

  test(`no access violations on the list and the sheets, ${scheme}`, async ({ page, open }) => {
    const check = await checking(page, scheme);
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Folder satchel' }).first()).toBeVisible();
    await check('bags');
    for (const [place, name] of [
      ['yarn', 'Stash'],
      ['swatches', 'Swatches'],
      ['motifs', 'Motifs'],
    ]) {
      await page.goto(`/${place}`);
      await page.getByRole('table', { name: name ?? '' }).waitFor();
      await check(place ?? '');
    }
    await page.goto('/yarn');
    await page.getByRole('button', { name: 'Add yarn' }).click();
    await check('a lot');
    await page.keyboard.press('Escape');
    await page.goto('/');
    await page.getByRole('button', { name: 'Begin a bag' }).click();
    await check('begin');
    await page.keyboard.press('Escape');
    await open('Folder satchel');
    await page.getByRole('button', { name: 'Settings' }).click();
    await expect(page.getByRole('radio', { name: 'inches' })).toBeVisible();
    await check('settings');
    await page.keyboard.press('Escape');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await check('keys');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('dialog').getByRole('combobox')).toBeFocused();
    await check('finder');
  });
}

for (const scheme of SCHEMES)
  test(`no access violations beside the hook, ${scheme}`, async ({ page, open }) => {
    const check = await checking(page, scheme);
    const bag = await open('Folder satchel');
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`/bags/${bag}/make`);
    await page.getByRole('heading', { name: 'Under way' }).waitFor();
    await check('the table');
    for (const name of [/^Strip/, /^Run 1/, /^Hide the ends of the pieces/, /^Lay everything out/]) {
      await page.getByRole('link', { name }).first().click();
      await page.getByRole('button', { name: 'Back one' }).waitFor();
      await check(`${name}`);
      await page.getByRole('link', { name: 'To the table' }).click();
    }
    await page.getByRole('link', { name: /^Strip/ }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('button', { name: 'Row 1 is done' }).click();
    await check('a row');
    await page.getByRole('button', { name: 'Rip back ...' }).click();
    await page.getByRole('dialog').waitFor();
    await check('ripping');
    await page.keyboard.press('Escape');
    // Nothing is cut off sideways, and everything pressed is large enough for a thumb.
    for (const button of await page.locator('main').getByRole('button').all()) {
      const box = await button.boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(44);
    }
    await page.setViewportSize({ width: 360, height: 740 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360);
  });

test('at 1280 by 800 the plan needs no page scroll; at 360 nothing is cut off sideways', async ({
  page,
  open,
}) => {
  await open('Folder satchel');
  for (const station of STATIONS) {
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole('link', { name: new RegExp(`^${station}`) }).click();
    const tall = await page.evaluate(() => document.documentElement.scrollHeight);
    expect(tall).toBeLessThanOrEqual(800);
    await page.setViewportSize({ width: 360, height: 740 });
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(360);
  }
});
