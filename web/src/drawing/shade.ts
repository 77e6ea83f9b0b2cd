/** Mixes a hex colour towards black (amount below 0) or white (above 0). */
export function shade(hex: string, amount: number): string {
  const towards = amount < 0 ? 0 : 255;
  const by = Math.abs(amount);
  const channel = (start: number) => {
    const value = Number.parseInt(hex.slice(start, start + 2), 16);
    return Math.round(value + (towards - value) * by)
      .toString(16)
      .padStart(2, '0');
  };
  return `#${channel(1)}${channel(3)}${channel(5)}`;
}
