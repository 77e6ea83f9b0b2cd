import type { ReactNode } from 'react';
import { Wordmark } from '../../frame/Wordmark.tsx';

interface DoorstepProps {
  readonly title: string;
  readonly text?: ReactNode;
  readonly children: ReactNode;
}

/** A page before one is in: one thing to do, and beside it a bag that is still shut. */
export function Doorstep({ title, text, children }: DoorstepProps) {
  return (
    <div className="grid min-h-full md:grid-cols-[1fr_minmax(0,26rem)_minmax(0,22rem)_1fr]">
      <main className="flex flex-col justify-center gap-5 px-6 py-10 md:col-start-2">
        <Wordmark />
        <div>
          <h1 className="text-3xl">{title}</h1>
          {text && <p className="mt-2 text-soft">{text}</p>}
        </div>
        {children}
      </main>
      <div className="hidden items-center justify-center p-8 md:flex">
        <ShutBag />
      </div>
    </div>
  );
}

/** Rounds of the squares on the shut bag, from outside in. */
const ROUNDS = ['var(--kingfisher)', 'var(--marigold)', 'var(--reed)', 'var(--loosestrife)'] as const;

/** A tote of nine squares with its flap down and its button through the loop. */
function ShutBag() {
  const squares = Array.from({ length: 9 }, (_, i) => ({
    x: (i % 3) * 60 + 10,
    y: Math.floor(i / 3) * 60 + 90,
    i,
  }));
  return (
    <svg viewBox="0 0 200 290" className="w-full max-w-64" aria-hidden="true">
      <path
        d="M40 92 C40 10 160 10 160 92"
        fill="none"
        stroke="var(--reed)"
        strokeWidth={9}
        strokeDasharray="7 3"
        strokeLinecap="round"
      />
      {squares.map(({ x, y, i }) => (
        <g key={i} transform={`translate(${x} ${y})`}>
          {ROUNDS.map((colour, r) => (
            <rect
              key={colour}
              x={1 + r * 7}
              y={1 + r * 7}
              width={58 - r * 14}
              height={58 - r * 14}
              rx={5}
              fill="var(--card)"
              stroke={ROUNDS[(r + i) % ROUNDS.length]}
              strokeWidth={5}
              strokeDasharray="5.5 2.2"
              strokeLinejoin="round"
            />
          ))}
        </g>
      ))}
      <path
        d="M8 88 H192 L150 172 Q100 196 50 172 Z"
        fill="var(--reed-pale)"
        stroke="var(--reed)"
        strokeWidth={3}
      />
      <path
        d="M14 93 H186 L146 168 Q100 190 54 168 Z"
        fill="none"
        stroke="var(--marigold)"
        strokeWidth={3}
        strokeDasharray="6 4"
        strokeLinejoin="round"
      />
      <circle cx={100} cy={160} r={12} fill="var(--marigold)" stroke="var(--marigold-ink)" strokeWidth={2} />
      <circle cx={96} cy={160} r={1.8} fill="var(--marigold-ink)" />
      <circle cx={104} cy={160} r={1.8} fill="var(--marigold-ink)" />
    </svg>
  );
}
