import { type ReactNode, useEffect } from 'react';

interface CounterProps {
  /** What a press says: `Row 37 is done`. */
  readonly label: string;
  /** The number that is looked for from the sofa. */
  readonly number: string;
  readonly under: ReactNode;
  readonly onPress: () => void;
}

/** Controls that have a meaning of their own for the space bar. */
const OWN_SPACE = 'button, a, input, textarea, select, summary, [role="dialog"]';

/** The lower half of the screen: one thumb, one thing. The space bar does it, too. */
export function Counter({ label, number, under, onPress }: CounterProps) {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.code !== 'Space' || event.repeat || event.ctrlKey || event.altKey || event.metaKey) return;
      if (event.target instanceof Element && event.target.closest(OWN_SPACE)) return;
      event.preventDefault();
      onPress();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [onPress]);
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onPress}
      className="flex min-h-44 grow touch-manipulation flex-col items-center justify-center gap-1 border-t-4 border-kingfisher bg-kingfisher-pale px-4 text-ink select-none active:brightness-95"
    >
      <span
        className={`leading-none font-semibold ${/^\d/.test(number) ? 'font-tape text-[clamp(56px,18vh,132px)] tabular-nums' : 'font-head text-6xl'}`}
      >
        {number}
      </span>
      <span className="text-lg font-medium">{under}</span>
    </button>
  );
}
