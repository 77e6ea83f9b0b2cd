import { type LengthSystem, wholeYarn, type YarnNeed, type YarnPart } from '@fennot/core';

/** What yarn goes into, as it is called, and how strongly it is drawn in a bar. */
export const PARTS: Record<YarnPart, { readonly name: string; readonly shade: number }> = {
  motifs: { name: 'motifs', shade: 1 },
  panels: { name: 'panels', shade: 1 },
  tails: { name: 'tails', shade: 0.45 },
  edge: { name: 'edge', shade: 0.8 },
  straps: { name: 'straps', shade: 0.65 },
  closure: { name: 'closure', shade: 0.55 },
  cord: { name: 'cord', shade: 0.7 },
  joins: { name: 'joins', shade: 0.6 },
  swatches: { name: 'swatches', shade: 0.35 },
  ripping: { name: 'ripped back', shade: 0.25 },
};

interface NeedBarProps {
  readonly need: YarnNeed;
  readonly colour: string;
  /** What lies there, mm; nothing where nothing is set aside. */
  readonly there: number | undefined;
  /** mm that a whole bar stands for. */
  readonly most: number;
  readonly system: LengthSystem;
}

/** What a yarn goes into, part by part; under it what lies there, as a strand of it. */
export function NeedBar({ need, colour, there, most, system }: NeedBarProps) {
  const share = (mm: number) => `${Math.min(100, (100 * mm) / most)}%`;
  return (
    <div className="relative mt-1" aria-hidden>
      <div className="relative flex h-4 overflow-hidden rounded-sm border border-line bg-table">
        {need.parts.map(({ part, length }) => (
          <span
            key={part}
            title={`${PARTS[part].name}: ${wholeYarn(length, system)}`}
            className="h-full border-r border-card/60 last:border-r-0"
            style={{
              width: share(length),
              background: `color-mix(in oklab, ${colour} ${100 * PARTS[part].shade}%, var(--card))`,
            }}
          />
        ))}
        {/* Where the range ends: so much it may be. */}
        <span
          className="absolute inset-y-0 border-r border-dashed border-ink/50"
          style={{ left: share(need.length), width: `calc(${share(need.high)} - ${share(need.length)})` }}
        />
      </div>
      {there !== undefined && (
        <div className="relative mt-0.5 h-2.5">
          <span
            title={`${wholeYarn(there, system, { spare: true })} there`}
            className="absolute top-1 h-1 rounded-full border border-ink/30"
            style={{ width: share(there), background: colour }}
          />
          <span className="absolute -top-5 h-7 w-0 border-l-2 border-ink" style={{ left: share(there) }} />
        </div>
      )}
    </div>
  );
}
