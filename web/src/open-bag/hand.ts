import {
  type BagDocument,
  type Construction,
  type Control,
  controlsOf,
  leftHanded,
  leftHandedControl,
  leftHandedEditor,
  type NetEditor,
  netEditorOf,
  type Plan,
  type Settings,
} from '@fennot/core';
import { useSettings } from '../api/queries.ts';

/** Plans in the mirror, each made once. */
const known = new WeakMap<Plan, Plan>();

/** A plan as the maker's hand reads it. */
export function handed(plan: Plan, hand: Settings['hand']): Plan {
  if (hand === 'right') return plan;
  const before = known.get(plan);
  if (before) return before;
  const fresh = leftHanded(plan);
  known.set(plan, fresh);
  return fresh;
}

/** Turns controls to the maker's hand. */
export function useHandedControls(): <C>(controls: Control<C>[]) => Control<C>[] {
  const { hand } = useSettings();
  return (controls) => (hand === 'left' ? controls.map((control) => leftHandedControl(control)) : controls);
}

/** The controls of a construction as the maker's hand has them. */
export function useControls(document: BagDocument): Control<Construction>[] {
  return useHandedControls()(controlsOf(document));
}

/** The editor of a net as the maker's hand has it, where there is one. */
export function useNetEditor(document: BagDocument): NetEditor<Construction> | undefined {
  const { hand } = useSettings();
  const editor = netEditorOf(document);
  return editor && hand === 'left' ? leftHandedEditor(editor) : editor;
}
