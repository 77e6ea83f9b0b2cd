import { itemName, withItem } from '@fennot/core';
import { useLibrary } from '../../../api/holdings.ts';
import { Choice } from '../../../ui/Choice.tsx';
import type { StationProps } from '../../station.ts';

interface FromLibraryProps extends Pick<StationProps, 'store'> {
  readonly of: 'swatch' | 'motif';
  /** Called with the id of what was added. */
  readonly onAdded: (id: string | undefined) => void;
}

/** Puts a copy of a swatch or motif of the library into the bag. */
export function FromLibrary({ store, of, onAdded }: FromLibraryProps) {
  const { data } = useLibrary();
  const items = data?.items.filter(({ item }) => item.of === of) ?? [];
  if (items.length === 0) return null;
  return (
    <Choice
      label={`A ${of} of the library`}
      value="none"
      options={[
        { value: 'none', label: 'take one ...' },
        ...items.map(({ id, item }) => ({ value: id, label: itemName(item) })),
      ]}
      onChange={(id) => {
        const kept = items.find((one) => one.id === id);
        if (!kept) return;
        const refusal = store.getState().change((doc) => withItem(doc, kept));
        const { document } = store.getState();
        if (refusal === undefined)
          onAdded((of === 'swatch' ? document.swatches : document.motifs).at(-1)?.id);
        return refusal;
      }}
    />
  );
}
