import { beginDocument, type Construction, planOf } from '@fennot/core';
import { describe, expect, test } from 'vitest';
import { shownStep } from './player.ts';

const construction: Construction = {
  family: 'wrap-round',
  laid: 'tube',
  bottom: 'seam',
  sides: 'joins',
  body: { of: 'motifs', motif: 'm1', rounds: 4, columns: 4, rows: 2 },
};
const document = { ...beginDocument({ name: 'Test' }), construction };
const plan = planOf(document);

describe('the shown step', () => {
  test('forwards each step adds what the one before joined, and the last has joined all but its own', () => {
    const steps = plan.steps();
    let done = new Set<string>();
    steps.forEach((_, i) => {
      const shown = shownStep(plan, i);
      expect(shown.done).toEqual(done);
      for (const seam of shown.now) expect(done.has(seam)).toBe(false);
      done = new Set([...done, ...shown.now]);
    });
    expect(done.size).toBe(plan.graph.seams.length);
  });

  test('steps beyond either end stay at it', () => {
    expect(shownStep(plan, -3).index).toBe(0);
    expect(shownStep(plan, 9999).index).toBe(plan.steps().length - 1);
  });

  test('as you go, a square may be joined on several edges in one step', () => {
    const going = planOf({ ...document, joins: { ...document.joins, school: 'as-you-go' } });
    const most = Math.max(...going.steps().map((_, i) => shownStep(going, i).now.size));
    // The last one: above, to its left, round to the first column, and along the bottom.
    expect(most).toBe(4);
  });
});
