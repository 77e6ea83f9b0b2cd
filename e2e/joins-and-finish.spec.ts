import { allSteps, expect, field, put, saved, test } from './server.ts';

test('one line is joined another way, and the steps say so', async ({ page, open }) => {
  await open('Folder satchel', 'Joins');
  expect(await allSteps(page)).not.toContain('mattress stitch');
  await page.getByText('Finer choices').click();
  await page.getByRole('combobox', { name: 'Join a line another way' }).click();
  await page.getByRole('option', { name: 'Front, bottom' }).click();
  await page.getByRole('combobox', { name: 'Front, bottom: joined by' }).click();
  await page.getByRole('option', { name: 'Mattress stitch' }).click();
  const mixed = await allSteps(page);
  expect(mixed).toContain('mattress stitch');
  expect(mixed).toContain('flat slip stitch');
  await page.getByRole('button', { name: 'Front, bottom: join it like the rest' }).click();
  expect(await allSteps(page)).not.toContain('mattress stitch');
  await saved(page);
});

test('a seam is kept for last, and its yarn comes out at the end that is wanted', async ({ page, open }) => {
  await open('Folder satchel', 'Joins');
  await page.getByText('Finer choices').click();
  await page.getByRole('combobox', { name: 'Seam kept for last' }).click();
  await page.getByRole('option', { name: 'Back, right side' }).click();
  const end = page.getByTestId('last-end');
  await expect(end).toContainText('upper end');
  await page.getByRole('button', { name: 'The other end' }).click();
  await expect(end).toContainText('lower end');
  const steps = page.getByRole('region', { name: 'Steps' });
  await expect(steps.getByRole('heading').last()).toContainText('Back, right side');
  await page.getByRole('combobox', { name: 'Seam kept for last' }).click();
  await page.getByRole('option', { name: 'whichever comes last' }).click();
  await saved(page);
});

test('as you go, each square is joined in its last round', async ({ page, open }) => {
  await open('Rope roll', 'Joins');
  await page.getByRole('radio', { name: /As you go/ }).click();
  const steps = page.getByRole('region', { name: 'Steps' });
  await expect(steps).toContainText('Work A1 (Marigold heart 1) whole, with its last round.');
  await expect(steps).toContainText(
    'Work B2 (Reed heart 4) up to its last round. In that round join B2, upper edge to A2, lower edge:',
  );
  await page.getByRole('radio', { name: /All lines one way/ }).click();
  await saved(page);
});

test('a seam whose easing shows is cured with one press', async ({ page, open }) => {
  await open('Raffle drum', 'Sides');
  const cures = page.getByRole('list', { name: 'Cures' });
  await expect(cures.getByRole('button').first()).toContainText('ease');
  await cures.getByRole('button').first().click();
  await expect(page.getByRole('button', { name: /Front, round/ })).not.toContainText('✗');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /Front, round/ })).toContainText('✗');
  await saved(page);
});

test('straps, closure and lining are chosen, counted, and put in the order of work', async ({
  page,
  open,
}) => {
  await open('Rope roll', 'Finish');
  await expect(page.getByTestId('edge-count')).toContainText('First round:');
  const order = page.getByRole('list', { name: 'Order of work' });
  await expect(order).not.toContainText('equal straps');
  await page.getByRole('combobox', { name: 'Straps' }).click();
  await page.getByRole('option', { name: 'Two equal ones' }).click();
  await expect(page.getByTestId('strap-plan')).toContainText('Work both to the same count.');
  await expect(
    page.getByText(/On the front, \d+ stitches of the edge round: \d+ in from either side/),
  ).toBeVisible();
  await expect(page.getByTestId('strap-plan')).toContainText('stretch, estimated');
  await page.getByRole('button', { name: 'I hung a finished strap' }).click();
  // A short sample serves as well as the strap itself; until both lengths are typed nothing changes.
  await put(field(page, 'Before it hung'), '20');
  await expect(page.getByRole('alert')).toContainText('more than 60 % longer');
  await expect(page.getByTestId('strap-plan')).not.toContainText('20 % stretch');
  await put(field(page, 'After, loaded'), '24');
  await expect(page.getByTestId('strap-plan')).toContainText('20 % stretch, measured');
  await expect(order).toContainText('Work and fix: two equal straps');
  await expect(order).toContainText('A crocheted strap has no rating');

  await page.getByRole('combobox', { name: 'Closed by' }).click();
  await page.getByRole('option', { name: 'Metal eyelets' }).click();
  await expect(page.getByTestId('closure-plan')).toContainText('A chain and a skip for each hole');
  await expect(order).toContainText('Hammer on a hard surface, eyes protected');

  await page.getByRole('combobox', { name: 'Closed by' }).click();
  await page.getByRole('option', { name: 'Buttons and holes' }).click();
  await expect(page.getByTestId('closure-plan')).toContainText(/chain \d+, skip \d+/);
  await expect(page.getByRole('list', { name: 'What will be hard' })).toContainText(
    'at least three edge rounds',
  );

  await page.getByRole('combobox', { name: 'Lined with' }).click();
  await page.getByRole('option', { name: 'A ready-made bag' }).click();
  await put(field(page, 'Its height'), '30');
  await page
    .getByTestId('fill-up')
    .getByRole('button', { name: /^Work \d+$/ })
    .click();
  await expect(page.getByTestId('ready-verdict')).toContainText('a little under');
  await expect(page.getByTestId('edge-count')).toContainText('Rounds:');

  await page.getByRole('combobox', { name: 'Lined with' }).click();
  await page.getByRole('option', { name: 'Cloth, cut to shape' }).click();
  await expect(page.getByRole('img', { name: /Cutting shapes: Front and back, cut 2/ })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SVG, true size' }).click();
  expect((await download).suggestedFilename()).toBe('rope-roll-lining.svg');
  const answer = await page.request.get(
    (await page.getByRole('link', { name: 'PDF on A4 pages' }).getAttribute('href')) ?? '',
  );
  expect(answer.headers()['content-type']).toContain('application/pdf');
  await saved(page);
});

test('a strap is hung on a figure, brought to the hip, and made adjustable', async ({ page, open }) => {
  await open('Folder satchel', 'Finish');
  await expect(page.getByRole('figure', { name: /Strap drop: 5\d/ })).toBeVisible();
  await expect(
    page.getByRole('img', {
      name: /The first edge round, 208 stitches: front 44, right 13, back 2, flap 134/,
    }),
  ).toBeVisible();
  await expect(page.getByTestId('flap-plan')).toContainText('down the front');
  await page.getByRole('radio', { name: 'Worn' }).click();
  await expect(
    page.getByRole('img', { name: /The bag on a figure of 165 cm, carried on the shoulder/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^waist: / }).click();
  await expect(page.getByTestId('worn-plan')).toContainText('The rim hangs at the waist');
  await put(field(page, 'By someone of'), '110');
  await expect(page.getByTestId('worn-plan')).toContainText('at the knee');
  await page.getByRole('combobox', { name: 'Its length' }).click();
  await page.getByRole('option', { name: 'Button and holes, in two parts' }).click();
  await expect(page.getByTestId('adjust-plan')).toContainText(
    'Holes after 3, 9, 15, 21 stitches from the end',
  );
  await page.getByRole('combobox', { name: 'Its length' }).click();
  await page.getByRole('option', { name: 'Runs through a slide' }).click();
  await expect(page.getByTestId('adjust-plan')).toContainText('lie doubled at the slide');
  await saved(page);
});
