import {
  type BagDocument,
  firstFabric,
  freeId,
  LIMITS,
  READY_FABRICS,
  readFabric,
  readyRows,
  repeatOf,
  type Swatch,
  stitchName,
  type WrittenFabric,
} from '@fennot/core';
import { PencilLine, Trash2 } from 'lucide-react';
import { lazy, Suspense, useRef, useState } from 'react';
import { useSettings } from '../../api/queries.ts';
import { over } from '../../row-bench/over.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Modal } from '../../ui/Modal.tsx';
import { tell } from '../../ui/tell.ts';
import type { StationProps } from '../station.ts';

const FabricBench = lazy(() => import('../../row-bench/FabricBench.tsx'));

const NEW = 'new:';

/** The document with a swatch changed. */
const withSwatch = (doc: BagDocument, id: string, change: Partial<Swatch>): BagDocument => ({
  ...doc,
  swatches: doc.swatches.map((one) => (one.id === id ? { ...one, ...change } : one)),
});

/** What a swatch is worked in: one stitch, a fabric that is there, or one of one's own. */
export function FabricField({ plan, store, swatch }: StationProps & { readonly swatch: Swatch }) {
  const { document } = plan;
  const { terms } = useSettings();
  const [open, setOpen] = useState(false);
  const leave = useRef<() => string | undefined>(() => undefined);
  const { change } = store.getState();
  const fabrics = document.fabrics ?? [];
  const own = fabrics.find(({ id }) => id === swatch.fabric);
  const reading = readFabric(document, swatch);
  const full = fabrics.length >= LIMITS.fabrics;
  const choose = (value: string) => {
    if (value === 'stitch') return change((doc) => withSwatch(doc, swatch.id, { fabric: undefined }));
    if (!value.startsWith(NEW)) return change((doc) => withSwatch(doc, swatch.id, { fabric: value }));
    const ready = READY_FABRICS.find(({ id }) => id === value.slice(NEW.length));
    const id = freeId(
      ready?.id ?? 'fabric',
      fabrics.map((one) => one.id),
    );
    const rows = ready ? readyRows(ready, terms) : firstFabric(terms).rows;
    const fresh: WrittenFabric = { id, name: ready?.name ?? 'My fabric', terms, rows };
    const refusal = change((doc) =>
      withSwatch({ ...doc, fabrics: [...(doc.fabrics ?? []), fresh] }, swatch.id, { fabric: id }),
    );
    if (refusal === undefined && !ready) setOpen(true);
    return refusal;
  };
  const users = document.swatches.filter(({ fabric }) => fabric === own?.id).length;
  return (
    <>
      <Choice
        label="Worked in"
        value={own?.id ?? 'stitch'}
        options={[
          { value: 'stitch', label: `One stitch: ${stitchName(swatch.stitch, terms)}` },
          ...fabrics.map(({ id, name }) => ({ value: id, label: name })),
          ...(full
            ? []
            : [
                ...READY_FABRICS.map(({ id, name }) => ({ value: `${NEW}${id}`, label: `Add: ${name}` })),
                { value: NEW, label: 'Write a fabric of your own ...' },
              ]),
        ]}
        onChange={choose}
        hint={
          reading?.is === 'fabric'
            ? `Comes out over ${over(reading.fabric.multiple)}; ${repeatText(repeatOf(reading.fabric))}.`
            : undefined
        }
      />
      {own && (
        <div className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
          <TextField
            label="Name of the fabric"
            value={own.name}
            onChange={(name) =>
              change(
                (doc): BagDocument => ({
                  ...doc,
                  fabrics: doc.fabrics?.map((one) => (one.id === own.id ? { ...one, name } : one)),
                }),
              )
            }
          />
          <Button small aria-label={`Rows of ${own.name}`} onClick={() => setOpen(true)}>
            <PencilLine size={13} /> Rows
          </Button>
          <Button
            small
            look="bare"
            aria-label={`Take ${own.name} out`}
            title={
              users > 1
                ? `${users} swatches are worked in it: each is worked in one stitch then`
                : 'The swatch is worked in one stitch then'
            }
            onClick={() =>
              change(
                (doc): BagDocument => ({
                  ...doc,
                  fabrics: doc.fabrics?.filter(({ id }) => id !== own.id),
                  swatches: doc.swatches.map((one) =>
                    one.fabric === own.id ? { ...one, fabric: undefined } : one,
                  ),
                }),
              )
            }
          >
            <Trash2 size={13} />
          </Button>
        </div>
      )}
      <Modal
        title={own ? `Row bench: ${own.name}` : 'Row bench'}
        about="A fabric: rows that are worked again and again"
        wide="most"
        open={open && own !== undefined}
        onClose={() => {
          const refusal = leave.current();
          // What the plan cannot take would be lost.
          if (refusal === undefined) setOpen(false);
          else tell(`${refusal} Bring it in order before you close, or take it back with Ctrl+Z.`);
        }}
      >
        {own && (
          <Suspense fallback={<p className="text-sm text-soft">Fetching the bench ...</p>}>
            <FabricBench
              key={own.id}
              document={document}
              store={store}
              swatch={swatch}
              fabric={own}
              leave={leave}
            />
          </Suspense>
        )}
      </Modal>
    </>
  );
}

const repeatText = (rows: number) => (rows === 1 ? 'every row is alike' : `rows come again after ${rows}`);
