import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { Wordmark } from './Wordmark.tsx';

interface MessageProps {
  readonly title: string;
  readonly text?: string;
  readonly onRetry?: () => void;
  /** Further ways out. */
  readonly children?: ReactNode;
}

/** A whole page with one thing to say. */
export function Message({ title, text, onRetry, children }: MessageProps) {
  return (
    <main className="mx-auto flex h-full max-w-xl flex-col justify-center gap-4 px-6">
      <Wordmark />
      <h1 className="text-3xl">{title}</h1>
      {text && <p className="text-soft">{text}</p>}
      <div className="flex flex-wrap items-center gap-4">
        {onRetry && (
          <Button look="main" onClick={onRetry}>
            Try again
          </Button>
        )}
        {children}
        {text && (
          <Link to="/" className="font-medium text-kingfisher underline">
            To all bags
          </Link>
        )}
      </div>
    </main>
  );
}
