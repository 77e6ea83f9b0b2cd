import { formatHex, interpolate, modeRgb, useMode } from 'culori/fn';

// Not a hook: it makes the one colour space known that is mixed in here, and leaves the others out of the page.
// biome-ignore lint/correctness/useHookAtTopLevel: culori's own name for registering a colour space
useMode(modeRgb);

/** Mixes a hex colour towards black (amount below 0) or white (above 0). */
export function shade(hex: string, amount: number): string {
  const mixed = interpolate([hex, amount < 0 ? '#000000' : '#ffffff'], 'rgb')(Math.abs(amount));
  return formatHex(mixed);
}
