import { formatHex, interpolate, modeLrgb, modeRgb, useMode, wcagContrast } from 'culori/fn';

// Not hooks: they make the colour spaces known that are mixed and measured in here, and leave the others out of the page.
// biome-ignore lint/correctness/useHookAtTopLevel: culori's own name for registering a colour space
useMode(modeRgb);
// biome-ignore lint/correctness/useHookAtTopLevel: culori's own name for registering a colour space
useMode(modeLrgb);

/** Mixes a hex colour towards black (amount below 0) or white (above 0). */
export function shade(hex: string, amount: number): string {
  const mixed = interpolate([hex, amount < 0 ? '#000000' : '#ffffff'], 'rgb')(Math.abs(amount));
  return formatHex(mixed);
}

/** Black or white, whichever reads better on a colour (WCAG contrast). */
export const readable = (hex: string): string =>
  wcagContrast(hex, '#000000') >= wcagContrast(hex, '#ffffff') ? '#000000' : '#ffffff';
