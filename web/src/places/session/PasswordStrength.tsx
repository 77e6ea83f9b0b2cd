import { plainPassword } from '@fennot/core';
import { useEffect, useState } from 'react';

/** How hard a password is to guess, 0 to 4; nothing until it is known. */
function useStrength(password: string, name: string): number | undefined {
  const [score, setScore] = useState<number | undefined>(undefined);
  useEffect(() => {
    let over = false;
    if (password === '') setScore(undefined);
    // Lists of the most usual passwords are fetched when somebody begins to type one.
    else
      void import('./guess.ts').then(({ scoreOf }) => {
        if (!over) setScore(scoreOf(plainPassword(password), name));
      });
    return () => {
      over = true;
    };
  }, [password, name]);
  return score;
}

const WORDS = ['guessed at once', 'guessed soon', 'passable', 'good', 'very good'] as const;
/** What the server takes at least. */
const LEAST = 2;

/** How hard the password that is being typed is to guess: a row of stitches that fills. */
export function PasswordStrength({ password, name }: { readonly password: string; readonly name: string }) {
  const score = useStrength(password, name);
  if (score === undefined) return null;
  const good = score >= LEAST;
  return (
    <p className="flex items-center gap-2 text-sm" role="status">
      <svg viewBox="0 0 100 12" className="h-3 w-24" aria-hidden="true">
        {WORDS.map((word, i) => (
          <path
            key={word}
            d={`M${i * 20 + 3} 10 q7 -14 14 0`}
            fill="none"
            strokeWidth={3}
            strokeLinecap="round"
            stroke={i > score ? 'var(--line)' : good ? 'var(--reed)' : 'var(--loosestrife)'}
          />
        ))}
      </svg>
      <span className={good ? 'text-soft' : 'text-loosestrife'}>{WORDS[score]}</span>
    </p>
  );
}
