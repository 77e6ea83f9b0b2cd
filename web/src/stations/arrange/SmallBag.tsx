import { BACK, type BagDocument, FRONT, type Plan } from '@fennot/core';
import { useDeferredValue, useMemo } from 'react';
import { MadeUpPicture } from '../../madeup/MadeUpPicture.tsx';
import { planFor } from '../../open-bag/plans.ts';

interface SmallBagProps {
  readonly document: BagDocument;
  readonly label: string;
}

/** The bag another way, made up and small, from the front and from behind. */
export function SmallBag({ document: latest, label }: SmallBagProps) {
  // Several stand beside the bag on the table: that one is drawn first.
  const document = useDeferredValue(latest);
  const plan = useMemo((): Plan | undefined => {
    const answer = planFor(document);
    return answer.ok ? answer.plan : undefined;
  }, [document]);
  if (!plan) return null;
  return (
    <span className="grid grid-cols-2">
      <MadeUpPicture
        plan={plan}
        view={FRONT}
        label={`${label}, from the front`}
        straps={false}
        className="h-20 w-full"
      />
      <MadeUpPicture
        plan={plan}
        view={BACK}
        label={`${label}, from behind`}
        straps={false}
        className="h-20 w-full"
      />
    </span>
  );
}
