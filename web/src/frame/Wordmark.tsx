import { Link } from 'react-router';

/** Fennot's name, with a folded flap whose edge is stitched. */
export function Wordmark({ small }: { readonly small?: boolean }) {
  return (
    <Link
      to="/"
      className="flex items-center gap-1.5 font-head text-lg font-bold text-reed"
      aria-label="Fennot: all bags"
    >
      <svg viewBox="0 0 32 32" className="size-6" aria-hidden="true">
        <path d="M4 11 16 4l12 7-3 17H7Z" fill="var(--reed)" />
        <path
          d="M4 11 16 18 28 11"
          fill="none"
          stroke="var(--marigold)"
          strokeWidth={3}
          strokeDasharray="4 2.4"
          strokeLinejoin="round"
        />
      </svg>
      <span className={small ? 'max-sm:hidden' : ''}>Fennot</span>
    </Link>
  );
}
