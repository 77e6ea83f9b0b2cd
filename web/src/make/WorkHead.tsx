import type { MakeEvent } from '@fennot/core';
import { ArrowLeft, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../ui/Button.tsx';
import type { Making } from './log/use-logbook.ts';

interface WorkHeadProps {
  readonly title: string;
  readonly far: string;
  /** What was done last, to be taken back. */
  readonly back: readonly MakeEvent[];
  readonly making: Making;
}

/** What is worked on, the way back to the table, and the way back by one. */
export const WorkHead = ({ title, far, back, making }: WorkHeadProps) => (
  <div className="flex items-center gap-2 border-b border-line bg-card px-2 py-1">
    <Link
      to="?"
      aria-label="To the table"
      className="grid size-11 shrink-0 place-items-center rounded-sm text-soft hover:bg-kingfisher-pale hover:text-kingfisher"
    >
      <ArrowLeft size={20} />
    </Link>
    <div className="min-w-0 grow">
      <h1 className="truncate text-base">{title}</h1>
      {far && <p className="text-xs text-soft">{far}</p>}
    </div>
    <Button
      className="min-h-11 shrink-0 whitespace-nowrap"
      disabled={back.length === 0}
      onClick={() => making.undo(back)}
    >
      <Undo2 size={16} /> Back one
    </Button>
  </div>
);
