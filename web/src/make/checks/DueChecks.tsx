import { type Check, countedBefore, type Plan, type WorkRecord } from '@fennot/core';
import { useState } from 'react';
import { CheckCard, type Taken } from './CheckCard.tsx';

interface DueChecksProps {
  readonly plan: Plan;
  readonly checks: readonly Check[];
  readonly record: WorkRecord;
  readonly onTake: (taken: Taken) => void;
}

/** What is to be measured now, one thing after another; what is put off is not asked for again on this page. */
export function DueChecks({ plan, checks, record, onTake }: DueChecksProps) {
  const [later, setLater] = useState<ReadonlySet<string>>(new Set());
  const check = checks.find(({ id }) => !later.has(id));
  if (!check) return null;
  return (
    <CheckCard
      key={check.id}
      plan={plan}
      check={check}
      before={countedBefore(check, record)}
      onTake={onTake}
      onLater={() => setLater(new Set([...later, check.id]))}
    />
  );
}
