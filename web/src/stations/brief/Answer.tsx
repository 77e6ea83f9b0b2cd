import {
  type BagDocument,
  type Found,
  formatLength,
  type Plan,
  piecesText,
  viewOf,
  wholeYarn,
} from '@fennot/core';
import { dequal } from 'dequal';
import { useSettings } from '../../api/queries.ts';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { handed } from '../../open-bag/hand.ts';
import { hours } from '../../tapes/amounts.ts';
import { type Outcome, tell } from '../../ui/tell.ts';
import { edgeText, givesText, roundsOf } from './answer-facts.ts';

interface AnswerProps {
  readonly found: Found;
  /** What is on the table now. */
  readonly document: BagDocument;
  /** The answer, worked out. */
  readonly answer: Plan;
  readonly kept: boolean;
  readonly onPick: () => Outcome;
  readonly onKeep: () => void;
}

/** One answer as a small folded bag with its figures; pressing it puts it on the table. */
export function Answer({ found, document, answer, kept, onPick, onKeep }: AnswerProps) {
  const { system, hand } = useSettings();
  const { width, height, depth } = found.size;
  const sizes = [width, height, ...(depth > 1 ? [depth] : [])].map((length) => formatLength(length, system));
  const gives = givesText(document, found, system);
  const { tally } = answer;
  const now = dequal(document.construction, found.construction);
  return (
    <li className="relative">
      <button
        type="button"
        onClick={() => tell(onPick())}
        aria-pressed={now}
        className={`flex h-full w-full flex-col rounded-sm border p-1.5 pb-8 text-left text-xs ${
          now ? 'border-kingfisher bg-kingfisher-pale' : 'border-line hover:border-kingfisher'
        }`}
      >
        <MadeUpPicture
          straps={false}
          plan={handed(answer, hand)}
          view={viewOf(depth)}
          label={`${answer.familyName}, made up`}
          className="h-24 w-full rounded-sm bg-table p-1"
        />
        <span className="mt-1 text-sm font-semibold">{answer.familyName}</span>
        <span>{sizes.join(' × ')}</span>
        <span>{[piecesText(tally, roundsOf(answer)), edgeText(found)].filter(Boolean).join(', ')}</span>
        <span>
          {wholeYarn(tally.effort.yarn, system)}, {tally.pieceEnds + tally.joinEnds} ends,{' '}
          {hours(tally.effort.minutes)}
        </span>
        <span className={gives.length === 0 ? 'font-semibold text-reed' : 'font-semibold text-loosestrife'}>
          {gives.length === 0 ? '✓ reaches' : `✗ ${gives.join('; ')}`}
        </span>
      </button>
      <label className="absolute bottom-1.5 left-2 flex items-center gap-1.5 text-xs">
        <input type="checkbox" checked={kept} onChange={onKeep} className="size-4 accent-kingfisher" />
        Keep to compare
      </label>
    </li>
  );
}
