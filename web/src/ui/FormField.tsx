import { Eye, EyeOff } from 'lucide-react';
import { type InputHTMLAttributes, type ReactNode, type Ref, useId, useState } from 'react';

interface FormFieldProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'className' | 'id'> {
  readonly label: string;
  readonly hint?: ReactNode;
  readonly problem?: string | undefined;
  /** Typed unseen, unless one asks to see it. */
  readonly secret?: boolean;
  readonly ref?: Ref<HTMLInputElement>;
}

/** A field of a form that is sent as a whole. */
export function FormField({ label, hint, problem, secret, type = 'text', ...rest }: FormFieldProps) {
  const id = useId();
  const [shown, setShown] = useState(false);
  const Icon = shown ? EyeOff : Eye;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-sm font-medium">
        {label}
      </label>
      <div className="relative">
        <input
          {...rest}
          id={id}
          type={secret ? (shown ? 'text' : 'password') : type}
          aria-invalid={problem ? true : undefined}
          aria-describedby={`${id}-hint`}
          className={`min-h-10 w-full rounded-sm border bg-card px-3 ${secret ? 'pr-11' : ''} ${
            problem ? 'border-loosestrife' : 'border-line hover:border-kingfisher'
          }`}
        />
        {secret && (
          <button
            type="button"
            aria-label={shown ? `Hide: ${label}` : `Show: ${label}`}
            aria-pressed={shown}
            onClick={() => setShown(!shown)}
            className="absolute inset-y-0 right-0 grid w-10 place-items-center text-soft hover:text-kingfisher"
          >
            <Icon size={17} />
          </button>
        )}
      </div>
      <div id={`${id}-hint`} className={`mt-1 text-sm ${problem ? 'text-loosestrife' : 'text-soft'}`}>
        {problem ?? hint}
      </div>
    </div>
  );
}
