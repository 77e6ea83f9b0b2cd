/** So far a grip is pulled for one step at least, px: a step of a few pixels could not be aimed at. */
export const LEAST_STEP = 9;

/**
 * Steps of a pull along a grip's axis, as seen on the screen (px to the right, or up).
 *
 * @param perStep how far the bag grows for a step, mm along the axis; below zero where more lies the other way.
 * @param px mm of a pixel.
 */
export function stepsOf(pulled: number, perStep: number, px: number): number {
  const least = Math.max(Math.abs(perStep) / px, LEAST_STEP);
  return Math.round(pulled / (perStep < 0 ? -least : least)) || 0;
}
