import { type Scale, type ScaleReading, takenFrom } from '@fennot/core';
import { Scale as ScaleIcon } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { useScales } from '../api/scales.ts';
import { Button } from './Button.tsx';

interface TakeFromScaleProps {
  /** What the weight is of, for who hears the button. */
  readonly of: string;
  readonly onTake: (grams: number) => void;
}

/** A button that shows what the scale shows, and takes it once it has come to rest. */
export function TakeFromScale({ of, onTake }: TakeFromScaleProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button small look="bare" aria-label={`Take ${of} from the scale`} title="Take from scale">
          <ScaleIcon size={15} />
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="Scale"
          sideOffset={4}
          className="z-60 w-72 rounded-sm border border-line bg-card p-3 text-sm shadow-md"
        >
          <Scales
            onTake={(grams) => {
              setOpen(false);
              onTake(grams);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** Listened to only while it is looked at. */
function Scales({ onTake }: { readonly onTake: (grams: number) => void }) {
  const scales = useScales();
  if (!scales) return <p className="text-soft">Asking the server for its scale ...</p>;
  if (scales.length === 0) return <p className="text-soft">No scale is connected.</p>;
  return (
    <ul className="flex flex-col gap-3">
      {scales.map((scale) => (
        <OneScale key={scale.id} scale={scale} onTake={onTake} />
      ))}
    </ul>
  );
}

const shown = (reading: ScaleReading): string =>
  'grams' in reading ? `${reading.grams.toFixed(1)} g` : '– – –';

function OneScale({ scale, onTake }: { readonly scale: Scale; readonly onTake: (grams: number) => void }) {
  const { name, page, reading } = scale;
  const taken = takenFrom(reading);
  return (
    <li aria-label={name}>
      <p className="flex items-baseline justify-between gap-2">
        <span className="text-soft">{name}</span>
        {page && (
          <a href={page} target="_blank" rel="noreferrer" className="text-xs text-kingfisher underline">
            Lay something on it
          </a>
        )}
      </p>
      <output
        className={`block font-mono text-2xl tabular-nums ${typeof taken === 'number' ? '' : 'text-soft'}`}
      >
        {shown(reading)}
      </output>
      {typeof taken === 'number' ? (
        <Button small look="main" className="mt-1" onClick={() => onTake(taken)}>
          Take {taken.toFixed(1)} g
        </Button>
      ) : (
        <p className="mt-1 min-h-7 text-loosestrife">{taken}</p>
      )}
    </li>
  );
}
