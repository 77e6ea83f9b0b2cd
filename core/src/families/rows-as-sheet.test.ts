import { describe, expect, test } from 'vitest';
import { built } from '../testing/built.ts';
import { type Construction, familyOf } from './index.ts';

/** 33 stitches by 30 rows of low stitches, bobbles in every second row. */
const bobbles = { of: 'rows', panel: 'bobbles' } as const;
/** 30 stitches: six rows of tall stitches, and eighteen of low ones above them. */
const tallAndLow = { of: 'rows', panel: 'tall-and-low' } as const;
/** A panel by its rows is drawn from its stitches, so its lengths come to within a part in a hundred. */
const near = (length: number, meant: number) => expect(Math.abs(length / meant - 1)).toBeLessThan(0.01);

const tube = { family: 'wrap-round', laid: 'tube', bottom: 'seam', sides: 'joins' } as const;
const kinds = (construction: Construction) =>
  Object.fromEntries(built(construction).graph.pieces.map(({ id, make }) => [id, make]));
const controlsOf = (construction: Construction) => {
  const { materials, choices } = built(construction);
  return familyOf(construction).controls(materials, choices);
};
const choose = (construction: Construction, id: string, value: string): Construction => {
  const control = controlsOf(construction).find((one) => one.id === id);
  if (control?.kind !== 'choice') throw new Error(`no choice ${id}`);
  return control.set(value);
};

describe('a panel by its rows goes round a bag', () => {
  test('as a tube: 33 stitches round make half as many in front, 30 rows up', () => {
    const { size, graph, w, h, j } = built({ ...tube, body: bobbles });
    near(size.width, (33 * w + j) / 2);
    near(size.height, 30 * h + j / 2);
    expect(graph.pieces[0]?.make).toMatchObject({ of: 'panel', panel: 'bobbles', rows: 30, stitches: 33 });
    // Its sides are row ends, its bottom the chain it begins on: 33 loops, shared between front and back.
    const bottom = graph.seams.filter(({ line }) => line === 'bottom');
    expect(bottom.length).toBeGreaterThan(0);
    expect(graph.pieces[0]?.edges.map(({ kind }) => kind)).toEqual(['chain', 'row-ends', 'tops', 'row-ends']);
  });

  test('upright: its rows go up the bag, and its stitches round it are its 30 rows', () => {
    const { size, w, h, j } = built({ ...tube, body: { ...bobbles, upright: true } });
    near(size.width, (30 * h + j) / 2);
    near(size.height, 33 * w + j / 2);
  });

  test('as two panels, and folded over at the bottom', () => {
    const two = built({ ...tube, laid: 'panels', body: bobbles });
    near(two.size.width, 33 * two.w + two.j);
    expect(Object.keys(kinds({ ...tube, laid: 'panels', body: bobbles }))).toEqual(['front', 'back']);
    const folded = built({ ...tube, laid: 'folded', body: bobbles });
    near(folded.size.height, 15 * folded.h);
  });

  test('on a disc, too', () => {
    const base = { of: 'one', motif: 'disc', rounds: 4 } as const;
    const { graph } = built({ ...tube, body: bobbles, base });
    expect(graph.pieces.map(({ name }) => name)).toEqual(['Wall', 'Base']);
  });

  test('is chosen among what it can be made of, and left again at about its size', () => {
    const plain: Construction = {
      ...tube,
      body: {
        of: 'worked',
        swatch: 's2',
        stitches: 70,
        rows: 40,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      },
    };
    const of = controlsOf(plain).find(({ id }) => id === 'of');
    // Those that make rectangles are offered, and no others.
    expect(of?.kind === 'choice' && of.options.map(({ value }) => value)).toEqual([
      'motifs',
      'worked',
      'rows:bobbles',
      'rows:tall-and-low',
    ]);
    const chosen = choose(plain, 'of', 'rows:bobbles');
    expect(chosen).toMatchObject({ body: bobbles });
    expect(choose(chosen, 'rows-run', 'upright')).toMatchObject({ body: { ...bobbles, upright: true } });
    expect(choose(chosen, 'of', 'worked')).toMatchObject({ body: { swatch: 's2', stitches: 33, rows: 30 } });
    // Laid another way it keeps its rows: they are written.
    expect(choose(chosen, 'laid', 'panels')).toMatchObject({ laid: 'panels', body: bobbles });
  });
});

