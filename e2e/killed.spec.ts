import { expect, field, put, saved, test } from './server.ts';

test('a browser killed at any moment keeps every finished edit, with the server there or away', async ({
  open,
  page,
  server,
  killableBrowser,
}) => {
  const id = await open('Rope roll');
  await page.close();
  const address = `${server.url}/bags/${id}/build`;
  const columns = (of: typeof page) => field(of, 'Columns round the bag');
  const drafts = (of: typeof page) =>
    of.evaluate(
      () =>
        new Promise<string>((resolve) => {
          const opening = indexedDB.open('fennot');
          opening.onsuccess = () => {
            const all = opening.result.transaction('drafts').objectStore('drafts').getAll();
            all.onsuccess = () => {
              opening.result.close();
              resolve(JSON.stringify(all.result));
            };
          };
        }),
    );

  let browser = await killableBrowser();
  await browser.page.goto(address);
  await put(columns(browser.page), '8');
  // The first change goes out at once: no quiet time is waited for.
  await saved(browser.page);
  await browser.kill();

  browser = await killableBrowser();
  await browser.page.goto(address);
  await expect(columns(browser.page)).toHaveValue('8');
  await server.kill();
  for (let n = 0; n < 30; n++) await put(columns(browser.page), String(4 + (n % 10)));
  await put(columns(browser.page), '15');
  // Written down as soon as the disk has it.
  await expect.poll(() => drafts(browser.page)).toContain('"columns":15');
  await browser.kill();
  await server.start();

  browser = await killableBrowser();
  await browser.page.goto(address);
  await expect(columns(browser.page)).toHaveValue('15');
  await saved(browser.page);
  await expect(browser.page.getByRole('dialog')).toHaveCount(0);
  await browser.kill();
});
