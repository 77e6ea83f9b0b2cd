import type { ReactNode } from 'react';

interface SectionProps {
  readonly title: string;
  readonly children: ReactNode;
  readonly aside?: ReactNode;
}

/** A titled part of the worktop. */
export function Section({ title, children, aside }: SectionProps) {
  return (
    <section className="border-b border-line px-4 py-3 last:border-b-0">
      <div className="mb-2 flex items-baseline justify-between gap-2">
        <h3 className="text-[15px]">{title}</h3>
        {aside}
      </div>
      <div className="flex flex-col gap-2.5">{children}</div>
    </section>
  );
}

/** Two or more fields side by side. */
export function Row({ children }: { readonly children: ReactNode }) {
  return <div className="grid auto-cols-fr grid-flow-col items-start gap-2">{children}</div>;
}
