import fc from 'fast-check';
import { expect, test } from 'vitest';
import { planned } from '../plan/index.ts';
import { documents } from '../testing/arbitraries.ts';
import { runSteps, tasksOf } from './index.ts';

test('each step of a run has its name, and all that the hands do in the run is in one of them, in order', () => {
  fc.assert(
    fc.property(documents, (document) => {
      const made = planned(document);
      if (!made.ok) return;
      const { plan } = made;
      for (const task of tasksOf(plan)) {
        if (task.of !== 'steps' || task.run === undefined) continue;
        const own = runSteps(plan, task);
        expect(own.map(({ step }) => step)).toEqual(task.steps);
        const all = plan
          .steps()
          .filter(({ run, does }) => run === task.run && does !== 'tuck' && does !== 'turn-out');
        expect(own.flatMap(({ does }) => does)).toEqual(all);
        for (const { step, does } of own)
          for (const one of does) {
            // The name is that of the seam that is joined; of a part of one it begins so.
            if (one.does === 'join') expect(step === one.seam || step.startsWith(`${one.seam}@`)).toBe(true);
            if (one.does === 'motif') expect(step).toBe(`piece/${one.piece}`);
          }
      }
    }),
    { numRuns: 80 },
  );
});
