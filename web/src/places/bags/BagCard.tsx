import { formatLength, planOf } from '@fennot/core';
import { formatDistanceToNow } from 'date-fns';
import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { StoredBag } from '../../api/client.ts';
import { useCreateBag, useDeleteBag, useSettings } from '../../api/queries.ts';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { CORNER, FRONT } from '../../madeup/project.ts';
import { stationNotes } from '../../stations/station.ts';
import { Button } from '../../ui/Button.tsx';

/** A bag as its made-up picture, with its size and what is still open. */
export function BagCard({ bag }: { readonly bag: StoredBag }) {
  const { system } = useSettings();
  const remove = useDeleteBag();
  const create = useCreateBag();
  const [gone, setGone] = useState(false);
  const plan = useMemo(() => planOf(bag.document), [bag.document]);
  const [width, height, depth] = plan.tapes.map(({ finished }) => finished.value);
  const deep = (depth ?? 0) > 5;
  const notes = Object.values(stationNotes(plan));
  const size = [width, height, ...(deep ? [depth] : [])]
    .map((length) => formatLength(length ?? 0, system))
    .join(' × ');

  const removeBag = () => {
    setGone(true);
    remove.mutate(bag.id, {
      onSuccess: () =>
        toast(`“${bag.document.name}” was deleted.`, {
          duration: 12_000,
          action: { label: 'Bring it back', onClick: () => create.mutate(bag.document) },
        }),
      onError: (error) => {
        setGone(false);
        toast.error(`It could not be deleted: ${error.message}`);
      },
    });
  };
  if (gone) return null;
  return (
    <li className="group relative overflow-hidden rounded-sm border border-line bg-card transition-colors focus-within:border-kingfisher hover:border-kingfisher">
      <Link to={`/bags/${bag.id}/build`} className="block outline-offset-[-2px]">
        <div className="bg-table">
          <MadeUpPicture
            plan={plan}
            view={deep ? CORNER : FRONT}
            label={`${bag.document.name}, made up`}
            className="h-52 w-full p-3"
          />
        </div>
        <div className="px-4 py-3">
          <h2 className="text-lg">{bag.document.name}</h2>
          <p className="text-sm text-soft">
            {plan.familyName} · {size}
          </p>
          <p className="mt-1 text-xs">
            {notes.length > 0 ? (
              <span className="font-medium text-loosestrife">{notes.join(' · ')}</span>
            ) : (
              <span className="font-medium text-reed">everything comes out</span>
            )}
            <span className="text-soft">
              {' '}
              · changed {formatDistanceToNow(new Date(bag.updatedAt), { addSuffix: true })}
            </span>
          </p>
        </div>
      </Link>
      <Button
        look="bare"
        small
        className="absolute top-2 right-2 opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
        aria-label={`Delete ${bag.document.name}`}
        onClick={removeBag}
      >
        <Trash2 size={15} />
      </Button>
    </li>
  );
}
