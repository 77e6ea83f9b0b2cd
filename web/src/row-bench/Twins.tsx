import {
  type BagDocument,
  type CountedProgram,
  compareTwins,
  countedPanel,
  holesApart,
  holesOf,
  type Panel,
  swatchOf,
  twinText,
} from '@fennot/core';
import { useState } from 'react';
import { Choice } from '../ui/Choice.tsx';

interface TwinsProps {
  readonly document: BagDocument;
  readonly panel: Panel;
  readonly counted: CountedProgram;
}

const inSight = (row: HTMLElement | null) => row?.scrollIntoView?.({ block: 'nearest' });

/** The panel beside another that should be like it, row by row. */
export function Twins({ document, panel, counted }: TwinsProps) {
  const [other, setOther] = useState('none');
  const others = (document.panels ?? []).filter(({ id }) => id !== panel.id);
  if (others.length === 0) return null;
  const twin = others.find(({ id }) => id === other);
  const its = twin && countedPanel(twin, swatchOf(document, twin.swatch));
  const difference = its && compareTwins(counted, its);
  const [ownHoles, itsHoles] = [holesOf(counted.rows), holesOf(its?.rows ?? [])];
  const apart = twin && holesApart(ownHoles, itsHoles, [panel.name, twin.name]);
  return (
    <div className="flex flex-col gap-1 pt-2">
      <Choice
        label="Compare row by row with"
        value={twin?.id ?? 'none'}
        options={[
          { value: 'none', label: 'no other panel' },
          ...others.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={setOther}
      />
      {its && twin && (
        <p
          role="status"
          className={`text-xs ${difference ? 'text-loosestrife' : 'text-reed'}`}
          data-testid="twins"
        >
          {difference
            ? twinText(difference, [panel.name, twin.name])
            : `All ${counted.rows.length} rows are alike.`}
        </p>
      )}
      {twin && ownHoles.length > 0 && (
        <p
          role="status"
          className={`text-xs ${apart ? 'text-loosestrife' : 'text-reed'}`}
          data-testid="holes"
        >
          {apart ??
            (ownHoles.length === 1
              ? 'Its hole lies over the other’s, back to back.'
              : `All ${ownHoles.length} holes lie over one another, back to back.`)}
        </p>
      )}
      {its && twin && difference && (
        <div className="max-h-32 overflow-auto">
          <table className="w-full text-xs tabular-nums">
            <caption className="sr-only">Both panels row by row</caption>
            <thead>
              <tr className="text-left text-soft">
                <th className="font-medium">Row</th>
                <th className="font-medium">{panel.name}</th>
                <th className="font-medium">{twin.name}</th>
              </tr>
            </thead>
            <tbody>
              {Array.from({ length: Math.max(counted.rows.length, its.rows.length) }, (_, i) => {
                const [own, its1] = [counted.rows[i]?.makes, its.rows[i]?.makes];
                return (
                  <tr
                    key={i}
                    // What differs is not hidden below a fold.
                    ref={i + 1 === difference.row ? inSight : undefined}
                    className={`border-t border-line ${own === its1 ? '' : 'font-semibold text-loosestrife'}`}
                  >
                    <td>{i + 1}</td>
                    <td>{own ?? 'ended'}</td>
                    <td>{its1 ?? 'ended'}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      )}
    </div>
  );
}
