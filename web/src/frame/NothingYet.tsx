import type { ReactNode } from 'react';

interface NothingYetProps {
  readonly title: string;
  readonly text: string;
  /** What begins it. */
  readonly children?: ReactNode;
}

/** A place that is empty: what will be there, and how it comes there. */
export const NothingYet = ({ title, text, children }: NothingYetProps) => (
  <div className="rounded-sm border border-dashed border-line bg-card p-10 text-center">
    <h2 className="text-xl">{title}</h2>
    <p className="mx-auto mt-1 max-w-md text-soft">{text}</p>
    {children && <div className="mt-4 flex justify-center">{children}</div>}
  </div>
);
