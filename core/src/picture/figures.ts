const rounded =
  (to: number) =>
  (value: number): string =>
    String(Math.round(value * to) / to);

/** Whole mm: on a card a mm is less than a pixel. */
export const whole = rounded(1);
/** Where a tenth is seen: widths, tiles, rounds. */
export const tenths = rounded(10);
/** Parts of a motion. */
export const thousandths = rounded(1000);
