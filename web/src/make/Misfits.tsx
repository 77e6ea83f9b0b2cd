import type { Misfit } from '@fennot/core';

/** What was made and has no place in the plan as it is now. */
export function Misfits({ misfits }: { readonly misfits: readonly Misfit[] }) {
  if (misfits.length === 0) return null;
  return (
    <section aria-label="Does not fit the plan" className="bg-loosestrife-pale px-4 py-2 text-sm">
      <ul className="flex flex-col gap-0.5">
        {misfits.map((one, i) => (
          <li key={`${one.is} ${i}`}>{misfitText(one)}</li>
        ))}
      </ul>
    </section>
  );
}

const pieces = (many: number) => `${many} ${many === 1 ? 'piece' : 'pieces'}`;
const each = (many: number) => (many === 1 ? 'it' : 'each');

/** What does not fit, and what could be done about it. */
export function misfitText(one: Misfit): string {
  switch (one.is) {
    case 'rows': {
      const { task, rows, many } = one;
      const more = task.rows - rows;
      const word = (n: number) => `${n} ${n === 1 ? task.counts.slice(0, -1) : task.counts}`;
      const cure =
        more > 0 ? `add ${word(more)} to ${each(many)}` : `rip ${word(-more)} of ${each(many)} back`;
      return `${task.title}: ${pieces(many)} of ${word(rows)} ${many === 1 ? 'was' : 'were'} made; the plan now wants ${word(task.rows)}. Either ${cure}, or plan with ${word(rows)} again.`;
    }
    case 'too many':
      return `${one.task.title}: ${pieces(one.many)} more than the plan wants.`;
    case 'not wanted':
      return `${pieces(one.many)} of ${one.rows} rows or rounds ${one.many === 1 ? 'is' : 'are'} of a kind that the plan has no place for any more.`;
    case 'steps gone':
      return `${one.many} ${one.many === 1 ? 'join was' : 'joins were'} worked that the plan no longer has.`;
  }
}
