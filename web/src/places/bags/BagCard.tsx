import { formatLength, isDamaged, type KeptBag, type Plan } from '@fennot/core';
import { formatDistanceToNow } from 'date-fns';
import { Trash2 } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { useDeleteBag, useRestoreBag, useSettings } from '../../api/queries.ts';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { CORNER, FRONT } from '../../madeup/project.ts';
import { planFor } from '../../open-bag/plans.ts';
import { stationNotes } from '../../stations/station.ts';
import { Boundary } from '../../ui/Boundary.tsx';
import { Button } from '../../ui/Button.tsx';
import { exportRaw } from '../../ui/files.ts';

interface BagCardProps {
  readonly bag: KeptBag;
  /** Changes of it wait in this browser. */
  readonly unsaved: boolean;
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : 'unknown fault.');

/** A bag as its made-up picture, with its size and what is still open; or why it cannot be shown. */
export function BagCard({ bag, unsaved }: BagCardProps) {
  const remove = useDeleteBag();
  const restore = useRestoreBag();
  const [gone, setGone] = useState(false);
  const name = isDamaged(bag) ? bag.damaged.name : bag.document.name;
  const raw = isDamaged(bag) ? bag.damaged.raw : bag.document;

  // The card may be gone by the time the answers come: whatever follows must not hang on it.
  const bringBack = async (version: number) => {
    try {
      await restore.mutateAsync({ id: bag.id, version });
      setGone(false);
    } catch (error) {
      toast.error(`It could not be brought back: ${messageOf(error)}`);
    }
  };
  const removeBag = async () => {
    setGone(true);
    try {
      const { version } = await remove.mutateAsync(bag.id);
      toast(`“${name}” was deleted.`, {
        duration: 12_000,
        action: { label: 'Bring it back', onClick: () => void bringBack(version) },
      });
    } catch (error) {
      setGone(false);
      toast.error(`It could not be deleted: ${messageOf(error)}`);
    }
  };
  if (gone) return null;
  const answer = isDamaged(bag)
    ? { ok: false as const, problem: bag.damaged.problems[0]?.message ?? 'It is damaged.' }
    : planFor(bag.document);
  const out = (
    <Button small onClick={() => exportRaw(raw, name)}>
      Export
    </Button>
  );
  return (
    <li className="group relative overflow-hidden rounded-sm border border-line bg-card transition-colors focus-within:border-kingfisher hover:border-kingfisher">
      <Boundary what={`“${name}”`} of={bag} more={out}>
        {answer.ok ? (
          <Link to={`/bags/${bag.id}/build`} className="block outline-offset-[-2px]">
            <Sound plan={answer.plan} updatedAt={bag.updatedAt} unsaved={unsaved} />
          </Link>
        ) : (
          <Damaged name={name} why={answer.problem}>
            {out}
          </Damaged>
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

interface SoundProps {
  readonly plan: Plan;
  readonly updatedAt: string;
  readonly unsaved: boolean;
}

function Sound({ plan, updatedAt, unsaved }: SoundProps) {
  const { system } = useSettings();
  const { name } = plan.document;
  const [width, height, depth] = plan.tapes.map(({ finished }) => finished.value);
  const deep = (depth ?? 0) > 5;
  const notes = [...stationNotes(plan).values()];
  const size = [width, height, ...(deep ? [depth] : [])]
    .map((length) => formatLength(length ?? 0, system))
    .join(' × ');
  return (
    <>
      <div className="bg-table">
        <MadeUpPicture
          plan={plan}
          view={deep ? CORNER : FRONT}
          label={`${name}, made up`}
          className="h-52 w-full p-3"
        />
      </div>
      <div className="px-4 py-3">
        <h2 className="text-lg">{name}</h2>
        <p className="text-sm text-soft">
          {plan.familyName} · {size}
        </p>
        <p className="mt-1 text-xs">
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
      <div className="flex h-52 items-center justify-center bg-table">
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
        <h2 className="text-lg">{name}</h2>
        <p className="text-sm text-loosestrife">✗ This bag cannot be shown: {why} It is kept as it is.</p>
        {children}
      </div>
    </>
  );
}
