import type { Page } from '@playwright/test';
import { expect, field, put, saved, test } from './server.ts';

const columns = (page: Page) => field(page, 'Columns round the bag');
const undo = (page: Page) => page.getByRole('button', { name: 'Undo' });

/** Presses a thing in the middle, and gives how to pull it so many pixels away and let it go. */
async function hold(page: Page, selector: string) {
  const box = await page.locator(selector).boundingBox();
  if (!box) throw new Error(`There is no ${selector}.`);
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  return {
    pull: async (x: number, y = 0) => {
      for (let i = 1; i <= 12; i++) await page.mouse.move(at.x + (x * i) / 12, at.y + (y * i) / 12);
    },
    letGo: () => page.mouse.up(),
  };
}

test('a pull goes by the scale it began with: twice as far is twice as many, however the net refits', async ({
  page,
  open,
}) => {
  await open('Rope roll');
  // One column is as wide as the net over seven.
  const ruler = await page.locator('[data-piece="A1"]').boundingBox();
  const next = await page.locator('[data-piece="A2"]').boundingBox();
  const step = (next?.x ?? 0) - (ruler?.x ?? 0);
  expect(step).toBeGreaterThan(20);
  for (const [many, far] of [
    [1, 1],
    [3, 3],
    [-4, -4],
  ] as const) {
    const grip = await hold(page, '[data-grip="columns"]');
    await grip.pull(far * step);
    await grip.letGo();
    await expect(columns(page)).toHaveValue(String(7 + many));
    await undo(page).click();
    await expect(columns(page)).toHaveValue('7');
  }
  // Rounds: a few pixels are a round or two, not twenty.
  const rounds = field(page, 'Rounds in each square');
  const before = Number(await rounds.inputValue());
  const grip = await hold(page, '[data-grip="rounds"]');
  await grip.pull(20);
  await grip.letGo();
  const after = Number(await rounds.inputValue());
  expect(after - before).toBeGreaterThanOrEqual(1);
  expect(after - before).toBeLessThanOrEqual(2);
});

test('a pull that is given up leaves nothing behind, by Escape or a lost pointer, and undo lives on', async ({
  page,
  open,
}) => {
  await open('Rope roll');
  await put(columns(page), '8');
  for (const giveUp of ['escape', 'cancel'] as const) {
    const grip = await hold(page, '[data-grip="columns"]');
    await grip.pull(-150);
    await expect(columns(page)).not.toHaveValue('8');
    if (giveUp === 'escape') await page.keyboard.press('Escape');
    else
      await page
        .locator('[data-grip="columns"]')
        .dispatchEvent('pointercancel', { pointerId: 1, bubbles: true, isPrimary: true });
    await expect(columns(page)).toHaveValue('8');
    await grip.letGo();
    await expect(columns(page)).toHaveValue('8');
  }
  await undo(page).click();
  await expect(columns(page)).toHaveValue('7');
  await saved(page);

  // The same of a flag on its tape.
  await page.getByRole('link', { name: /^Brief/ }).click();
  const width = field(page, 'Width');
  const wanted = await width.inputValue();
  const flag = await hold(page, '[data-flag="width"]');
  await flag.pull(60);
  await expect(width).not.toHaveValue(wanted);
  await page.keyboard.press('Escape');
  await expect(width).toHaveValue(wanted);
  await flag.letGo();
  await expect(width).toHaveValue(wanted);
  await put(width, '31');
  await undo(page).click();
  await expect(width).toHaveValue(wanted);
});

test('while it is pulled, the bag that is saved is the one before; let go, the one after', async ({
  page,
  open,
  stored,
}) => {
  const id = await open('Rope roll');
  const kept = async () => (await stored(id)).document.construction;
  const grip = await hold(page, '[data-grip="columns"]');
  await grip.pull(-150);
  await expect(columns(page)).not.toHaveValue('7');
  expect(await kept()).toMatchObject({ body: { columns: 7 } });
  await grip.letGo();
  const pulled = Number(await columns(page).inputValue());
  await saved(page);
  await expect.poll(kept).toMatchObject({ body: { columns: pulled } });
});

