import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { STRAP_KINDS, type Straps } from '../document/index.ts';
import { gaugeOf } from '../gauge/index.ts';
import { BODY, dropAt, dropOf, dropTo, hangingLength, hungOn, planStraps, strapPlaces } from './index.ts';

describe('straps', () => {
  const gauge = gaugeOf({
    stitch: 'low',
    yarnWeight: 4,
    strands: 1,
    hook: 5,
    stitches: { count: 20, length: 120 },
    rows: { count: 20, length: 110 },
  });

  test('hang in two straight halves: 550 down from ends 330 apart', () => {
    expect(hangingLength(550, 330)).toBeCloseTo(2 * Math.sqrt(550 ** 2 + 165 ** 2), 9);
  });

  test('are worked shorter by what they stretch, in whole rows', () => {
    const size = { width: 330, front: 60, back: 60 };
    // A strap of 40 cm that hangs 44 cm long stretches by a tenth.
    const hung = { before: 400, after: 440 };
    const straps = { kind: 'rows', swatch: 's2', many: 1, drop: 550, wide: 6, hung } as const;
    const plan = planStraps(straps, gauge, 'cotton', size);
    expect(plan.worked).toBeCloseTo(hangingLength(550, 330) / 1.1, 9);
    expect(plan.count).toBe(Math.round(plan.worked / gauge.row.value));
    expect(plan.measured).toBe(true);
  });

  test('that are panels are as long as their rows, and say how many the drop would take', () => {
    const size = { width: 330, front: 60, back: 60 };
    const hung = { before: 400, after: 440 };
    const straps = { kind: 'along', swatch: 's2', panel: 'p', many: 1, drop: 550, wide: 6, hung } as const;
    const panel = { rows: 100, wide: 9, length: 570, width: 52 };
    const plan = planStraps(straps, gauge, 'cotton', size, panel);
    expect(plan).toMatchObject({
      count: 100,
      counts: 'rows',
      worked: 570,
      width: 52,
      wide: 9,
      stitches: 900,
    });
    // A row is 5.7 mm; 2 √(550² + 165²) = 1148 mm hanging are 1044 worked: 183 rows.
    expect(plan.wanted).toBe(183);
    // Hanging 627 mm from ends 330 apart, it drops √(313.5² − 165²) = 266.6 mm.
    const unit = {
      what: { of: 'row', swatch: 's2' },
      value: 5.5,
      common: 0.2,
      single: 0,
      origin: 'measured',
    } as const;
    expect(dropOf(plan, unit).value).toBeCloseTo(266.6, 1);
  });

  test('stretchier fibres are worked shorter still', () => {
    const size = { width: 330, front: 60, back: 60 };
    for (const kind of STRAP_KINDS) {
      const straps = { kind, swatch: 's2', many: 1, drop: 400, wide: 5 } as const;
      const [cotton, jersey] = ['cotton', 'cotton jersey'].map(
        (fibre) => planStraps(straps, gauge, fibre, size).worked,
      );
      expect(jersey).toBeLessThan(cotton ?? 0);
    }
  });

  test('are placed by the same counts from both sides, and the counts add up to the rim', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 400 }), fc.integer({ min: 1, max: 60 }), (loops, wide) => {
        const places = strapPlaces(loops, wide);
        expect(places).toBeDefined();
        if (!places) return;
        const { fromSide, under, between } = places;
        expect(2 * fromSide + 2 * under + between).toBe(loops);
        for (const n of [fromSide, between]) expect(n).toBeGreaterThanOrEqual(0);
        expect(under).toBeGreaterThanOrEqual(1);
      }),
    );
  });

  const plan = (fields: Partial<Straps> = {}) =>
    planStraps(
      {
        kind: 'rows',
        swatch: 's2',
        many: 1,
        drop: 500,
        wide: 5,
        hung: { before: 100, after: 110 },
        ...fields,
      },
      gauge,
      'cotton',
      { width: 300, front: 60, back: 60 },
    );

  test('with holes each hole shortens the strap by their distance, in drops by hand', () => {
    const { adjust, hanging } = plan({ adjust: { by: 'holes', holes: 3, apart: 8 } });
    // Eight rows of 5.5 mm, a tenth longer under load, are 48.4 mm of strap.
    const row = (110 / 20) * 1.1;
    expect(gauge.row.value).toBeCloseTo(5.5, 1);
    expect(adjust?.holes).toEqual([3, 11, 19]);
    expect(adjust?.more).toBe(3);
    const by = (k: number) => Math.sqrt(((hanging - k * 8 * row) / 2) ** 2 - 150 ** 2);
    adjust?.drops.forEach((drop, k) => {
      expect(drop).toBeCloseTo(by(k), 0);
    });
    expect(adjust?.drops[0]).toBeCloseTo(500, 6);
  });

  test('with a slide it comes down to half of what is worked, never longer than it was planned', () => {
    const { adjust, hanging } = plan({ adjust: { by: 'slide' } });
    const [longest = 0, shortest = 0] = adjust?.drops ?? [];
    expect(longest).toBeCloseTo(500, 6);
    expect(hangingLength(shortest, 300)).toBeGreaterThan(hanging / 2);
    expect(hangingLength(shortest, 300)).toBeLessThan(hanging / 2 + 40);
  });

  test('the drop of a length is the length of a drop, backwards', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 1200, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        (d, a) => {
          expect(dropAt(hangingLength(d, a), a)).toBeCloseTo(d, 5);
        },
      ),
    );
  });

  test('the drop is where its count brings it, and a hang test makes it surer', () => {
    const drops = [{ hung: { before: 100, after: 110 } }, { hung: undefined }].map((fields) =>
      dropOf(plan(fields), {
        what: { of: 'row', swatch: 's2' },
        value: gauge.row.value,
        common: gauge.row.sd,
        single: 0,
        origin: gauge.row.origin,
      }),
    );
    const [measured, estimated] = drops;
    // Whole rows bring it to within half a row's worth of what was wanted.
    expect(Math.abs((measured?.value ?? 0) - 500)).toBeLessThan(gauge.row.value);
    expect(measured?.sd).toBeLessThan(estimated?.sd ?? 0);
    expect(estimated?.because[0]?.what.of).toBe('stretch');
  });
});

