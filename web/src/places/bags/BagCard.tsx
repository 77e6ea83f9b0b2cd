import { formatLength, isDeep, type ListedBag, mm, pictureOf, type Summary } from '@fennot/core';
import { formatDistanceToNow } from 'date-fns';
import { Trash2 } from 'lucide-react';
import { type CSSProperties, type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { api } from '../../api/client.ts';
import { useDeleteBag, useRestoreBag, useSettings } from '../../api/queries.ts';
import { Boundary } from '../../ui/Boundary.tsx';
import { Button } from '../../ui/Button.tsx';
import { exportRaw } from '../../ui/files.ts';

interface BagCardProps {
  readonly bag: ListedBag;
  /** Changes of it wait in this browser. */
  readonly unsaved: boolean;
  /** Where it stands on its shelf. */
  readonly place: CSSProperties;
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : 'unknown fault.');

/** A bag as its made-up picture, with its size and what is still open; or why it cannot be shown. */
export function BagCard({ bag, unsaved, place }: BagCardProps) {
  const remove = useDeleteBag();
  const restore = useRestoreBag();
  const [gone, setGone] = useState(false);
  const { id, name, summary } = bag;

  // The card may be gone by the time the answers come: whatever follows must not hang on it.
  const bringBack = async (version: number) => {
    try {
      await restore.mutateAsync({ id, version });
      setGone(false);
    } catch (error) {
      toast.error(`It could not be brought back: ${messageOf(error)}`);
    }
  };
  const removeBag = async () => {
    setGone(true);
    try {
      const { version } = await remove.mutateAsync(id);
      toast(`“${name}” was deleted.`, {
        duration: 12_000,
        action: { label: 'Bring it back', onClick: () => void bringBack(version) },
      });
    } catch (error) {
      setGone(false);
      toast.error(`It could not be deleted: ${messageOf(error)}`);
    }
  };
  // What the list does not carry is fetched when it is asked for.
  const exportBag = async () => {
    try {
      const whole = await api.bag(id);
      exportRaw('document' in whole ? whole.document : whole.damaged.raw, name);
    } catch (error) {
      toast.error(`It could not be exported: ${messageOf(error)}`);
    }
  };
  if (gone) return null;
  const out = (
    <Button small onClick={() => void exportBag()}>
      Export
    </Button>
  );
  return (
    <li
      style={place}
      className="group absolute top-0 left-0 overflow-hidden rounded-sm border border-line bg-card transition-colors focus-within:border-kingfisher hover:border-kingfisher"
    >
      <Boundary what={`“${name}”`} of={bag} more={out}>
        {summary.is === 'damaged' ? (
          <Damaged name={name} why={summary.why}>
            {out}
          </Damaged>
        ) : (
          <Link to={`/bags/${id}/build`} className="block outline-offset-[-2px]">
            {summary.is === 'sound' ? (
              <Sound bag={bag} summary={summary} unsaved={unsaved} />
            ) : (
              <Coming name={name} />
            )}
          </Link>
        )}
      </Boundary>
      <Button
        look="bare"
        small
        className="absolute top-2 right-2 opacity-0 group-hover:opacity-100 focus-visible:opacity-100"
        aria-label={`Delete ${name}`}
        onClick={() => void removeBag()}
      >
        <Trash2 size={15} />
      </Button>
    </li>
  );
}

/** A bag that is just being laid out for the first time. */
const Coming = ({ name }: { readonly name: string }) => (
  <>
    <div className="grid h-52 place-items-center bg-table text-sm text-soft">It is being laid out ...</div>
    <div className="px-4 py-3">
      <h2 className="truncate text-lg">{name}</h2>
    </div>
  </>
);

interface SoundProps {
  readonly bag: ListedBag;
  readonly summary: Extract<Summary, { is: 'sound' }>;
  readonly unsaved: boolean;
}

function Sound({ bag, summary, unsaved }: SoundProps) {
  const { system, hand } = useSettings();
  const { name, updatedAt } = bag;
  const { family, width, height, depth, notes } = summary;
  const size = [width, height, ...(isDeep(depth) ? [depth] : [])]
    .map((length) => formatLength(mm(length), system))
    .join(' × ');
  return (
    <>
      <div className="bg-table">
        <img
          src={pictureOf(bag)}
          alt={`${name}, made up`}
          loading="lazy"
          decoding="async"
          className={`h-52 w-full object-contain p-3 ${hand === 'left' ? '-scale-x-100' : ''}`}
        />
      </div>
      <div className="px-4 py-3">
        <h2 className="truncate text-lg">{name}</h2>
        <p className="truncate text-sm text-soft">
          {family} · {size}
        </p>
        <p className="mt-1 line-clamp-2 text-xs">
          {unsaved && (
            <span className="font-medium text-marigold-ink">unsaved changes wait here: open it · </span>
          )}
          {notes.length > 0 ? (
            <span className="font-medium text-loosestrife">{notes.join(' · ')}</span>
          ) : (
            <span className="font-medium text-reed">everything comes out</span>
          )}
          <span className="text-soft">
            {' '}
            · changed {formatDistanceToNow(new Date(updatedAt), { addSuffix: true })}
          </span>
        </p>
      </div>
    </>
  );
}

interface DamagedProps {
  readonly name: string;
  readonly why: string;
  readonly children: ReactNode;
}

/** A bag that cannot be shown, with the reason and the way out. */
function Damaged({ name, why, children }: DamagedProps) {
  return (
    <>
      <div className="flex h-40 items-center justify-center bg-table">
        <svg
          aria-hidden="true"
          viewBox="0 0 120 100"
          className="h-32"
          fill="none"
          strokeWidth={3}
          strokeLinecap="round"
        >
          <path d="M20 34h80l-8 58H28Z" stroke="var(--line)" strokeDasharray="7 6" />
          <path d="M62 34l-8 16 12 10-9 14" stroke="var(--loosestrife)" />
        </svg>
      </div>
      <div className="flex flex-col items-start gap-2 px-4 py-3">
        <h2 className="truncate text-lg">{name}</h2>
        <p className="line-clamp-4 text-sm text-loosestrife">
          ✗ This bag cannot be shown: {why} It is kept as it is.
        </p>
        {children}
      </div>
    </>
  );
}
