import {
  allotted,
  type KeptLot,
  type Lot,
  readStash,
  type StashFile,
  stashText,
  writeStash,
} from '@fennot/core';
import { Download, FolderOpen, Plus } from 'lucide-react';
import { useDeferredValue, useMemo, useState } from 'react';
import { toast } from 'sonner';
import { useChangeHoldings, useStash } from '../../api/holdings.ts';
import { useSettings } from '../../api/queries.ts';
import { uuid } from '../../api/uuid.ts';
import { Message } from '../../frame/Message.tsx';
import { NothingYet } from '../../frame/NothingYet.tsx';
import { PlaceHeader } from '../../frame/PlaceHeader.tsx';
import { Button } from '../../ui/Button.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { saveText } from '../../ui/files.ts';
import { SearchField } from '../../ui/SearchField.tsx';
import { SortableTable } from '../../ui/SortableTable.tsx';
import { BulkBar } from './BulkBar.tsx';
import { ImportDialog } from './ImportDialog.tsx';
import { LotDialog, NEW_LOT } from './LotDialog.tsx';
import { lotColumns, rowsOf } from './lot-columns.tsx';

/** What is open over the table. */
type Open =
  | { readonly is: 'new' }
  | { readonly is: 'lot'; readonly kept: KeptLot }
  | { readonly is: 'file'; readonly name: string; readonly read: Extract<StashFile, { ok: true }> };

const exportLots = (lots: readonly Lot[]) =>
  saveText(writeStash(lots), 'stash.csv', 'text/csv;charset=utf-8');

/** The stash: all yarn that lies anywhere, what is free of it, and which bags want the rest. */
export function YarnPage() {
  const { data, error, isPending, refetch } = useStash();
  const change = useChangeHoldings();
  const { system, currency } = useSettings();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<Open | undefined>(undefined);
  const rows = useMemo(() => (data ? rowsOf(allotted(data.lots, data.allotments), data.bags) : []), [data]);
  const columns = useMemo(() => lotColumns(system, ({ kept }) => setOpen({ is: 'lot', kept })), [system]);
  const chosen = rows.filter(({ id }) => selected.has(id));
  const contested = rows.filter((row) => row.contested);
  const importFile = async (chosenFile: File) => {
    const read = readStash(new Uint8Array(await chosenFile.arrayBuffer()), currency);
    if (read.ok) setOpen({ is: 'file', name: chosenFile.name, read });
    else toast.error(read.problem);
  };
  if (error && !data)
    return (
      <Message
        title="The stash cannot be fetched just now"
        text={error.message}
        onRetry={() => void refetch()}
      />
    );
  return (
    <div className="min-h-full">
      <PlaceHeader />
      <main className="mx-auto max-w-6xl px-4 py-6 max-sm:px-2">
        <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
          <div>
            <h1 className="text-3xl">Yarn</h1>
            <p className="text-soft" aria-live="polite">
              {isPending
                ? 'Fetching the stash ...'
                : `${stashText(rows.map(({ kept }) => kept.lot))} in all. What is free is not set aside for any bag.`}
            </p>
          </div>
          <div className="flex flex-wrap gap-2">
            <FileButton
              label="Stash file"
              accept=".csv,text/csv,text/plain"
              onFile={(chosen) => void importFile(chosen)}
            >
              <FolderOpen size={16} /> Import CSV
            </FileButton>
            <Button disabled={rows.length === 0} onClick={() => exportLots(rows.map(({ kept }) => kept.lot))}>
              <Download size={16} /> Export CSV
            </Button>
            <Button look="main" onClick={() => setOpen({ is: 'new' })}>
              <Plus size={16} /> Add yarn
            </Button>
          </div>
        </div>
        {contested.length > 0 && (
          <p
            role="status"
            className="mb-3 rounded-sm border border-loosestrife bg-loosestrife-pale px-3 py-2 text-sm"
          >
            {contested.map(({ kept: { lot }, bags, left, id }) => (
              <span key={id} className="block">
                <b>
                  {lot.colourName}
                  {lot.dyeLot && `, lot ${lot.dyeLot}`}
                </b>{' '}
                is wanted by {bags.map(({ name }) => name).join(' and ')}: together{' '}
                {Math.round(bags.reduce((sum, { asked }) => sum + asked, 0))} g of {Math.round(left)} g. The
                first that asked gets it.
              </span>
            ))}
          </p>
        )}
        {(data?.damaged ?? 0) > 0 && (
          <p role="status" className="mb-3 text-sm text-loosestrife">
            {data?.damaged} {data?.damaged === 1 ? 'lot' : 'lots'} cannot be read by this version of Fennot.
            They are kept as they are.
          </p>
        )}
        {data && rows.length === 0 ? (
          <NothingYet
            title="No yarn yet"
            text="Put in what lies in your baskets, ball by ball or out of a list, and every bag tells whether it is enough."
          >
            <Button look="main" onClick={() => setOpen({ is: 'new' })}>
              <Plus size={16} /> Add yarn
            </Button>
          </NothingYet>
        ) : (
          data && (
            <>
              <SearchField
                label="Look for yarn"
                placeholder="Look for a colour, a yarn, a lot, a bag, a place"
                value={typed}
                onChange={setTyped}
                className="mb-3 w-full sm:max-w-sm"
              />
              <SortableTable
                label="Stash"
                rows={rows}
                columns={columns}
                search={search}
                selected={selected}
                onSelect={setSelected}
                nameOf={({ kept: { lot } }) => `${lot.colourName}, ${lot.yarn}, lot ${lot.dyeLot || 'lost'}`}
                none="No yarn has all of these words."
              />
            </>
          )
        )}
        {chosen.length > 0 && (
          <BulkBar
            rows={chosen}
            change={change}
            onExport={exportLots}
            onDone={() => setSelected(new Set())}
          />
        )}
      </main>
      {open?.is === 'new' && (
        <LotDialog
          title="Add yarn"
          lot={NEW_LOT}
          onKeep={(lot) => change([{ of: 'add', id: uuid(), lot }], `${lot.colourName} is in the stash.`)}
          onClose={() => setOpen(undefined)}
        />
      )}
      {open?.is === 'lot' && (
        <LotDialog
          title={`${open.kept.lot.colourName}, ${open.kept.lot.yarn}`}
          lot={open.kept.lot}
          onKeep={(lot) =>
            change(
              [{ of: 'change', id: open.kept.id, basedOn: open.kept.version, lot }],
              `${lot.colourName} is changed.`,
            )
          }
          onRemove={() =>
            change(
              [{ of: 'remove', id: open.kept.id, basedOn: open.kept.version }],
              `${open.kept.lot.colourName} is taken out.`,
            )
          }
          onClose={() => setOpen(undefined)}
        />
      )}
      {open?.is === 'file' && (
        <ImportDialog
          file={open.name}
          read={open.read}
          there={data?.lots ?? []}
          onTake={change}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}
