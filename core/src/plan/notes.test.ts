import { describe, expect, test } from 'vitest';
import { mm } from '../units/index.ts';
import { beginDocument, type Note, notesOf, type Plan, planOf } from './index.ts';

const at = (plan: Plan, where: Note['at']) => notesOf(plan).find((note) => note.at === where);

const fresh = beginDocument({ name: 'Test' });

describe('what a station says beside its name', () => {
  test('a bag just begun has nothing measured; with a square measured it has', () => {
    expect(at(planOf(fresh), 'swatch')?.is).toBe('not measured');
    const motifs = fresh.motifs.map((motif) => ({ ...motif, measured: [{ rounds: 5, size: mm(110) }] }));
    expect(at(planOf({ ...fresh, motifs }), 'swatch')).toBeUndefined();
  });

  test('without a target the brief says so', () => {
    const { width: _w, height: _h, ...brief } = fresh.brief;
    expect(at(planOf({ ...fresh, brief }), 'brief')?.is).toBe('no target');
  });

  test('a size off its target is named at Build, a strap’s drop at Finish', () => {
    const off = { value: mm(100), tolerance: 5 };
    const plan = planOf({
      ...fresh,
      brief: { width: off, strapDrop: off },
      finish: { straps: { kind: 'rows', swatch: 's1', many: 1, drop: 500, wide: 6 } },
    });
    expect(at(plan, 'build')).toMatchObject({ is: 'off', measures: ['width'] });
    expect(at(plan, 'finish')).toMatchObject({ is: 'off', measures: ['strapDrop'] });
  });

  test('something that does not go in is told at the brief', () => {
    const content = {
      id: 'f',
      name: 'Folder',
      shape: 'box' as const,
      width: mm(900),
      height: mm(50),
      thickness: mm(900),
    };
    const plan = planOf({ ...fresh, brief: { ...fresh.brief, contents: [content] } });
    expect(at(plan, 'brief')?.is).toBe('does not fit');
  });
});
