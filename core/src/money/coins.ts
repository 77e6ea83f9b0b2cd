/** The currency money is in until the maker says another. */
export const USUAL_CURRENCY = 'EUR';

/** How many digits a currency has behind the point: 2 of most, 0 of some, 3 of a few. */
export function digitsOf(currency: string): number {
  try {
    return (
      new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ??
      2
    );
  } catch {
    return 2;
  }
}

/** What is typed as an amount, in whole smallest coins; nothing where it is none. `12`, `12.50`, `12,5`, `€ 12.50`; not `1,200`. */
export function inCoins(text: string, currency: string): number | undefined {
  const digits = digitsOf(currency);
  const plain = text.replaceAll(/[^\d.,-]/g, '').replace(',', '.');
  const match = /^(\d{1,10})(?:\.(\d*))?$/.exec(plain);
  if (!match) return undefined;
  const [, whole = '', part = ''] = match;
  // Three digits behind a comma may as well be thousands: nobody guesses at money.
  if (part.length > digits) return undefined;
  return Number(whole) * 10 ** digits + Number(part.padEnd(digits, '0') || 0);
}

/** An amount as it is typed: `12.50`. */
export function inWords(coins: number, currency: string): string {
  const digits = digitsOf(currency);
  const text = String(coins).padStart(digits + 1, '0');
  return digits === 0 ? text : `${text.slice(0, -digits)}.${text.slice(-digits)}`;
}

/** An amount as it is read: `€12.50`. */
export const money = (coins: number, currency: string): string =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).format(coins / 10 ** digitsOf(currency));
