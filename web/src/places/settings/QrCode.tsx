import { create } from 'qrcode';

interface QrCodeProps {
  /** What it says; not told to whoever listens to the page, where it holds a secret. */
  readonly text: string;
  readonly label: string;
  readonly size?: number;
}

/** Modules of blank around a code, as its standard asks for. */
const QUIET = 4;

/** Text as a pattern that a phone's camera reads: dark on light, whatever the theme. */
export function QrCode({ text, label, size = 220 }: QrCodeProps) {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const side = modules.size;
  let path = '';
  for (let row = 0; row < side; row++)
    for (let column = 0; column < side; column++)
      if (modules.get(row, column)) path += `M${column} ${row}h1v1h-1z`;
  const whole = side + 2 * QUIET;
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${-QUIET} ${-QUIET} ${whole} ${whole}`}
      width={size}
      height={size}
      shapeRendering="crispEdges"
      className="max-w-full rounded-sm"
    >
      <rect x={-QUIET} y={-QUIET} width={whole} height={whole} fill="#ffffff" />
      <path d={path} fill="#1e2b28" />
    </svg>
  );
}
