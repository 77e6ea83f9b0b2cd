import {
  gramsLeft,
  type HoldingChange,
  type KeptLot,
  type Lot,
  MEETS,
  type Meets,
  mergeLots,
  type StashFile,
  stashText,
} from '@fennot/core';
import { useState } from 'react';
import { uuid } from '../../api/uuid.ts';
import { Balls, gramsText } from '../../enough/balls.tsx';
import { Button } from '../../ui/Button.tsx';
import { Modal } from '../../ui/Modal.tsx';

interface ImportDialogProps {
  readonly file: string;
  readonly read: Extract<StashFile, { ok: true }>;
  readonly there: readonly KeptLot[];
  readonly onTake: (changes: readonly HoldingChange[], says: string) => Promise<string | undefined>;
  readonly onClose: () => void;
}

const MEET_TEXT: Readonly<Record<Meets, string>> = {
  replace: 'The file says how much there is now',
  add: 'The file comes on top of what is there',
  leave: 'What is there stays as it is',
};

/** Rows of the preview; the rest is counted. */
const SHOWN = 200;

/** What a file would do to the stash, before it does. */
export function ImportDialog({ file, read, there, onTake, onClose }: ImportDialogProps) {
  const [meets, setMeets] = useState<Meets>('replace');
  const [busy, setBusy] = useState(false);
  const { fresh, changed, same } = mergeLots(there, read.lots, meets);
  const known = mergeLots(there, read.lots, 'leave').same;
  const take = async () => {
    setBusy(true);
    const changes: HoldingChange[] = [
      ...fresh.map((lot): HoldingChange => ({ of: 'add', id: uuid(), lot })),
      ...changed.map(
        ({ kept, lot }): HoldingChange => ({ of: 'change', id: kept.id, basedOn: kept.version, lot }),
      ),
    ];
    const why = await onTake(changes, `${changes.length} lots taken out of ${file}.`);
    setBusy(false);
    if (why === undefined) onClose();
  };
  const lines: ReadonlyArray<readonly [what: string, lot: Lot, key: string]> = [
    ...fresh.map((lot, i) => ['new', lot, `new ${i}`] as const),
    ...changed.map(({ kept, lot }) => [`${gramsText(gramsLeft(kept.lot))} until now`, lot, kept.id] as const),
  ];
  return (
    <Modal title={`Yarn out of ${file}`} wide open onClose={onClose}>
      <div className="flex flex-col gap-3 text-sm">
        <p>
          {stashText(read.lots.map(({ lot }) => lot))}
          {read.encoding !== 'utf-8' && `, read as ${read.encoding}`}.
          {read.strange.length > 0 &&
            ` Left out: the column${read.strange.length > 1 ? 's' : ''} ${read.strange.join(', ')}.`}
        </p>
        {known > 0 && (
          <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
            <legend className="mb-1 text-xs text-soft">
              {known} of them {known === 1 ? 'is' : 'are'} in the stash already, by yarn, colour and dye lot
            </legend>
            {MEETS.map((one) => (
              <label key={one} className="flex items-center gap-1.5">
                <input
                  type="radio"
                  name="meets"
                  checked={meets === one}
                  onChange={() => setMeets(one)}
                  className="accent-kingfisher"
                />
                {MEET_TEXT[one]}
              </label>
            ))}
          </fieldset>
        )}
        {read.bad.length > 0 && (
          <div className="rounded-sm border border-loosestrife p-2">
            <p className="font-medium text-loosestrife">
              {read.bad.length} {read.bad.length === 1 ? 'row is' : 'rows are'} left out
            </p>
            <ul className="max-h-32 overflow-y-auto">
              {read.bad.map(({ row, problem }) => (
                <li key={row}>
                  Row {row}: {problem}
                </li>
              ))}
            </ul>
          </div>
        )}
        <ul
          aria-label="What is taken"
          className="max-h-64 divide-y divide-line overflow-y-auto rounded-sm border border-line"
        >
          {lines.slice(0, SHOWN).map(([what, lot, key]) => (
            <li key={key} className="flex items-center gap-3 px-2 py-1">
              <span className="w-24 shrink-0">
                <Balls lot={lot} />
              </span>
              <b className="min-w-0 truncate">{lot.colourName}</b>
              <span className="min-w-0 grow truncate text-soft">
                {lot.yarn}
                {lot.dyeLot && `, lot ${lot.dyeLot}`}
              </span>
              <span className="tabular-nums">{gramsText(gramsLeft(lot))}</span>
              <span className="w-32 text-right text-soft">{what}</span>
            </li>
          ))}
        </ul>
        {lines.length > SHOWN && <p className="text-soft">And {lines.length - SHOWN} more.</p>}
        {same > 0 && (
          <p className="text-soft">
            {same} {same === 1 ? 'lot stays' : 'lots stay'} as {same === 1 ? 'it is' : 'they are'}.
          </p>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Leave it</Button>
          <Button look="main" disabled={busy || lines.length === 0} onClick={() => void take()}>
            {lines.length === 0
              ? 'Nothing to take'
              : `Take ${lines.length} ${lines.length === 1 ? 'lot' : 'lots'}`}
          </Button>
        </div>
      </div>
    </Modal>
  );
}
