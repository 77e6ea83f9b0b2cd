import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { documentSchema } from '../../document/index.ts';
import { featureControls } from '../../features/index.ts';
import { between } from '../../fields/index.ts';
import { ROUNDING } from '../../geometry/index.ts';
import { constructions, features, testDocument } from '../../testing/arbitraries.ts';
import { built } from '../../testing/built.ts';
import { type Construction, type Control, constructionSchema, familyOf } from '../index.ts';
import { multipleSchema } from '../layout/body.ts';
import { bodyControls, lift, panelOfSize, squaresOfSize } from './control.ts';
import { ofPart, swatchChoice, yesNo } from './control-kinds.ts';

type Figure<C> = Extract<Control<C>, { kind: 'count' | 'length' }>;

const isFigure = <C>(control: Control<C>): control is Figure<C> => control.kind !== 'choice';

/** The construction's own controls, as the station Build shows them. */
const controlsOf = (construction: Construction) => {
  const { materials, choices } = built(construction);
  return familyOf(construction).controls(materials, choices);
};

describe('the controls of every family', () => {
  test('have names of their own, and stand within their bounds', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const controls = controlsOf(construction);
        expect(new Set(controls.map(({ id }) => id)).size).toBe(controls.length);
        for (const control of controls.filter(isFigure)) {
          expect(control.min).toBeLessThanOrEqual(control.value);
          expect(control.max).toBeGreaterThanOrEqual(control.value);
          expect(control.step).toBeGreaterThan(0);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('offer nothing that the schema refuses: the least, the most, and whatever lies between', () => {
    fc.assert(
      fc.property(constructions, fc.double({ min: 0, max: 1, noNaN: true }), (construction, share) => {
        for (const control of controlsOf(construction)) {
          const tried: Construction[] = isFigure(control)
            ? [
                control.min,
                control.max,
                control.min + control.step * Math.floor((share * (control.max - control.min)) / control.step),
              ].map((value) => control.set(value))
            : control.options.map(({ value }) => control.set(value));
          for (const next of tried) expect(constructionSchema.safeParse(next).error).toBeUndefined();
        }
      }),
      { numRuns: 80 },
    );
  });

  test('end where the schema ends: a step further is refused', () => {
    /** The rest of the bag leaves these less room than the schema: a flap the rows of its body, a slit two thirds of a face. */
    const sooner = (family: string, id: string) =>
      (family === 'fold-over' && id === 'flap') || (family === 'gathered' && id === 'slit');
    fc.assert(
      fc.property(constructions, (construction) => {
        for (const control of controlsOf(construction).filter(isFigure)) {
          if (sooner(construction.family, control.id)) continue;
          const beyond = constructionSchema.safeParse(control.set(control.max + control.step));
          expect(beyond.success, `${construction.family}: ${control.id}`).toBe(false);
        }
      }),
      { numRuns: 80 },
    );
  });

  test('leave two thirds of a gathered face open at most, and show no more than is open', () => {
    // 60 rows of 5.5 mm make 330 mm, half of them a face: 165 mm, of which 110 may be open and 55 are sewn.
    const construction: Construction = {
      family: 'gathered',
      body: {
        of: 'worked',
        swatch: 's2',
        stitches: 60,
        rows: 60,
        multiple: { multiple: 1, extra: 0 },
        rowsRun: 'across',
      },
      together: 2,
      band: { swatch: 's2', rows: 4 },
      slit: 400,
    };
    const slit = controlsOf(construction)
      .filter(isFigure)
      .find(({ id }) => id === 'slit');
    expect(slit).toMatchObject({ value: 110, max: 110 });
    const sewn = built(construction).graph.seams.filter(({ kind }) => kind === 'closing');
    expect(sewn.map(({ a }) => Math.round(Math.abs(a.to - a.from)))).toEqual([55, 55]);
  });

  test('show what is chosen among what can be chosen', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        for (const control of controlsOf(construction)) {
          if (isFigure(control)) continue;
          const values = control.options.map(({ value }) => value);
          expect(values).toContain(control.value);
          expect(new Set(values).size).toBe(values.length);
          expect(control.options.every(({ label }) => label.trim() !== '')).toBe(true);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('can be pulled: a grip stands on the net, and a step of it is some way', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        for (const control of controlsOf(construction).filter(isFigure)) {
          const { grip } = control;
          if (!grip) continue;
          expect([grip.at.x, grip.at.y].every(Number.isFinite)).toBe(true);
          expect(Math.abs(grip.perStep)).toBeGreaterThan(0.5);
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('the controls of what goes onto a bag', () => {
  test('offer nothing that a document may not say', () => {
    fc.assert(
      fc.property(constructions, features, (construction, own) => {
        const { graph, materials, choices } = built(construction);
        const document = testDocument(construction);
        for (const control of featureControls(own, graph, materials, choices)) {
          const tried = isFigure(control)
            ? [control.min, control.value, control.max].map((value) => control.set(value))
            : control.options.map(({ value }) => control.set(value));
          for (const next of tried) {
            const read = documentSchema.safeParse({ ...document, features: next });
            expect(read.error?.issues, control.id).toBeUndefined();
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  test('what is switched on and off again is gone, and the rest stays', () => {
    fc.assert(
      fc.property(constructions, (construction) => {
        const { graph, materials, choices } = built(construction);
        for (const control of featureControls({}, graph, materials, choices)) {
          if (isFigure(control)) continue;
          const on = control.set(control.options.at(-1)?.value ?? '');
          const again = featureControls(on, graph, materials, choices).find(({ id }) => id === control.id);
          if (!again || isFigure(again)) throw new Error(`${control.id} went away when it was switched on`);
          expect(again.value).toBe(control.options.at(-1)?.value);
          expect(again.set(control.value)).toEqual({});
        }
      }),
      { numRuns: 40 },
    );
  });

  test('a drawstring has an eyelet about every 4.5 cm of the opening, in an even number', () => {
    // Six columns a face of four-round squares: the opening is twelve sides and twelve joins, no round base.
    const { graph, materials, choices, size } = built({
      family: 'wrap-round',
      laid: 'tube',
      bottom: 'seam',
      sides: 'joins',
      body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 12, rows: 3 },
    });
    const [switched] = featureControls({}, graph, materials, choices).filter(({ id }) => id === 'drawstring');
    if (!switched || isFigure(switched)) throw new Error('no drawstring to switch on');
    const eyelets = switched.set('yes').drawstring?.eyelets ?? 0;
    expect(eyelets % 2).toBe(0);
    expect(Math.abs(size.opening / eyelets - 45)).toBeLessThan(3);
  });

  test('asked for an odd number of eyelets, the cord still comes out where it went in', () => {
    const { graph, materials, choices } = built({ family: 'two-faces', face: SQUARES, tuck: 0 });
    const control = featureControls({ drawstring: { eyelets: 8 } }, graph, materials, choices).find(
      ({ id }) => id === 'eyelets',
    );
    if (!control || !isFigure(control)) throw new Error('no eyelets to count');
    expect(control.set(11)).toEqual({ drawstring: { eyelets: 12 } });
    expect(control.set(10)).toEqual({ drawstring: { eyelets: 10 } });
  });
});

const SQUARES = { of: 'motifs', motif: 'm1', rounds: 4, columns: 3, rows: 2 } as const;

describe('the parts that controls are made of', () => {
  const { materials, choices } = built({ family: 'two-faces', face: SQUARES, tuck: 0 });
  const options = {
    choices,
    materials,
    corner: { x: 300, y: 200 },
    columnsLabel: 'columns',
    rowsLabel: 'rows',
  };

  test('a panel’s multiple is asked for within the schema’s own bounds', () => {
    const panel = panelOfSize({ width: 300, height: 200 }, 's2', materials);
    const controls = bodyControls(panel, options);
    const bounds = (id: string) => {
      const control = controls.find((one) => one.id === id);
      return control && isFigure(control) ? { min: control.min, max: control.max } : undefined;
    };
    expect(bounds('multiple')).toEqual(between(multipleSchema.shape.multiple));
    expect(bounds('extra')).toEqual(between(multipleSchema.shape.extra));
  });

  test('a count that is no multiple is told, with the counts on either side', () => {
    const panel = {
      ...panelOfSize({ width: 300, height: 200 }, 's2', materials),
      stitches: 24,
      multiple: { multiple: 5, extra: 2 },
    };
    // 22 is four times five and two more, 27 is five times five and two more.
    const [problem] = bodyControls(panel, options).flatMap((control) =>
      isFigure(control) && control.problem ? [control.problem] : [],
    );
    expect(problem).toMatch(/22/);
    expect(problem).toMatch(/27/);
  });

  test('squares of a size are as many as come nearest to it', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 900, noNaN: true }), (width) => {
        const { columns, rounds } = squaresOfSize({ width, height: 200 }, 'm1', materials);
        const side = materials.motifSide('m1', rounds) + materials.join();
        const off = (many: number) => Math.abs(many * side - width);
        for (const other of [columns - 1, columns + 1])
          if (other > 0) expect(off(columns)).toBeLessThanOrEqual(off(other) + ROUNDING);
      }),
    );
  });

  test('a part’s controls are told by its name, and have no grips on the net', () => {
    const named = ofPart('flap', 'Flap', bodyControls(SQUARES, options));
    expect(named.length).toBeGreaterThan(1);
    for (const control of named) {
      expect(control.id).toMatch(/^flap-/);
      expect(control.label).toMatch(/^Flap: \p{Ll}/u);
      if (isFigure(control)) expect(control.grip).toBeUndefined();
    }
  });

  test('nothing is asked where there is one swatch alone', () => {
    const one = { ...choices, swatches: choices.swatches.slice(0, 1) };
    expect(swatchChoice('x', 'Worked in', 's1', one, (swatch) => swatch)).toEqual([]);
    expect(swatchChoice('x', 'Worked in', 's1', choices, (swatch) => swatch)).toHaveLength(1);
  });

  test('a lifted control sets the whole that its own value is in', () => {
    const lifted = lift(
      yesNo('a', 'A', false, (on) => on),
      (inner) => ({ inner }),
    );
    expect(lifted.kind === 'choice' && lifted.set('yes')).toEqual({ inner: true });
    const counted = lift<number, { inner: number }>(
      { kind: 'count', id: 'n', label: 'N', value: 1, min: 1, max: 9, step: 1, set: (n) => n * 10 },
      (inner) => ({ inner }),
    );
    expect(counted.kind !== 'choice' && counted.set(4)).toEqual({ inner: 40 });
  });
});
