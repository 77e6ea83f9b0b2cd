interface SearchFieldProps {
  /** What is looked for; told by what it holds, too, unless that says more. */
  readonly label: string;
  readonly placeholder?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly className?: string;
}

/** Words that are looked for. */
export const SearchField = ({
  label,
  placeholder = label,
  value,
  onChange,
  className = '',
}: SearchFieldProps) => (
  <input
    type="search"
    value={value}
    onChange={(event) => onChange(event.target.value)}
    placeholder={placeholder}
    aria-label={label}
    className={`rounded-sm border border-line bg-card px-3 py-1.5 hover:border-kingfisher ${className}`}
  />
);
