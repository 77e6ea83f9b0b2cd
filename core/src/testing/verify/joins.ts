import { planned } from '../../plan/index.ts';
import { JOIN_METHODS } from '../../runs/index.ts';
import { type Check, differ } from './check.ts';

/** Lines joined another way, one by one, against the bag joined that way. */
export const joins: Check = {
  name: 'Joins line by line',
  how: 'every line changed to the next method by itself, against that method chosen for the bag: the same sizes, the same yarn',
  of({ document, graph }) {
    const { method } = document.joins;
    const other = JOIN_METHODS[(JOIN_METHODS.indexOf(method) + 1) % JOIN_METHODS.length] ?? method;
    const lines = Object.fromEntries(graph.lines.map(({ id }) => [id, { method: other }]));
    const plain = { ...document.joins, lines: undefined, last: undefined };
    // More lines than can be told apart one by one.
    if (graph.lines.length > 100) return [];
    const one = planned({ ...document, joins: { ...plain, lines } });
    const all = planned({ ...document, joins: { ...plain, method: other } });
    if (!one.ok || !all.ok) return [];
    return one.plan.tapes.flatMap(({ measure, finished }) =>
      differ(
        measure,
        finished.value,
        all.plan.tapes.find((tape) => tape.measure === measure)?.finished.value ?? Number.NaN,
        0.01,
      ),
    );
  },
};

/** What is on the left is on the right. */
export const mirrored: Check = {
  name: 'Left as right',
  how: 'lines that are called left and right and are equally long have the same loops on both sides',
  of({ lines }) {
    return lines.flatMap((left) => {
      if (!/\bleft\b/i.test(left.name)) return [];
      const name = left.name.replace(/\bLeft\b/, 'Right').replace(/\bleft\b/, 'right');
      const right = lines.find((line) => line.name === name);
      if (!right) return [];
      const pair = (line: typeof left) => [line.a, line.b].map(({ loops }) => loops).sort((p, q) => p - q);
      const long = (line: typeof left) => [line.a, line.b].map(({ length }) => length).sort((p, q) => p - q);
      const same = long(left).every((length, i) => Math.abs(length - (long(right)[i] ?? 0)) < 1e-6);
      return !same || pair(left).join() === pair(right).join()
        ? []
        : [`${left.name} ${pair(left).join(':')}, ${right.name} ${pair(right).join(':')}`];
    });
  },
};
