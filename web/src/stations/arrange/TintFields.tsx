import { FRONT, PALETTE_NAMES, PALETTES, type Palette, type Plan, tinted } from '@fennot/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { planFor } from '../../open-bag/plans.ts';
import { Button } from '../../ui/Button.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';

/** The bag in the hues of palettes that are made of one picked colour; pressed, its yarns take them. */
export function TintFields({ plan, store }: StationProps) {
  const [picked, setPicked] = useState<string>();
  const first = plan.document.yarns[0]?.colour ?? '#777777';
  if (picked === undefined)
    return (
      <Button small className="self-start" onClick={() => setPicked(first)}>
        Tint from a palette
      </Button>
    );
  return (
    <div className="flex flex-col gap-1.5">
      <ColourField
        label="Colour the palettes are made of"
        value={picked}
        begin={() => ({ move: setPicked, commit: () => {} })}
      />
      <Tints plan={plan} store={store} picked={picked} />
      <p className="text-xs text-soft">
        Each yarn stays as light or dark as it is; greys stay. The yarns of the bag change their colours: undo
        brings them back.
      </p>
    </div>
  );
}

function Tints({ plan: latest, store, picked: now }: StationProps & { readonly picked: string }) {
  // Four bags are drawn once the one on the table is, and the colour is no longer in motion.
  const [plan, picked] = [useDeferredValue(latest), useDeferredValue(now)];
  const { document } = plan;
  const bags = useMemo(
    () =>
      PALETTES.flatMap((palette): Array<{ palette: Palette; own: Plan }> => {
        const answer = planFor(tinted(document, picked, palette));
        return answer.ok ? [{ palette, own: answer.plan }] : [];
      }),
    [document, picked],
  );
  return (
    <ul className="grid grid-cols-2 gap-1.5" aria-label="Palettes">
      {bags.map(({ palette, own }) => (
        <li key={palette}>
          <button
            type="button"
            onClick={() => tell(store.getState().change((doc) => tinted(doc, picked, palette)))}
            className="w-full rounded-sm border border-line p-1.5 hover:border-kingfisher"
          >
            <MadeUpPicture
              plan={own}
              view={FRONT}
              label={PALETTE_NAMES[palette]}
              straps={false}
              className="h-20 w-full"
            />
            <span className="block text-center text-xs">{PALETTE_NAMES[palette]}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