describe('a panel by its rows is folded over', () => {
  const folding = (flap: number) => ({ family: 'fold-over', body: tallAndLow, flap }) as const;
  const reach = (construction: Construction) => {
    const { graph, size } = built(construction);
    const flap = graph.facets.filter(({ face }) => face === 'flap');
    const low = Math.min(
      ...flap.flatMap(({ outline, motion }) => outline.map((p) => motion.origin.y + p.y * motion.v.y)),
    );
    return { over: size.height - low, tall: size.height, size };
  };

  test('where its rows are: six low rows of the flap are six low rows long, not a quarter of the panel', () => {
    const { h } = built(folding(6));
    const { over } = reach(folding(6));
    near(over, 6 * h);
    const sheet = built(folding(0)).size.height * 2;
    // Six of 24 rows would be a quarter; a tall row is more than twice a low one, so they are much less.
    expect(over).toBeLessThan(0.2 * sheet);
  });

  test('what is left of it is front and back, half each', () => {
    const none = reach(folding(0)).tall;
    const { over, tall } = reach(folding(6));
    near(2 * tall + over, 2 * none);
  });

  test('a flap longer than it leaves a row for front and back each, and is told', () => {
    const { tall } = reach(folding(40));
    // Two tall rows are left: one in front, one behind.
    const all = reach(folding(0)).tall * 2;
    const { h } = built(folding(40));
    near(tall, (all - 18 * h) / 6);
    const told = controlsOf(folding(40)).find(({ id }) => id === 'flap');
    expect(told?.kind === 'count' && told.problem).toBe(
      'Front and back need a row each: 22 of 40 are left for the flap.',
    );
  });

  test('chosen in the place of another, its flap takes the same share', () => {
    const plain: Construction = {
      family: 'fold-over',
      body: {
        of: 'worked',
        swatch: 's2',
        stitches: 50,
        rows: 90,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      },
      flap: 30,
    };
    // A third of 30 rows.
    expect(choose(plain, 'of', 'rows:bobbles')).toMatchObject({ body: bobbles, flap: 10 });
  });

  test('with a front apart it keeps its rows, and the front is plain rows as wide, or one by its rows', () => {
    const apart = choose(folding(6), 'kind', 'apart');
    expect(apart).toMatchObject({ body: tallAndLow, flap: 6, apart: { front: 18 } });
    const { graph, size, w, j } = built(apart);
    near(size.width, 30 * w + j);
    const front = graph.pieces.find(({ id }) => id === 'front');
    expect(front?.make).toMatchObject({ of: 'panel', stitches: 30 });
    // The front is as high as the back's eighteen rows, in low rows.
    const { h } = built(apart);
    const low = (2 * reach(folding(0)).tall - 6 * h) / h;
    expect(front?.make).toMatchObject({ rows: Math.round(low) });

    const own = choose(apart, 'front-of', 'rows:bobbles');
    expect(own).toMatchObject({ apart: { front: bobbles } });
    expect(kinds(own).front).toMatchObject({ panel: 'bobbles', rows: 30 });
    expect(choose(own, 'front-rows-run', 'upright')).toMatchObject({
      apart: { front: { ...bobbles, upright: true } },
    });
    expect(choose(own, 'front-of', 'counted')).toMatchObject({ apart: { front: 18 } });
    expect(choose(apart, 'kind', 'folded')).toMatchObject({ body: tallAndLow, flap: 6 });
  });
});

describe('a panel by its rows is gathered', () => {
  test('three together of the 33 stitches of either end: bands of 11', () => {
    const { graph, w } = built({
      family: 'gathered',
      body: bobbles,
      together: 3,
      band: { swatch: 's2', rows: 4 },
      slit: 0,
    });
    const bands = graph.pieces.filter(({ id }) => id.endsWith('band'));
    expect(bands.map(({ make }) => make.of === 'panel' && make.stitches)).toEqual([11, 11]);
    expect(bands[0]?.edges[0]?.length).toBeCloseTo(11 * w, 6);
    expect(graph.pieces.find(({ id }) => id === 'body')?.make).toMatchObject({ panel: 'bobbles' });
  });
});