describe('a bag on a figure', () => {
  const wearer = { carried: 'shoulder', stature: 1650 } as const;

  test('on the shoulder: 500 below 83 per cent of 165 cm, by hand', () => {
    const hung = hungOn(wearer, 500, 330);
    const holds = 0.83 * 1650;
    // It hangs 4 per cent of the height farther out than the strap lies.
    const down = Math.sqrt(500 ** 2 - (0.04 * 1650) ** 2);
    expect(hung.rim.y).toBeCloseTo(holds - down, 6);
    expect(hung.bottom).toBeCloseTo(holds - down - 330, 6);
    expect(hung).toMatchObject({ rimAt: 'hip', bottomAt: 'knee', trouble: undefined });
  });

  test('the drop to a named place brings the rim there', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('shoulder', 'across', 'elbow', 'hand'),
        fc.integer({ min: 900, max: 2200 }),
        fc.constantFrom('waist', 'hip', 'thigh', 'knee'),
        (carried, stature, level) => {
          const drop = dropTo({ carried, stature }, level);
          if (drop === undefined) return;
          expect(hungOn({ carried, stature }, drop, 300).rim.y).toBeCloseTo(BODY[level] * stature, 6);
          expect(hungOn({ carried, stature }, drop, 300).rimAt).toBe(level);
        },
      ),
    );
  });

  test('what will not do is said: too short for the arm, or on the ground', () => {
    expect(hungOn(wearer, 120, 300).trouble).toBe('too short to slip on');
    expect(hungOn({ carried: 'hand', stature: 1650 }, 420, 350)).toMatchObject({
      trouble: 'on the ground',
      bottomAt: 'ground',
    });
    expect(dropTo({ carried: 'hand', stature: 1650 }, 'waist')).toBeUndefined();
  });

  test('a tape outweighs the table', () => {
    expect(hungOn({ ...wearer, from: 1400 }, 500, 330).holds.y).toBe(1400);
  });
});
