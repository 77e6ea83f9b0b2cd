import { type ReactNode, useRef } from 'react';
import { Button } from './Button.tsx';

interface FileButtonProps {
  /** What kind of file it is. */
  readonly label: string;
  /** As a browser's dialog takes it: `.csv,text/csv`. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

/** A button that has a file chosen. The same one can be chosen again. */
export function FileButton({ label, accept, onFile, children }: FileButtonProps) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={field}
        type="file"
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) onFile(chosen);
        }}
      />
      <Button onClick={() => field.current?.click()}>{children}</Button>
    </>
  );
}
