import { useMemo } from 'react';
import type { Outcome } from './tell.ts';

/** A currency: all there are, by their letters and names. */
export function CurrencyField({
  value,
  onChange,
}: {
  readonly value: string;
  readonly onChange: (currency: string) => Outcome;
}) {
  const all = useMemo(() => {
    const names = new Intl.DisplayNames('en', { type: 'currency' });
    return Intl.supportedValuesOf('currency').map((code) => ({ code, name: names.of(code) ?? code }));
  }, []);
  return (
    <select
      aria-label="Currency"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      className="max-w-44 rounded-sm border border-line bg-card px-2 py-1 hover:border-kingfisher"
    >
      {all.map(({ code, name }) => (
        <option key={code} value={code}>
          {code}: {name}
        </option>
      ))}
    </select>
  );
}
