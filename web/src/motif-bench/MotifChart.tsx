import { BUNCHES, extent, type LaidTop, type Point } from '@fennot/core';

/** Slashes across a post, by how often the yarn goes round the hook first. */
const SLASHES: Partial<Record<LaidTop['kind'], number>> = { tall: 1, high: 2 };

/** Pixels of the drawing's half side: the motif is of size 1. */
const HALF = 100;
/** Pixels round it. */
const ROOM = 18;
const INK = 'var(--ink)';

interface MotifChartProps {
  readonly tops: readonly LaidTop[];
  /** The motif's outline at size 1, its lower left at 0, 0; half a motif is worked round the middle of its upper side. */
  readonly outline: readonly Point[];
  readonly half: boolean;
  /** Begun in a ring, not on a chain. */
  readonly ring: boolean;
  readonly label: string;
}

/** A motif in the craft's chart signs, round by round from the ring. */
export function MotifChart({ tops, outline, half, ring, label }: MotifChartProps) {
  const box = extent(outline);
  const [wide, tall] = [2 * HALF * box.width, 2 * HALF * box.height];
  // A square of stitches that stand aslant in its corners is as wide as its side; signs need a little more.
  const up = (half ? 0 : tall / 2) + ROOM;
  return (
    <svg
      viewBox={`${-wide / 2 - ROOM} ${-up} ${wide + 2 * ROOM} ${tall + 2 * ROOM}`}
      role="img"
      aria-label={label}
      className="w-full"
    >
      {ring && <circle r={5} fill="none" stroke={INK} strokeWidth={1.1} />}
      {tops.map((top, i) => (
        <Sign key={i} top={top} />
      ))}
    </svg>
  );
}

function Sign({ top }: { readonly top: LaidTop }) {
  const [fx, fy] = [2 * HALF * top.foot.x, -2 * HALF * top.foot.y];
  const [hx, hy] = [2 * HALF * top.head.x, -2 * HALF * top.head.y];
  const [ax, ay] = [2 * HALF * top.half.x, -2 * HALF * top.half.y];
  const width = Math.min(3.4, Math.hypot(ax, ay));
  if (top.kind === 'chain') {
    const turn = (Math.atan2(ay, ax) * 180) / Math.PI;
    return (
      <ellipse
        cx={hx}
        cy={hy}
        rx={Math.max(1.4, width)}
        ry={Math.max(0.9, width * 0.55)}
        transform={`rotate(${turn} ${hx} ${hy})`}
        fill="var(--card)"
        stroke={INK}
        strokeWidth={0.8}
      />
    );
  }
  const length = Math.hypot(hx - fx, hy - fy) || 1;
  const [ux, uy] = [(hx - fx) / length, (hy - fy) / length];
  const at = (share: number, aside = 0) =>
    `${(fx + ux * length * share - uy * aside).toFixed(2)} ${(fy + uy * length * share + ux * aside).toFixed(2)}`;
  return (
    <path d={signOf(top.kind, at, width)} fill="none" stroke={INK} strokeWidth={0.95} strokeLinecap="round" />
  );
}

/** The lines of one sign, from its foot at 0 to its head at 1. */
function signOf(kind: LaidTop['kind'], at: (share: number, aside?: number) => string, width: number): string {
  if (kind === 'low') return `M${at(0.32, -width)}L${at(0.88, width)}M${at(0.32, width)}L${at(0.88, -width)}`;
  if (BUNCHES.some((bunch) => bunch === kind)) {
    const closed = kind === 'popcorn' ? '' : `M${at(1, -width)}L${at(1, width)}`;
    return `${[-1, 0, 1].map((by) => `M${at(0.1)}Q${at(0.55, by * 2 * width)} ${at(0.96)}`).join('')}${closed}`;
  }
  const slashes = Array.from({ length: SLASHES[kind] ?? 0 }, (_, k) => {
    const share = 0.62 - 0.16 * k;
    return `M${at(share - 0.06, -width * 0.8)}L${at(share + 0.06, width * 0.8)}`;
  }).join('');
  return `M${at(0.1)}L${at(1)}M${at(1, -width)}L${at(1, width)}${slashes}`;
}
