import type { Page } from '@playwright/test';
import { expect, put, saved, test } from './server.ts';

const cell = (page: Page, name: string) => page.locator(`[data-cell="${name}"]`);
const middle = async (page: Page, name: string) => {
  const box = await cell(page, name).boundingBox();
  if (!box) throw new Error(`no cell ${name}`);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
};
/** Takes one motif to another, without letting it go. */
async function pull(page: Page, from: string, to: string) {
  const [a, b] = [await middle(page, from), await middle(page, to)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 });
  await page.mouse.move(b.x, b.y, { steps: 3 });
}
const twins = (page: Page) => page.getByTestId('twins');
const designOf = (page: Page) => page.getByRole('combobox', { name: 'Design' });

test('two dozen squares: the twins only folding brings together are told, suggested away, and fewer cannot be', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  await expect(twins(page)).toHaveText('3 pairs of twins touch.');
  const pairs = page.getByRole('button', { name: /across: / });
  await expect(pairs).toHaveText([
    /A1 and A6, across: side seam/,
    /C1 and C6, across: side seam/,
    /D2 and D5, across: bottom seam/,
  ]);
  await page.getByRole('button', { name: 'Walk through them' }).click();
  await expect(pairs.first()).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Next pair' }).click();
  await expect(pairs.nth(1)).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Suggest arrangements' }).click();
  const list = page.getByRole('list', { name: 'Suggested arrangements' });
  await expect(list.getByRole('button').first()).toContainText('no twins touch');
  await list.getByRole('button').first().click();
  await expect(twins(page)).toHaveText('No twins touch: fewer cannot be.');
  // What was locked lies where it lay.
  await cell(page, 'C1').click();
  await expect(designOf(page)).toHaveText('Reed heart 5');
  await saved(page);
  // One step of undo, and all twins are back; that they could be none is known now.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(twins(page)).toHaveText('3 pairs of twins touch; it could be none.');
});

test('motifs change places by the hand, and given up they do not', async ({ page, open }) => {
  await open('Nine-bell tote', 'Arrange');
  await cell(page, 'A2').click();
  await expect(designOf(page)).toHaveText('Kingfisher heart 2');
  await pull(page, 'A2', 'A6');
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(twins(page)).toHaveText('3 pairs of twins touch.');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await pull(page, 'A2', 'A6');
  await page.mouse.up();
  await expect(designOf(page)).toHaveText('Kingfisher heart 2');
  await cell(page, 'A2').click();
  await expect(designOf(page)).toHaveText('Marigold heart 1');
  // Let go beside the bag, nothing happens.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  // What is locked says so.
  await pull(page, 'C1', 'C6');
  await page.mouse.up();
  await expect(page.getByText('C1 stays: one of the two is locked. Unlock it first.')).toBeVisible();
});

test('by the keyboard: picked up, laid, turned and locked; a design is painted over cells in one step', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  const net = page.getByRole('application');
  await cell(page, 'B1').click();
  await net.focus();
  await page.keyboard.press('x');
  await expect(page.getByText('B1 is picked up: choose the one it changes places with.')).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('x');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await page.keyboard.press('r');
  await expect(page.getByText(/^Turned by a quarter with the clock\./)).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByRole('button', { name: 'Unlock B2' })).toBeVisible();
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();

  const design = page.getByRole('button', { name: /^Peat heart 9/ });
  await expect(design).toContainText('2 laid');
  await design.click();
  await pull(page, 'A3', 'A5');
  await page.mouse.up();
  await expect(design).toContainText('5 laid, 3 too many');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(design).toContainText('2 laid');
  await page.getByRole('button', { name: 'Back to moving' }).click();
});

test('a stock that does not reach is told; a planned order says what it needs; arrangements are kept and laid again', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  await expect(page.getByText('24 places for 23: 1 more is needed.')).toBeVisible();
  await put(page.getByLabel('Peat heart 9: how many there are'), '4');
  await expect(page.getByText('24 places for 25: one is left over.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this one' }).click();
  await page.getByRole('combobox', { name: 'Plan' }).click();
  await page.getByRole('option', { name: 'Stripes, level' }).click();
  await expect(page.getByText(/Missing: .*Marigold heart 1/)).toBeVisible();
  await page.getByRole('button', { name: 'Lay it so' }).click();
  await expect(twins(page)).toContainText('pairs of twins touch');
  await page.getByRole('button', { name: 'Put on the table' }).click();
  await expect(twins(page)).toHaveText('3 pairs of twins touch.');
  await saved(page);
});

