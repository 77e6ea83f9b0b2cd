import { type Hung, hungOn, measure, type Plan, type Straps, type Wearer, wearerOf } from '@fennot/core';

/** Who carries the bag, and how it hangs on them. */
export function wornOf(plan: Plan, straps: Straps): { readonly wearer: Wearer; readonly hung: Hung } {
  const wearer = wearerOf(straps);
  const drop = plan.tapes.find((tape) => tape.measure === 'strapDrop')?.finished.value ?? straps.drop;
  return { wearer, hung: hungOn(wearer, drop, measure(plan.graph).height) };
}

/** Where the bag hangs, in a sentence. */
export function wornText({ rimAt, bottomAt, trouble }: Hung): string {
  if (trouble === 'on the ground') return '✗ The bag would touch the ground: the drop is too long for it.';
  const says = `The rim hangs at the ${rimAt}, the bottom at the ${bottomAt}.`;
  return trouble ? `✗ The strap is too short to slip on easily. ${says}` : says;
}
