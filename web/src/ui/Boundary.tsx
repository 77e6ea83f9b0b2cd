import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Button } from './Button.tsx';

interface BoundaryProps {
  /** What it is that may fail: `The drawing`, `This station`. */
  readonly what: string;
  /** What it is made from: when that changes, it is tried again. */
  readonly of: unknown;
  /** Further ways out. */
  readonly more?: ReactNode;
  readonly children: ReactNode;
}

/** A fault in one part of the screen stays in that part, and says so. */
export function Boundary({ what, of, more, children }: BoundaryProps) {
  return (
    <ErrorBoundary
      resetKeys={[of]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <div role="alert" className="m-3 flex flex-col items-start gap-2 text-sm">
          <p>
            <b>{what} cannot be shown.</b>{' '}
            {error instanceof Error ? error.message : 'There is a fault in it.'} Nothing is lost.
          </p>
          <div className="flex flex-wrap gap-2">
            <Button small onClick={resetErrorBoundary}>
              Try again
            </Button>
            {more}
          </div>
        </div>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
