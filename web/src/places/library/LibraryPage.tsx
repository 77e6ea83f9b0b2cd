import { type HoldingChange, itemName, type KeptItem, type LibraryItem } from '@fennot/core';
import { useDeferredValue, useMemo, useState } from 'react';
import { useChangeHoldings, useLibrary } from '../../api/holdings.ts';
import { useSettings } from '../../api/queries.ts';
import { ItemPicture } from '../../drawing/ItemPicture.tsx';
import { Message } from '../../frame/Message.tsx';
import { NothingYet } from '../../frame/NothingYet.tsx';
import { PlaceHeader } from '../../frame/PlaceHeader.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { SearchField } from '../../ui/SearchField.tsx';
import { SortableTable } from '../../ui/SortableTable.tsx';
import { itemColumns } from './item-columns.tsx';

const WORDS = {
  swatch: {
    title: 'Swatches',
    about:
      'Gauges of yours that serve every bag. A bag keeps a copy; what one learns, the others are offered.',
    none: 'No swatch is kept yet',
  },
  motif: {
    title: 'Motifs',
    about:
      'Squares and other motifs of yours, with what finished ones measure. A bag keeps a copy; what one learns, the others are offered.',
    none: 'No motif is kept yet',
  },
} as const;

/** An item called otherwise. */
const renamed = (item: LibraryItem, name: string): LibraryItem =>
  item.motif ? { ...item, motif: { ...item.motif, name } } : { ...item, swatch: { ...item.swatch, name } };

/** The maker’s swatches. */
export const SwatchesPage = () => <LibraryPage key="swatch" of="swatch" />;

/** The maker’s motifs. */
export const MotifsPage = () => <LibraryPage key="motif" of="motif" />;

function LibraryPage({ of }: { readonly of: 'swatch' | 'motif' }) {
  const { data, error, isPending, refetch } = useLibrary();
  const change = useChangeHoldings();
  const { terms, system } = useSettings();
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed);
  const [selected, setSelected] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<KeptItem | undefined>(undefined);
  const rows = useMemo(() => data?.items.filter(({ item }) => item.of === of) ?? [], [data, of]);
  const columns = useMemo(() => itemColumns(of, { terms, system }, setOpen), [of, terms, system]);
  const chosen = rows.filter(({ id }) => selected.has(id));
  const { title, about, none } = WORDS[of];
  if (error && !data)
    return (
      <Message
        title="The library cannot be fetched just now"
        text={error.message}
        onRetry={() => void refetch()}
      />
    );
  return (
    <div className="min-h-full">
      <PlaceHeader />
      <main className="mx-auto max-w-6xl px-4 py-6 max-sm:px-2">
        <h1 className="text-3xl">{title}</h1>
        <p className="mb-4 text-soft">{isPending ? 'Fetching the library ...' : about}</p>
        {(data?.damaged ?? 0) > 0 && (
          <p role="status" className="mb-3 text-sm text-loosestrife">
            {data?.damaged} of the library cannot be read by this version of Fennot. They are kept as they
            are.
          </p>
        )}
        {data && rows.length === 0 && (
          <NothingYet
            title={none}
            text={`Open a bag, go to Swatch, and keep its ${of} in the library: every other bag can have it then.`}
          />
        )}
        {rows.length > 0 && (
          <>
            <SearchField
              label={`Look for a ${of}`}
              placeholder="Look for a name, a yarn, a stitch"
              value={typed}
              onChange={setTyped}
              className="mb-3 w-full sm:max-w-sm"
            />
            <SortableTable
              label={title}
              rows={rows}
              columns={columns}
              search={search}
              selected={selected}
              onSelect={setSelected}
              nameOf={({ item }) => itemName(item)}
              none="Nothing has all of these words."
            />
          </>
        )}
        {chosen.length > 0 && (
          <section
            aria-label="What is chosen"
            className="sticky bottom-0 z-10 mt-3 flex items-center justify-between rounded-sm border border-kingfisher bg-card px-3 py-2 text-sm"
          >
            <b>{chosen.length} chosen</b>
            <Button
              small
              look="risk"
              onClick={() => {
                const changes = chosen.map(
                  ({ id, version }): HoldingChange => ({ of: 'drop', id, basedOn: version }),
                );
                void change(changes, `${chosen.length} taken out. Bags keep their copies.`).then(
                  (why) => why === undefined && setSelected(new Set()),
                );
              }}
            >
              Take them out
            </Button>
          </section>
        )}
      </main>
      {open && (
        <Modal
          title={itemName(open.item)}
          about={`Kept ${open.version === 1 ? 'as it came' : `and changed, version ${open.version}`}.`}
          open
          onClose={() => setOpen(undefined)}
        >
          <div className="flex items-start gap-4">
            <ItemPicture item={open.item} size={110} />
            <div className="grow">
              <TextField
                label="Name"
                value={itemName(open.item)}
                onChange={(name) => {
                  const { id, version, item } = open;
                  setOpen(undefined);
                  void change(
                    [{ of: 'keep', id, basedOn: version, item: renamed(item, name) }],
                    `It is called ${name}.`,
                  );
                }}
              />
            </div>
          </div>
        </Modal>
      )}
    </div>
  );
}