test('looks: with half-closed eyes, joined in another colour, two colours exchanged', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  await expect(page.getByTestId('contrast')).toContainText(/by \d+ % on average/);
  const drawings = page.locator('[data-eye]');
  await expect(drawings).toHaveAttribute('data-eye', 'plain');
  await page.getByRole('combobox', { name: 'Seen' }).click();
  await page.getByRole('option', { name: 'Squint' }).click();
  await expect(drawings).toHaveAttribute('data-eye', 'squint');
  expect(await page.getByRole('application').evaluate((net) => getComputedStyle(net).filter)).toContain(
    'eye-squint',
  );
  await page.getByRole('combobox', { name: 'Seen' }).click();
  await page.getByRole('option', { name: 'As it is' }).click();
  await page.getByRole('button', { name: 'Try other colours' }).click();
  await page.getByRole('radio', { name: /Joined in Rust/ }).click();
  await expect(page.getByRole('radio', { name: /Joined in Rust/ })).toBeChecked();
  const yarn = page.getByTestId('motif-yarn');
  const metres = async (colour: string) =>
    Number(new RegExp(`${colour} (\\d+) m`).exec((await yarn.textContent()) ?? '')?.[1] ?? Number.NaN);
  const [rust, ink] = [await metres('Rust'), await metres('Ink')];
  expect(rust).not.toBe(ink);
  await page.getByRole('combobox', { name: 'Exchange' }).click();
  await page.getByRole('option', { name: 'Rust' }).click();
  await page.getByRole('combobox', { name: 'with', exact: true }).click();
  await page.getByRole('option', { name: 'Ink' }).click();
  await page.getByRole('button', { name: /Exchange the two colours/ }).click();
  expect(await metres('Rust')).toBe(ink);
  expect(await metres('Ink')).toBe(rust);
  await expect(page.getByRole('radio', { name: /Joined in Ink/ })).toBeChecked();
});

test('where twins cannot be kept apart, it is proven how many must touch', async ({ page, open }) => {
  await open('Nine-bell tote', 'Arrange');
  const id = /bags\/([^/]+)\//.exec(page.url())?.[1] ?? '';
  const { document } = await (await page.request.get(`/api/bags/${id}`)).json();
  // Seven columns round, in two designs: no row can take turns all the way.
  const [motif] = document.motifs;
  const seven = {
    ...document,
    name: 'Seven round',
    motifs: [{ ...motif, colourways: motif.colourways.slice(0, 2) }],
    arrangement: {},
    construction: { ...document.construction, body: { ...document.construction.body, columns: 7 } },
  };
  const fresh = crypto.randomUUID();
  expect((await page.request.post('/api/bags', { data: { id: fresh, document: seven } })).status()).toBe(201);
  await page.goto(`/bags/${fresh}/arrange`);
  await page.getByRole('button', { name: 'Suggest arrangements' }).click();
  await expect(twins(page)).toContainText('it could be 7.', { timeout: 40_000 });
  await page.getByRole('list', { name: 'Suggested arrangements' }).getByRole('button').first().click();
  await expect(twins(page)).toHaveText('7 pairs of twins touch: it cannot be fewer.');
  await saved(page);
  await page.request.delete(`/api/bags/${fresh}`);
});

test('squares out of what is left: how many, what limits them, and they become the designs', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  await page.getByRole('button', { name: 'Make them of what is left' }).click();
  const work = page.getByRole('button', { name: 'Work it out' });
  await work.click();
  const said = page.getByTestId('scraps');
  // No yarn at all: no square, and 50 m of one alone make some.
  await expect(said).toContainText('No of 24 squares can be made.');
  for (const [colour, metres] of [
    ['Foam', '150'],
    ['Rust', '40'],
    ['Ink', '40'],
    ['Reed', '40'],
  ] as const)
    await put(page.getByLabel(colour, { exact: true }), metres);
  await work.click();
  await expect(said).toHaveText(/^(All 24|\d+ of 24) squares can be made\./);
  const squares = page.getByRole('list', { name: 'Squares that can be made' }).getByRole('listitem');
  expect(await squares.count()).toBeGreaterThan(3);
  const many = (await squares.allTextContents()).reduce((sum, text) => sum + Number(text), 0);
  await page.getByRole('button', { name: 'Make these the designs' }).click();
  await expect(
    page.getByText(many === 24 ? '24 places, and as many motifs.' : `24 places for ${many}:`),
  ).toBeVisible();
  await saved(page);
});

