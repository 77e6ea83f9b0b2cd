/** US letters beside metric hook sizes, as commonly printed on hooks. */
const US_HOOKS: ReadonlyArray<readonly [number, string]> = [
  [2.25, 'B-1'],
  [2.75, 'C-2'],
  [3.25, 'D-3'],
  [3.5, 'E-4'],
  [3.75, 'F-5'],
  [4, 'G-6'],
  [4.5, '7'],
  [5, 'H-8'],
  [5.5, 'I-9'],
  [6, 'J-10'],
  [6.5, 'K-10½'],
  [8, 'L-11'],
  [9, 'M/N-13'],
  [10, 'N/P-15'],
  [12, 'P-16'],
];

/** `4 mm (G-6)`; the letter only where the size has one. */
export function hookName(hookMm: number): string {
  const letter = US_HOOKS.find(([size]) => Math.abs(size - hookMm) < 0.01)?.[1];
  return letter ? `${hookMm} mm (${letter})` : `${hookMm} mm`;
}
