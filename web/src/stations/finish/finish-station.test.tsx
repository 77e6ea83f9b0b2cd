// @vitest-environment happy-dom
import { constructionSchema, finishOf, mm, must, planOf } from '@fennot/core';
import { screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, test } from 'vitest';
import { aBag, choose, lay, type } from '../../testing/worktop.tsx';
import { FinishStation } from './FinishStation.tsx';

beforeEach(() => {
  Element.prototype.scrollIntoView = () => {};
});

const familiesSchema = (construction: unknown) => constructionSchema.parse(construction);
const finish = (store: ReturnType<typeof lay>['store']) => store.getState().document.finish;

describe('straps', () => {
  test('are put on with the drop of the brief, and say how long they hang', async () => {
    const { store, hands } = lay(
      FinishStation,
      aBag((doc) => ({
        ...doc,
        brief: { ...doc.brief, strapDrop: { value: mm(420), tolerance: 10 } },
      })),
    );
    await choose(hands, 'Straps', /Two equal ones/);
    expect(finish(store)?.straps).toMatchObject({
      many: 2,
      drop: store.getState().document.brief.strapDrop?.value,
    });
    const { straps } = planOf(store.getState().document);
    const said = screen.getByTestId('strap-plan').textContent ?? '';
    expect(said).toContain(`${straps?.count} ${straps?.counts}`);
    expect(said).toContain('estimated');
    expect(said).toContain('Work both to the same count.');
  });

  test('a strap that hung gives its own stretch; two lengths that are none are told', async () => {
    const { store, hands } = lay(FinishStation, aBag());
    await choose(hands, 'Straps', /One, from side to side/);
    await hands.click(screen.getByRole('button', { name: 'I hung a finished strap' }));
    await type(hands, 'Before it hung', '50');
    await type(hands, /^After/, '55');
    expect(finish(store)?.straps?.hung).toEqual({ before: 500, after: 550 });
    // Ten per cent, and no longer a guess.
    expect(screen.getByTestId('strap-plan').textContent).toMatch(/10 % stretch, measured/);
    await type(hands, /^After/, '20');
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
    expect(finish(store)?.straps?.hung).toEqual({ before: 500, after: 550 });
    await hands.click(screen.getByRole('button', { name: 'Go back to the guess' }));
    expect(finish(store)?.straps?.hung).toBeUndefined();
  });

  test('taken off, nothing is left of them', async () => {
    const { store, hands } = lay(FinishStation, aBag());
    await choose(hands, 'Straps', /One, from side to side/);
    await choose(hands, 'Straps', 'None');
    expect(finish(store)?.straps).toBeUndefined();
    expect(screen.queryByTestId('strap-plan')).toBeNull();
  });
});

describe('the closure', () => {
  test('each kind says its own arithmetic, with the figures of the core', async () => {
    const { store, hands } = lay(FinishStation, aBag());
    const said = () => screen.getByTestId('closure-plan').textContent ?? '';
    const own = () => finishOf(planOf(store.getState().document)).closure;
    await choose(hands, 'Closed by', 'Button and loop');
    const button = own();
    if (button?.of !== 'button' || button.places.on !== 'faces') throw new Error('a button was chosen');
    expect(said()).toContain(`A loop of ${button.chains} chains`);
    expect(said()).toContain(`after ${button.places.front.join(', ')}`);
    await choose(hands, 'Closed by', 'Magnet');
    expect(said()).toMatch(/^In the middle. Of \d+ stitches on each face/);
    expect(screen.queryByLabelText('Buttons')).toBeNull();
    await choose(hands, 'Closed by', 'Nothing');
    expect(screen.queryByTestId('closure-plan')).toBeNull();
  });

  test('a flap takes it: counted along its edge, with the other half straight under it, and no thickness asked', async () => {
    const { store, hands } = lay(
      FinishStation,
      aBag((doc) => {
        const [motif] = doc.motifs;
        if (!motif) throw new Error('a new bag has a motif');
        return {
          ...doc,
          features: { flap: { of: 'motifs', motif: motif.id, rounds: 3, columns: 1, rows: 1 } },
        };
      }),
    );
    await choose(hands, 'Closed by', 'Button and loop');
    const own = finishOf(planOf(store.getState().document)).closure;
    if (own?.of !== 'button' || own.places.on !== 'flap') throw new Error('a button was chosen');
    const { stitches, after } = own.places;
    const said = screen.getByTestId('closure-plan').textContent;
    expect(said).toContain('it hangs from the flap and passes the button');
    expect(said).toContain(`Of ${stitches} stitches along the flap’s lowest edge, after ${after[0]}: loops`);
    expect(screen.queryByLabelText(/thick at its rim/)).toBeNull();
    await choose(hands, 'Closed by', 'Buttons and holes');
    expect(screen.getByTestId('closure-plan').textContent).toMatch(
      /begin the holes\. Straight under, .* below the rim: sew the buttons on/,
    );
  });

  test('more buttons stand at more places, as many to the left as to the right', async () => {
    const { store, hands } = lay(FinishStation, aBag());
    await choose(hands, 'Closed by', 'Button and loop');
    await type(hands, 'Buttons', '3');
    const own = finishOf(planOf(store.getState().document)).closure;
    if (own?.of !== 'button' || own.places.on !== 'faces') throw new Error('a button was chosen');
    const { front, stitches } = own.places;
    expect(front).toHaveLength(3);
    const [first, , last] = front;
    // A loop after so many from the left lies as far from the right, give or take the one it takes.
    expect(Math.abs((first ?? 0) - (stitches.front - (last ?? 0)))).toBeLessThanOrEqual(1);
    expect(screen.getByTestId('closure-plan').textContent).toContain(front.join(', '));
  });
});

