import { describe, expect, test } from 'vitest';
import { planOf } from '../../plan/index.ts';
import { testDocument } from '../../testing/arbitraries.ts';
import { facesAndStrip, squares } from '../../testing/built.ts';
import { TestDevice } from '../../testing/making.ts';
import { mm } from '../../units/index.ts';
import {
  type Check,
  checksDue,
  checkVerdict,
  type Deed,
  type PieceTask,
  recordOf,
  tasksOf,
  withMeasured,
} from '../index.ts';

const document = testDocument(facesAndStrip(squares(2, 2), 8));
const plan = planOf(document);
const taskOf = (begins: string): PieceTask => {
  const task = tasksOf(plan).find(({ id }) => id.startsWith(begins));
  if (task?.of !== 'pieces') throw new Error(`there is no ${begins}`);
  return task;
};
const motif = taskOf('motif/');
const strip = taskOf('panel/');
const after = (...deeds: Deed[]) => {
  const phone = new TestDevice(1);
  return recordOf(deeds.map((deed, i) => phone.does(deed, i)));
};
const made = (many: number): Deed => ({ of: 'made', task: motif.id, rows: motif.rows, many });
const measuredSquare: Deed = {
  of: 'measured',
  what: { of: 'motif', motif: motif.id.split('/')[1] ?? '', rounds: motif.rows, blocked: false },
  mm: 90,
};

describe('what is to be laid under the tape', () => {
  test('squares: the first one, and the third, each until it has been', () => {
    const due = (...deeds: Deed[]) => checksDue(plan, motif, after(...deeds)).map(({ at }) => at);
    expect(due()).toEqual([]);
    expect(due(made(1))).toEqual([1]);
    expect(due(made(2))).toEqual([1]);
    expect(due(made(2), measuredSquare)).toEqual([]);
    expect(due(made(3), measuredSquare)).toEqual([3]);
    expect(due(made(3), measuredSquare, measuredSquare)).toEqual([]);
  });

  test('a square of other rounds is none of these', () => {
    const other: Deed = { of: 'made', task: `${motif.kin}/9`, rows: 9, many: 1 };
    expect(checksDue(plan, motif, after(other))).toEqual([]);
  });

  test('a strip: at its tenth row, and half way', () => {
    const phone = new TestDevice(1);
    const { id: work } = phone.does({ of: 'begun', task: strip.id, rows: strip.rows }, 0);
    const at = (row: number) => {
      phone.does({ of: 'row', work, row }, row);
      return checksDue(plan, strip, recordOf(phone.events)).map((check) => check.at);
    };
    expect(at(9)).toEqual([]);
    expect(at(10)).toEqual([10]);
    expect(at(12)).toEqual([12]);
    phone.does({ of: 'measured', what: { of: 'rows', task: strip.id, swatch: 'dk', count: 12 }, mm: 90 }, 13);
    expect(at(13)).toEqual([]);
    const half = Math.round(strip.rows / 2);
    if (half > 13) expect(at(half)).toEqual([half]);
  });

  test('before its last row once more', () => {
    const phone = new TestDevice(1);
    const { id: work } = phone.does({ of: 'begun', task: strip.id, rows: strip.rows }, 0);
    const half = Math.round(strip.rows / 2);
    const at = (row: number) => {
      phone.does({ of: 'row', work, row }, row);
      return checksDue(plan, strip, recordOf(phone.events)).map((check) => check.at);
    };
    at(half);
    phone.does(
      { of: 'measured', what: { of: 'rows', task: strip.id, swatch: 'dk', count: half }, mm: 90 },
      half,
    );
    expect(at(strip.rows - 2)).toEqual([]);
    expect(at(strip.rows - 1)).toEqual([strip.rows - 1]);
  });

  test('what is unravelled is not measured', () => {
    const phone = new TestDevice(1);
    const { id: work } = phone.does({ of: 'begun', task: strip.id, rows: strip.rows }, 0);
    phone.does({ of: 'row', work, row: 12 }, 1);
    phone.does({ of: 'left', work }, 2);
    expect(checksDue(plan, strip, recordOf(phone.events))).toEqual([]);
  });

  test('off the hook it is expected as much smaller as blocking made those that were blocked', () => {
    const blocked = (size: number | undefined) => {
      const [first] = document.motifs;
      if (!first) throw new Error('there is a motif');
      const measured = [
        { rounds: motif.rows, size: mm(100), ...(size === undefined ? {} : { blocked: mm(size) }) },
      ];
      return planOf({ ...document, motifs: [{ ...first, measured }, ...document.motifs.slice(1)] });
    };
    const own = blocked(104);
    const [due] = checksDue(own, motif, after(made(1)));
    const side = own.sizes.find(({ what }) => what.of === 'motif');
    // 100 became 104: what will be 104 is 100 now.
    expect(due?.expected).toBeCloseTo((side?.value ?? 0) / 1.04, 6);
    const [plain] = checksDue(blocked(undefined), motif, after(made(1)));
    expect(due?.expected).toBeCloseTo(plain?.expected ?? 0, 0);
  });

  test('what is expected is what the plan rests on: side of a square, rows by their height', () => {
    const [check] = checksDue(plan, motif, after(made(1)));
    const side = plan.sizes.find(({ what }) => what.of === 'motif');
    expect(check?.expected).toBeCloseTo(side?.value ?? 0, 9);
    // 90 % of a normal distribution lie within 1.645 standard errors.
    const error = Math.hypot(side?.common ?? 0, side?.single ?? 0);
    expect((check?.range.high ?? 0) - (check?.expected ?? 0)).toBeCloseTo(1.645 * error, 1);
  });
});

describe('what comes of it', () => {
  const check = (): Check => {
    const [one] = checksDue(plan, motif, after(made(1)));
    if (!one) throw new Error('one is due');
    return one;
  };

  test('within the range it is as expected; outside, smaller or larger, by so many per cent', () => {
    const { expected, range } = check();
    expect(checkVerdict(check(), expected)).toEqual({ is: 'as expected', percent: 0 });
    expect(checkVerdict(check(), range.low)).toMatchObject({ is: 'as expected' });
    expect(checkVerdict(check(), range.low - 0.01)).toMatchObject({ is: 'smaller' });
    expect(checkVerdict(check(), range.high + 0.01)).toMatchObject({ is: 'larger' });
    expect(checkVerdict(check(), 0.96 * expected).percent).toBeCloseTo(-4, 9);
  });

  test('a square that came out 4 % small moves the plan towards it, and draws its range in', () => {
    const { what, expected, range } = check();
    const next = planOf(withMeasured(document, what, 0.96 * expected));
    const [again] = checksDue(next, motif, after(made(1)));
    expect(again?.expected).toBeLessThan(expected);
    expect(again?.expected).toBeGreaterThanOrEqual(0.96 * expected - 1e-6);
    expect((again?.range.high ?? 0) - (again?.range.low ?? 0)).toBeLessThan(range.high - range.low);
    const width = (one: typeof plan) =>
      one.tapes.find(({ measure }) => measure === 'width')?.finished.value ?? 0;
    expect(width(next)).toBeLessThan(width(plan));
  });
});