test('what is typed takes effect on Enter or on leaving, and not a digit before', async ({ page, open }) => {
  await open('Rope roll', 'Swatch');
  await page.getByRole('button', { name: 'I measured a joined strip' }).click();
  const together = field(page, 'measure together');
  const was = await together.inputValue();
  const tape = page.getByTestId('tape-width');
  const wide = await tape.textContent();
  await together.fill('');
  // The 3 of 30.5, and every character after it: nothing moves.
  for (const key of ['3', '0', '.', '5']) {
    await together.press(key);
    await expect(tape).toHaveText(wide ?? '');
  }
  await together.press('Escape');
  await expect(together).toHaveValue(was);
  await together.fill('3');
  await together.press('Enter');
  await expect(page.getByRole('alert')).toContainText('each join takes');
  await expect(together).toHaveValue('3');
  await expect(tape).toHaveText(wide ?? '');
  await together.fill('26');
  await field(page, 'Squares joined').focus();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(tape).not.toHaveText(wide ?? '');
  await saved(page);
});

test('looking for a colour is one step of undo, and so is a note between two pauses', async ({
  page,
  open,
}) => {
  await open('Rope roll', 'Swatch');
  const colour = page.getByLabel(/^Colour of/).first();
  const was = await colour.inputValue();
  await colour.evaluate((picker: HTMLInputElement) => {
    for (const shade of ['#102030', '#203040', '#304050']) {
      // As a picker does: the value is set behind the page's back, and told.
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(picker, shade);
      picker.dispatchEvent(new Event('input', { bubbles: true }));
    }
    picker.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await expect(colour).toHaveValue('#304050');
  await undo(page).click();
  await expect(colour).toHaveValue(was);
  await expect(undo(page)).toBeDisabled();

  await page.getByRole('link', { name: /^Brief/ }).click();
  const note = page.getByLabel('What it is for');
  const before = await note.inputValue();
  await note.press('Control+End');
  await note.pressSequentially(' For ropes.');
  await expect(note).toHaveValue(`${before} For ropes.`);
  await note.blur();
  await undo(page).click();
  await expect(note).toHaveValue(before);
  await expect(undo(page)).toBeDisabled();
});

test('no state can be made that the server refuses: bounds are told where they are met', async ({
  page,
  open,
}) => {
  await open('Rope roll', 'Swatch');
  const more = page.getByRole('button', { name: 'Colourway 1: one more round colour' });
  for (let i = 0; i < 40 && (await more.isEnabled()); i++) await more.click();
  await expect(more).toBeDisabled();
  await expect(page.getByLabel(/^Colourway 1, round/)).toHaveCount(30);
  await page.getByRole('button', { name: 'I measured a joined strip' }).click();
  await page.getByRole('combobox', { name: 'Worked as' }).click();
  await page.getByRole('option', { name: 'Solid square' }).click();
  await saved(page);

  await page.getByRole('link', { name: /^Brief/ }).click();
  const add = page.getByRole('button', { name: 'A box or book' });
  for (let i = 0; i < 40 && (await add.isEnabled()); i++) await add.click();
  await expect(add).toBeDisabled();
  await expect(page.getByText('A bag is planned for at most 30 things.')).toBeVisible();

  await page.getByRole('link', { name: /^Build/ }).click();
  await put(columns(page), '40');
  const rows = field(page, 'Rows up the bag');
  await put(rows, '40');
  await expect(page.getByRole('alert')).toContainText('1,600 pieces');
  await expect(rows).toHaveValue('40');
  await saved(page);
  await page.reload();
  await expect(columns(page)).toHaveValue('40');
  await expect(rows).toHaveValue('3');
});

test('a bag to be covered beyond what a cover can be is told, and the bag stays', async ({ page, open }) => {
  await open('Rope roll', 'Brief');
  await put(field(page, 'Width'), '150');
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('button', { name: /Another way/ }).click();
  await page.getByRole('radio', { name: 'Cover', exact: true }).click();
  // Either the largest cover there is, or the reason why not: never a bag that cannot be saved.
  await saved(page);
  await page.reload();
  await saved(page);
});
