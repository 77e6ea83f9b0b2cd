import type { Stitch } from '@fennot/core';
import { shade } from './shade.ts';

/** A tile of two stitches by two rows as an SVG image address, to be repeated over a panel. */
export function panelTile(stitch: Stitch, colour: string): string {
  const dark = shade(colour, -0.34);
  const light = shade(colour, 0.28);
  const strand = (d: string, width: number) =>
    `<path d="${d}" stroke="${dark}" stroke-width="${width * 1.35}"/><path d="${d}" stroke="${colour}" stroke-width="${width}"/><path d="${d}" stroke="${light}" stroke-width="${width * 0.28}" stroke-opacity="0.7"/>`;
  const marks: string[] = [];
  for (const row of [0, 1]) {
    for (const column of [-1, 0, 1, 2]) {
      const x = column * 20 + (row === 1 ? 2 : 0);
      const y = row * 20;
      if (stitch === 'low') {
        // A low stitch shows as a V; in the next row, worked from the other side, as a bump.
        marks.push(
          row === 0
            ? strand(`M${x + 3} ${y + 4}L${x + 10} ${y + 15}L${x + 17} ${y + 4}`, 6)
            : strand(`M${x + 1} ${y + 13}L${x + 8} ${y + 5}L${x + 15} ${y + 13}`, 6),
        );
      } else {
        const lean = row === 0 ? 2 : -2;
        marks.push(strand(`M${x + 10 - lean} ${y + 19}L${x + 10 + lean} ${y + 6}`, 11));
        marks.push(`<path d="M${x + 6} ${y + 14}L${x + 14} ${y + 10}" stroke="${dark}" stroke-width="1.6"/>`);
        marks.push(strand(`M${x + 4} ${y + 3}L${x + 16} ${y + 2}`, 5.5));
      }
    }
  }
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40" width="80" height="80"><rect width="40" height="40" fill="${shade(colour, -0.32)}"/><g fill="none" stroke-linecap="round" stroke-linejoin="round">${marks.join('')}</g></svg>`;
  return `data:image/svg+xml,${encodeURIComponent(svg)}`;
}
