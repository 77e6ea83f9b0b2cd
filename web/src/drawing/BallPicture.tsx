import { useId } from 'react';
import { shade } from './shade.ts';

interface BallPictureProps {
  readonly colour: string;
  /** Share of a full ball that is left, 0 to 1: what is left of a ball is as much smaller. */
  readonly left: number;
  /** Width of a full ball, px. */
  readonly size?: number;
}

/** Winds of a ball: how they lie across it, degrees, and how far from its middle. */
const WINDS = [-58, -58, -58, 34, 34, 34, 34].map((turn, i) => ({
  turn: (turn * Math.PI) / 180,
  off: [-22, -4, 14, -26, -10, 6, 22][i] ?? 0,
}));

/** Some winds as one path: each a shallow arc across the ball. */
const pathOf = (winds: typeof WINDS): string =>
  winds
    .map(({ turn, off }) => {
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
      const at = (x: number, y: number) =>
        `${(x * cos - y * sin).toFixed(1)} ${(x * sin + y * cos).toFixed(1)}`;
      return `M${at(-52, off - 12)} Q${at(0, off + 16)} ${at(52, off - 12)}`;
    })
    .join('');
const [DARK, LIGHT] = [0, 1].map((odd) => pathOf(WINDS.filter((_, i) => i % 2 === odd)));

/** A ball of yarn, wound in two directions, as large as what is left of it. */
export function BallPicture({ colour, left, size = 26 }: BallPictureProps) {
  const clip = useId();
  // A ball of half the yarn is 0.8 as wide.
  const wide = Math.max(0.3, Math.cbrt(Math.min(1, left)));
  const [dark, light] = [shade(colour, -0.16), shade(colour, 0.14)];
  return (
    <svg width={size} height={size} viewBox="-50 -50 100 100" aria-hidden="true" className="shrink-0">
      <g transform={`translate(0 ${50 * (1 - wide)}) scale(${wide})`}>
        <clipPath id={clip}>
          <circle r={46} />
        </clipPath>
        <circle r={46} fill={colour} />
        <g clipPath={`url(#${clip})`} fill="none" strokeWidth={5} strokeLinecap="round">
          <path d={DARK} stroke={dark} />
          <path d={LIGHT} stroke={light} />
        </g>
        <circle r={46} fill="none" stroke={dark} strokeWidth={3} />
        <path d="M30 36 Q46 46 48 30" fill="none" stroke={dark} strokeWidth={5} strokeLinecap="round" />
      </g>
    </svg>
  );
}
