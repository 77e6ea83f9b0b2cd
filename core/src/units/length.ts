import type { z } from 'zod';

/** A length in millimetres. Every length inside the core is one of these. */
export type Mm = number & z.$brand<'Mm'>;

/** Marks a plain number as millimetres. The one place where the brand is put on. */
export const mm = (value: number): Mm => value as Mm;

/** How lengths are written and read. */
export type LengthSystem = 'cm' | 'in';

export const MM_PER_INCH = 25.4;

const EIGHTHS = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'];

/** Inches to the nearest eighth, as on a tape: 14 ⅜. */
function inEighths(inches: number): string {
  const eighths = Math.round(Math.abs(inches) * 8);
  const whole = Math.floor(eighths / 8);
  const part = EIGHTHS[eighths % 8] ?? '';
  const sign = inches < 0 && eighths > 0 ? '−' : '';
  if (part === '') return `${sign}${whole}`;
  return whole === 0 ? `${sign}${part}` : `${sign}${whole} ${part}`;
}

/** A length without its unit: one decimal in cm, eighths in inches. */
export function lengthFigure(length: number, system: LengthSystem): string {
  if (system === 'in') return inEighths(length / MM_PER_INCH);
  const text = (Math.abs(length) / 10).toFixed(1);
  return length < 0 && text !== '0.0' ? `−${text}` : text;
}

/** A length with its unit: `36.4 cm`, `14 ⅜ in`. */
export const formatLength = (length: number, system: LengthSystem): string =>
  `${lengthFigure(length, system)} ${system}`;

/** A small length, such as a row height: millimetres, or hundredths of an inch. */
export const formatSmall = (length: number, system: LengthSystem): string =>
  system === 'cm' ? `${length.toFixed(1)} mm` : `${(length / MM_PER_INCH).toFixed(2)} in`;

const LITRES_PER_QUART = 0.946353;

/** A volume in litres, or in US quarts for who measures in inches. */
export const formatVolume = (litres: number, system: LengthSystem): string =>
  system === 'cm' ? `${litres.toFixed(1)} litres` : `${(litres / LITRES_PER_QUART).toFixed(1)} quarts`;

const FRACTIONS: Record<string, number> = {
  '⅛': 1 / 8,
  '¼': 1 / 4,
  '⅜': 3 / 8,
  '½': 1 / 2,
  '⅝': 5 / 8,
  '¾': 3 / 4,
  '⅞': 7 / 8,
};

const LENGTH_TEXT =
  /^([-−]?)(\d+(?:[.,]\d+)?)?\s*(?:(\d+)\s*\/\s*(\d+)|([⅛¼⅜½⅝¾⅞]))?\s*(mm|cm|in|inch|inches|"|”)?$/;

export type Parsed<T> = { ok: true; value: T } | { ok: false; error: string };

/**
 * Reads a length as a person types it: `36`, `36,5 cm`, `360 mm`, `14 1/2 in`, `14½"`.
 * A bare number takes the unit of `system`. Says in a sentence what is wrong otherwise.
 */
export function parseLength(text: string, system: LengthSystem): Parsed<Mm> {
  const trimmed = text.trim();
  if (trimmed === '') return { ok: false, error: 'Type a length.' };
  const found = LENGTH_TEXT.exec(trimmed);
  const [, sign, whole, over, under, glyph, unit] = found ?? [];
  if (!found || (whole === undefined && over === undefined && glyph === undefined)) {
    return { ok: false, error: `“${trimmed}” is not a length. Write a number, like 36.5 cm or 14 1/2 in.` };
  }
  const fraction = over !== undefined ? Number(over) / Number(under) : FRACTIONS[glyph ?? ''];
  if (fraction !== undefined && whole !== undefined && /[.,]/.test(whole)) {
    return { ok: false, error: `“${trimmed}” mixes a decimal and a fraction. Use one of them.` };
  }
  const figure = Number((whole ?? '0').replace(',', '.')) + (fraction ?? 0);
  if (!Number.isFinite(figure)) return { ok: false, error: `“${trimmed}” is not a length.` };
  const inMm =
    unit === 'mm' ? 1 : unit === 'cm' ? 10 : unit !== undefined || system === 'in' ? MM_PER_INCH : 10;
  return { ok: true, value: mm((sign ? -1 : 1) * figure * inMm) };
}