test('by touch a motif is pulled onto another, and a pull that the page takes away leaves it', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  const hands = await page.context().newCDPSession(page);
  const touch = (
    type: 'touchStart' | 'touchMove' | 'touchEnd' | 'touchCancel',
    at?: { x: number; y: number },
  ) => hands.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] });
  const [a, b] = [await middle(page, 'A2'), await middle(page, 'A6')];
  const steps = [0.3, 0.6, 1].map((share) => ({
    x: a.x + (b.x - a.x) * share,
    y: a.y + (b.y - a.y) * share,
  }));
  await touch('touchStart', a);
  for (const at of steps) await touch('touchMove', at);
  await touch('touchCancel');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await touch('touchStart', a);
  for (const at of steps) await touch('touchMove', at);
  await touch('touchEnd');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await cell(page, 'A6').click();
  await expect(designOf(page)).toHaveText('Kingfisher heart 2');
});

test('on the made-up bag motifs change places, too; beside it the bag is turned, and nothing is laid', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  const made = page.getByRole('region', { name: 'Made up' });
  const spot = async (piece: string) => {
    const box = await made.locator(`polygon[data-cell-id="${piece}"]`).boundingBox();
    if (!box) throw new Error(`${piece} is not seen`);
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const pullTo = async (to: { x: number; y: number }) => {
    const from = await spot('body/0/0');
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 3 });
    await page.mouse.move(to.x, to.y, { steps: 3 });
  };
  // Given up in the middle, nothing has happened.
  await pullTo(await spot('body/1/1'));
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await pullTo(await spot('body/1/1'));
  await page.mouse.up();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled();
  await cell(page, 'B2').click();
  await expect(designOf(page)).toHaveText('Marigold heart 1');
  await expect(made.getByRole('radio', { name: 'Front' })).toBeChecked();
  // From the made-up bag onto the net: one and the same motifs.
  await page.getByRole('button', { name: 'Undo' }).click();
  await pullTo(await middle(page, 'A4'));
  await page.mouse.up();
  await cell(page, 'A4').click();
  await expect(designOf(page)).toHaveText('Marigold heart 1');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  // Beside the bag the hand turns it.
  const bag = await made.getByRole('img').boundingBox();
  if (!bag) throw new Error('no made-up bag');
  await page.mouse.move(bag.x + 8, bag.y + bag.height / 2);
  await page.mouse.down();
  await page.mouse.move(bag.x + 120, bag.y + bag.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(made.getByRole('radio', { name: 'Turned' })).toBeChecked();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('what is kept stands beside the table, front, back and filled, and is taken from there', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  await page.getByRole('button', { name: 'Keep this one' }).click();
  await page.getByRole('button', { name: 'Suggest arrangements' }).click();
  const list = page.getByRole('list', { name: 'Suggested arrangements' });
  await list.getByRole('button').first().click();
  await expect(twins(page)).toHaveText('No twins touch: fewer cannot be.');
  await page.getByRole('button', { name: 'Side by side' }).click();
  const beside = page.getByRole('dialog');
  await expect(beside.getByRole('listitem', { name: 'On the table' })).toContainText('no twins touch');
  await expect(beside.getByRole('listitem', { name: 'First' })).toContainText('3 pairs of twins touch');
  for (const name of ['On the table', 'First'])
    for (const from of ['from the front', 'from behind'])
      await expect(beside.getByRole('img', { name: `${name}, ${from}` })).toBeVisible();
  await beside.getByRole('button', { name: 'Fill them all' }).click();
  for (const name of ['On the table', 'First'])
    await expect(beside.getByRole('img', { name: `${name}, filled` })).toBeVisible({ timeout: 30_000 });
  await beside.getByRole('button', { name: 'Put on the table' }).click();
  await expect(beside.getByRole('listitem', { name: 'On the table' })).toContainText(
    '3 pairs of twins touch',
  );
  await page.keyboard.press('Escape');
  await expect(twins(page)).toContainText('3 pairs of twins touch');
  await saved(page);
});

test('tinted from a palette the yarns take other hues and names, and one step brings them back', async ({
  page,
  open,
}) => {
  await open('Nine-bell tote', 'Arrange');
  await page.getByRole('button', { name: 'Tint from a palette' }).click();
  await page.getByLabel('Colour the palettes are made of').fill('#2040c0');
  const palettes = page.getByRole('list', { name: 'Palettes' });
  await palettes.getByRole('button', { name: 'One colour, light to dark' }).click();
  const yarn = page.getByTestId('motif-yarn');
  await expect(yarn).toContainText('Blue');
  await expect(yarn).not.toContainText('Marigold');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(yarn).toContainText('Marigold');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});
