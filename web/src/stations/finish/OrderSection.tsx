import type { Operation } from '@fennot/core';
import { TriangleAlert } from 'lucide-react';
import { Section } from '../../ui/Section.tsx';

/** All the work in its order, with the reason for each place and the usual cautions. */
export function OrderSection({ operations }: { readonly operations: readonly Operation[] }) {
  const titles = new Map(operations.map(({ id, title }) => [id, title]));
  return (
    <Section title="Order of work">
      <ol className="flex flex-col gap-2" aria-label="Order of work">
        {operations.map(({ id, title, after, caution }, i) => (
          <li key={id} className="grid grid-cols-[1.6rem_1fr] text-sm">
            <span className="font-semibold text-soft tabular-nums">{i + 1}</span>
            <div>
              <p className="font-medium">{title}</p>
              {id !== 'last' &&
                after.map((need) => (
                  <p key={need.id} className="text-xs text-soft">
                    after “{titles.get(need.id) ?? need.id}”: {need.because}
                  </p>
                ))}
              {caution && (
                <p className="mt-0.5 flex gap-1.5 text-xs text-soft">
                  <TriangleAlert
                    size={13}
                    className="mt-0.5 shrink-0 text-loosestrife"
                    aria-label="Caution"
                  />
                  {caution}
                </p>
              )}
            </div>
          </li>
        ))}
      </ol>
    </Section>
  );
}
