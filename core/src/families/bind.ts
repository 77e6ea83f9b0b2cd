import type { BagGraph } from '../bag/index.ts';
import { type Choices, type Control, lift } from './control/control.ts';
import { liftEditor, type NetEditor } from './control/net-editor.ts';
import type { Family } from './family.ts';
import type { Materials } from './layout/materials.ts';

/** A family's operations with its parameters filled in. */
export interface Bound<C> {
  readonly name: string;
  build(materials: Materials): BagGraph;
  settle(materials: Materials): C;
  controls(materials: Materials, choices: Choices): Control<C>[];
  editor(materials: Materials): NetEditor<C> | undefined;
}

/** A family with its parameters, as one of the constructions `C`. */
export function bind<C, P extends C>(family: Family<P>, params: P): Bound<C> {
  return {
    name: family.name,
    build: (materials) => family.build(params, materials),
    settle: (materials) => family.settle(params, materials),
    controls: (materials, choices) =>
      family.controls(params, materials, choices).map((control) => lift(control, (next): C => next)),
    editor: (materials) => {
      const editor = family.editor?.(params, materials);
      return editor && liftEditor(editor, (next): C => next);
    },
  };
}
