import {
  formatSmall,
  itemName,
  type KeptItem,
  type LengthSystem,
  stitchName,
  swatchGauge,
  type Terms,
} from '@fennot/core';
import { ItemPicture } from '../../drawing/ItemPicture.tsx';
import type { TableColumn } from '../../ui/SortableTable.tsx';

/** The columns of the library: of swatches, or of motifs. */
export const itemColumns = (
  of: 'swatch' | 'motif',
  { terms, system }: { readonly terms: Terms; readonly system: LengthSystem },
  onEdit: (kept: KeptItem) => void,
): ReadonlyArray<TableColumn<KeptItem>> => {
  const gauge = ({ item: { swatch, yarns, fabric } }: KeptItem) =>
    swatchGauge({ yarns, ...(fabric && { fabrics: [fabric] }) }, swatch);
  const yarn = ({ item: { swatch, yarns } }: KeptItem) => yarns.find(({ id }) => id === swatch.yarn);
  return [
    {
      id: 'name',
      head: of === 'swatch' ? 'Swatch' : 'Motif',
      by: ({ item }) => itemName(item),
      words: ({ item }) => itemName(item),
      cell: (kept) => (
        <button
          type="button"
          onClick={() => onEdit(kept)}
          aria-label={`Rename ${itemName(kept.item)}`}
          className="flex items-center gap-2 font-semibold hover:text-kingfisher"
        >
          <ItemPicture item={kept.item} />
          {itemName(kept.item)}
        </button>
      ),
    },
    {
      id: 'yarn',
      head: 'Yarn',
      by: (kept) => yarn(kept)?.name,
      words: ({ item: { yarns } }) => yarns.map(({ name, colourName }) => `${name} ${colourName}`).join(' '),
      cell: ({ item: { yarns } }) => (
        <span className="flex items-center gap-1">
          {[...new Map(yarns.map((one) => [one.colour, one])).values()].slice(0, 6).map((one) => (
            <span
              key={one.id}
              title={one.colourName}
              className="size-3 shrink-0 rounded-full border border-ink/30"
              style={{ background: one.colour }}
            />
          ))}
          <span className="truncate">{yarns[0]?.name}</span>
        </span>
      ),
    },
    {
      id: 'stitch',
      head: 'Stitch',
      by: ({ item: { swatch } }) => stitchName(swatch.stitch, terms),
      words: ({ item: { swatch, fabric } }) => `${stitchName(swatch.stitch, terms)} ${fabric?.name ?? ''}`,
      cell: ({ item: { swatch, fabric } }) => fabric?.name ?? stitchName(swatch.stitch, terms),
    },
    {
      id: 'hook',
      head: 'Hook',
      right: true,
      by: ({ item: { swatch } }) => swatch.hook,
      cell: ({ item: { swatch } }) => `${swatch.hook} mm`,
    },
    {
      id: 'gauge',
      head: 'A stitch',
      right: true,
      by: (kept) => gauge(kept).pitch.value,
      cell: (kept) => (
        <span>
          {formatSmall(gauge(kept).pitch.value, system)}
          <span className="text-soft">{gauge(kept).pitch.origin === 'measured' ? '' : ', estimated'}</span>
        </span>
      ),
    },
    {
      id: 'measured',
      head: of === 'swatch' ? 'Weighed' : 'Measured',
      right: true,
      by: ({ item: { motif, weighings } }) => motif?.measured.length ?? weighings.length,
      cell: ({ item: { motif, weighings } }) =>
        motif
          ? `${motif.measured.length} ${motif.measured.length === 1 ? 'piece' : 'pieces'}`
          : weighings.length === 0
            ? 'not yet'
            : weighings.length === 1
              ? 'once'
              : `${weighings.length} times`,
    },
  ];
};
