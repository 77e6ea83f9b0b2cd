import type { ButtonHTMLAttributes, MouseEvent } from 'react';
import { type Outcome, tell } from './tell.ts';

const LOOKS = {
  plain: 'border border-line bg-card text-ink hover:border-kingfisher hover:text-kingfisher',
  main: 'border border-kingfisher bg-kingfisher text-white hover:brightness-110 dark:text-[#0c2026]',
  bare: 'text-soft hover:bg-kingfisher-pale hover:text-kingfisher',
  risk: 'border border-loosestrife text-loosestrife hover:bg-loosestrife-pale',
} as const;

interface ButtonProps extends Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'onClick'> {
  readonly look?: keyof typeof LOOKS;
  readonly small?: boolean;
  /** May answer why what was asked for was not done: it is shown. */
  readonly onClick?: (event: MouseEvent<HTMLButtonElement>) => Outcome;
}

export function Button(props: ButtonProps) {
  const { look = 'plain', small, className = '', type = 'button', onClick, ...rest } = props;
  const size = small ? 'min-h-7 px-2 text-xs' : 'min-h-9 px-3 text-sm';
  return (
    <button
      type={type}
      className={`inline-flex items-center justify-center gap-1.5 rounded-sm font-medium transition-colors disabled:cursor-default disabled:opacity-40 ${size} ${LOOKS[look]} ${className}`}
      {...(onClick ? { onClick: (event: MouseEvent<HTMLButtonElement>) => tell(onClick(event)) } : {})}
      {...rest}
    />
  );
}