describe('the lining', () => {
  test('of cloth shows its shapes, and says how to check the print', async () => {
    const { store, hands } = lay(FinishStation, aBag());
    await choose(hands, 'Lined with', /Cloth/);
    expect(finish(store)?.lining).toEqual({ of: 'cloth', allowance: 10 });
    const shapes = finishOf(planOf(store.getState().document)).lining;
    const drawn = screen.getByRole('img', { name: /^Cutting shapes/ });
    for (const { name, cut } of shapes)
      expect(drawn.getAttribute('aria-label')).toContain(`${name}, cut ${cut}`);
    expect(drawn.querySelectorAll('polygon')).toHaveLength(2 * shapes.length);
    await type(hands, 'Seam allowance, mm', '200');
    expect(screen.getByRole('alert')).toBeTruthy();
    expect(finish(store)?.lining).toEqual({ of: 'cloth', allowance: 10 });
  });

  test('ready made is judged: far too wide, the crochet does not reach round it', async () => {
    const { hands } = lay(FinishStation, aBag());
    await choose(hands, 'Lined with', /ready-made/);
    await type(hands, 'Its width', '90');
    expect(screen.getByTestId('ready-verdict').textContent).toContain('✗');
  });
});

describe('straps that come with the bag', () => {
  const pack = (worn: object) =>
    aBag((doc) => ({
      ...doc,
      construction: familiesSchema({
        family: 'pack',
        body: {
          family: 'two-faces',
          tuck: 0,
          face: { of: 'motifs', motif: 'm1', rounds: 5, columns: 3, rows: 3 },
        },
        worn,
      }),
    }));

  test('are told with counts, marks and places, beside those one may add', () => {
    const { store } = lay(
      FinishStation,
      pack({ on: 'back', flap: { of: 'one', motif: 'm1', rounds: 5, open: 30 }, eyelets: 16, strap: 620 }),
    );
    const [band] = planOf(store.getState().document).bands;
    const said = screen.getByRole('list', { name: 'Straps that come with this bag' }).textContent ?? '';
    expect(said).toContain(`${band?.rows} rows of ${band?.band.wide} stitches`);
    expect(said).toContain(`leave ${band?.seat?.fromSide} free on either side`);
    expect(screen.getByText('Other straps')).toBeTruthy();
    expect(screen.getByTestId('cord-plan').textContent).toContain('eyelets (chain 1, skip 1)');
  });

  test('a belt says where each hole is worked, and how much shorter it makes it', () => {
    lay(FinishStation, pack({ on: 'waist', belt: 900, holes: 4 }));
    const said = screen.getByRole('list', { name: 'Straps that come with this bag' }).textContent ?? '';
    expect(said).toMatch(/Button holes after rows 3, \d+, \d+, \d+ from its end/);
    expect(said).toMatch(/as long as planned, .* shorter, .* shorter, .* shorter/);
  });
});

describe('yarn', () => {
  const rows = () => within(screen.getByRole('list', { name: 'Yarn by colour' })).getAllByRole('listitem');
  /** Metres a row names first. */
  const metresIn = (text: string | null | undefined) => Number(/(\d+) m \(/.exec(text ?? '')?.[1]);

  test('stands by colour with its range, and every use of it below; all together they are the bag’s', () => {
    const { store } = lay(FinishStation, aBag());
    const { effort } = planOf(store.getState().document).tally;
    const said = screen.getAllByTestId('yarn-need').map(({ textContent }) => metresIn(textContent));
    expect(said).toEqual(effort.needs.map(({ length }) => Math.ceil(length / 1000)));
    // Each is rounded up to a metre by itself.
    const sum = said.reduce((all, one) => all + one, 0);
    expect(sum - effort.yarn / 1000).toBeGreaterThanOrEqual(0);
    expect(sum - effort.yarn / 1000).toBeLessThan(said.length);
    const [first] = effort.needs;
    const uses = within(must(rows()[0], 'row')).getAllByRole('listitem', { hidden: true });
    expect(uses).toHaveLength(first?.uses.length ?? 0);
    expect(uses[0]?.textContent).toContain(first?.uses[0]?.what ?? '');
  });

  test('is told in balls once it is known what a ball holds; ripping back and swatches are what is added', async () => {
    const { store, hands } = lay(FinishStation, aBag());
    const row = () => within(must(rows()[0], 'row'));
    expect(rows()[0]?.textContent).not.toMatch(/\d balls?/);
    await hands.click(row().getByRole('button', { name: 'What a ball holds', hidden: true }));
    const [need] = planOf(store.getState().document).tally.effort.needs;
    // Balls of 50 g and 100 m until they are set: whole ones, up to the high end of the range.
    const balls = Math.ceil((need?.high ?? 0) / 100_000);
    expect(rows()[0]?.textContent).toContain(`${balls} ball`);
    const before = planOf(store.getState().document).tally.effort.yarn;
    await type(hands, 'Ripped back, of what is worked', '0');
    await hands.click(screen.getByLabelText('Swatches are of this yarn'));
    expect(store.getState().document.allowances).toEqual({ ripping: 0, swatches: false });
    const { effort } = planOf(store.getState().document).tally;
    expect(effort.yarn).toBeLessThan(before);
    expect(effort.parts.map(({ part }) => part)).not.toContain('ripping');
    await hands.click(screen.getByLabelText('Swatches are of this yarn'));
    expect(store.getState().document.allowances).toEqual({ ripping: 0 });
  });
});
