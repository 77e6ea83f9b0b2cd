import { inCoins, inWords } from '@fennot/core';
import { TypedField } from './Field.tsx';
import type { Outcome } from './tell.ts';

interface AmountFieldProps {
  readonly label: string;
  /** In the smallest coin. */
  readonly value: number | undefined;
  readonly currency: string;
  readonly onChange: (amount: number | undefined) => Outcome;
}

/** An amount of money; emptied, it is not said. */
export function AmountField({ label, value, currency, onChange }: AmountFieldProps) {
  return (
    <TypedField<number | undefined>
      label={label}
      value={value}
      numeric
      suffix={currency}
      show={(amount) => (amount === undefined ? '' : inWords(amount, currency))}
      read={(text) => {
        if (text.trim() === '') return { ok: true, value: undefined };
        const amount = inCoins(text, currency);
        return amount === undefined
          ? {
              ok: false,
              error: `“${text.trim()}” is no amount of ${currency}: type it like ${inWords(1250, currency)}.`,
            }
          : { ok: true, value: amount };
      }}
      onChange={onChange}
    />
  );
}
