import type { z } from 'zod';
import type { BagGraph } from '../bag/index.ts';
import type { Choices, Control } from './control/control.ts';
import type { NetEditor } from './control/net-editor.ts';
import type { Offer, Ranges } from './explore.ts';
import type { Body } from './layout/body.ts';
import type { Materials } from './layout/materials.ts';

/**
 * One way of building a bag. This is all the rest of the program may ask of it: parameters go in, a bag
 * graph and a list of controls come out.
 */
export interface Family<P> {
  readonly name: string;
  /** One sentence for someone who has not built a bag this way. */
  readonly about: string;
  /** A small drawing, 72 by 56: what is laid out, and where it folds, as SVG paths. */
  readonly drawing: { readonly pieces: string; readonly folds: string };
  /** Whether it has a depth of its own, to be asked for at the start. */
  readonly deep: boolean;
  /** Whether it can only be made of squares. */
  readonly ofMotifs: boolean;
  build(params: P, materials: Materials): BagGraph;
  /** Replaces every "as many as it takes" by the count it takes now. */
  settle(params: P, materials: Materials): P;
  controls(params: P, materials: Materials, choices: Choices): Control<P>[];
  /** A family whose net is laid piece by piece is edited on the net itself. */
  editor?(params: P, materials: Materials): NetEditor<P>;
  /**
   * Goes through every bag of the family within the ranges: shows each one's size, and hands over those
   * that are wanted. Sizes come from closed formulas, which tests hold against the graph. Left out by a family that
   * has no end of bags.
   *
   * @param now the bag on the table, where it is of this family: what a search does not vary stays as it is.
   */
  explore?(ranges: Ranges, materials: Materials, offer: Offer, take: (params: P) => void, now?: P): void;
  /** Its bags are those of other families with something on or over them: searched only when asked for. */
  readonly onOthers?: true;
  /** A first bag of about the wanted size (mm) out of a body like the given one. */
  begin(size: { width: number; height: number; depth: number }, body: Body, materials: Materials): P;
}

/** A family's operations with its parameters filled in. */
export interface Bound<P> {
  readonly name: string;
  build(materials: Materials): BagGraph;
  settle(materials: Materials): P;
  controls(materials: Materials, choices: Choices): Control<P>[];
  editor(materials: Materials): NetEditor<P> | undefined;
}

type FamilySchema<Id extends string> = z.ZodObject<{ family: z.ZodLiteral<Id> }>;

/** Something that says of which family it is. */
interface OfFamily {
  readonly family: string;
}

/** Makes a family of the schema of its parameters, which says its id, and what it can do. */
export const defineFamily =
  <Id extends string, S extends FamilySchema<Id>>(schema: S) =>
  (family: Family<z.infer<S>>) => {
    type P = z.infer<S>;
    const id: z.infer<S>['family'] = schema.shape.family.value;
    const owns = (params: OfFamily): params is P & OfFamily => params.family === id;
    return {
      ...family,
      id,
      schema,
      /** The family's operations for parameters that are its own; nothing for another family's. */
      bind(params: OfFamily): Bound<P> | undefined {
        if (!owns(params)) return undefined;
        return {
          name: family.name,
          build: (materials) => family.build(params, materials),
          settle: (materials) => family.settle(params, materials),
          controls: (materials, choices) => family.controls(params, materials, choices),
          editor: (materials) => family.editor?.(params, materials),
        };
      },
    };
  };

/** The operations of whichever of the families the parameters belong to. */
export function boundAmong<P>(
  families: ReadonlyArray<{ bind(params: OfFamily): Bound<P> | undefined }>,
  params: OfFamily,
): Bound<P> {
  for (const family of families) {
    const bound = family.bind(params);
    if (bound) return bound;
  }
  throw new Error(`There is no family ${params.family}.`);
}
