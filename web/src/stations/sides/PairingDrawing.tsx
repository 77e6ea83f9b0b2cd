import type { Take } from '@fennot/core';

interface PairingDrawingProps {
  readonly takes: readonly Take[];
  readonly a: string;
  readonly b: string;
}

/** Insertions drawn at once; a longer edge is drawn as its first stretch. */
const MOST = 24;
const STEP = 16;

/** The pairing magnified: loops of both edges, joined insertion by insertion, doublings marked. */
export function PairingDrawing({ takes, a, b }: PairingDrawingProps) {
  const extra = takes.findIndex((take) => take.a !== take.b);
  // Show a stretch that holds a doubling, when there is one.
  const start = takes.length <= MOST || extra < MOST / 2 ? 0 : extra - MOST / 2;
  const shown = takes.slice(start, start + MOST);
  let [atA, atB] = [0, 0];
  const insertions = shown.map((take, i) => {
    const here = { take, i, fromA: atA, fromB: atB };
    atA += take.a;
    atB += take.b;
    return here;
  });
  const width = Math.max(atA, atB) * STEP;
  const spread = (count: number) => (count > 0 ? width / count : STEP);
  const xA = (loop: number) => (loop + 0.5) * spread(atA);
  const xB = (loop: number) => (loop + 0.5) * spread(atB);
  const loop = (x: number, y: number, double: boolean, key: string) => (
    <ellipse
      key={key}
      cx={x}
      cy={y}
      rx={6}
      ry={4}
      fill={double ? 'var(--loosestrife-pale)' : 'var(--card)'}
      stroke={double ? 'var(--loosestrife)' : 'var(--ink)'}
      strokeWidth={1.4}
    />
  );
  return (
    <figure>
      <svg
        viewBox={`-6 -4 ${width + 12} 68`}
        className="w-full"
        role="img"
        aria-label={`${takes.length} insertions of ${a} with ${b}`}
      >
        {insertions.map(({ take, i, fromA, fromB }) => {
          const double = take.a !== take.b;
          const as = Array.from({ length: take.a }, (_, k) => fromA + k);
          const bs = Array.from({ length: take.b }, (_, k) => fromB + k);
          return (
            <g key={i}>
              {as.flatMap((p) =>
                bs.map((q) => (
                  <line
                    key={`${p}/${q}`}
                    x1={xA(p)}
                    y1={14}
                    x2={xB(q)}
                    y2={46}
                    stroke={double ? 'var(--loosestrife)' : 'var(--kingfisher)'}
                    strokeWidth={double ? 2.4 : 1.3}
                  />
                )),
              )}
              {as.map((p) => loop(xA(p), 10, double && take.a > 1, `a${p}`))}
              {bs.map((q) => loop(xB(q), 50, double && take.b > 1, `b${q}`))}
              {double && (
                <text
                  x={xA(fromA)}
                  y={2}
                  textAnchor="middle"
                  fontSize={9}
                  fill="var(--loosestrife)"
                  fontWeight={700}
                >
                  {start + i + 1}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <figcaption className="flex justify-between text-xs text-soft">
        <span>
          above: {a}; below: {b}
        </span>
        {takes.length > MOST && (
          <span>
            insertions {start + 1} to {start + shown.length} of {takes.length}
          </span>
        )}
      </figcaption>
    </figure>
  );
}
