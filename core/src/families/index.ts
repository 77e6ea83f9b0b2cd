import { z } from 'zod';
import { type Bound, bind } from './bind.ts';
import { boxed, boxedSchema } from './boxed/index.ts';
import { cover, coverSchema } from './cover/index.ts';
import { facesAndStrip, facesAndStripSchema } from './faces-and-strip/index.ts';
import type { Family } from './family.ts';
import { foldOver, foldOverSchema } from './fold-over/index.ts';
import { gathered, gatheredSchema } from './gathered/index.ts';
import { grownSides, grownSidesSchema } from './grown-sides/index.ts';
import { onPoint, onPointSchema } from './on-point/index.ts';
import { own, ownSchema } from './own/index.ts';
import { pack, packSchema } from './pack/index.ts';
import { pinwheel, pinwheelSchema } from './pinwheel/index.ts';
import { slipThrough, slipThroughSchema } from './slip-through/index.ts';
import { twoFaces, twoFacesSchema } from './two-faces/index.ts';
import { wrapRound, wrapRoundSchema } from './wrap-round/index.ts';

export type { Choices, Control, Grip } from './control/control.ts';
export type { NetEditor } from './control/net-editor.ts';
export type { Offer, QuickSize, Ranges } from './explore.ts';
export { type Body, bodySchema, multipleSchema } from './layout/body.ts';
export type { FaceMake } from './layout/face.ts';
export { rimBehind } from './layout/flap.ts';
export type { Materials } from './layout/materials.ts';
export { type Own, ownFromGraph } from './own/index.ts';

/** How a bag is built: one member for each family. A new family is added here and in its folder. */
export const constructionSchema = z.discriminatedUnion('family', [
  wrapRoundSchema,
  facesAndStripSchema,
  grownSidesSchema,
  onPointSchema,
  pinwheelSchema,
  boxedSchema,
  twoFacesSchema,
  foldOverSchema,
  gatheredSchema,
  slipThroughSchema,
  packSchema,
  coverSchema,
  ownSchema,
]);
export type Construction = z.infer<typeof constructionSchema>;
export type FamilyId = Construction['family'];

/** A family's operations with its parameters filled in. */
export type BoundFamily = Bound<Construction>;

export function familyOf(construction: Construction): BoundFamily {
  switch (construction.family) {
    case 'wrap-round':
      return bind(wrapRound, construction);
    case 'faces-and-strip':
      return bind(facesAndStrip, construction);
    case 'grown-sides':
      return bind(grownSides, construction);
    case 'on-point':
      return bind(onPoint, construction);
    case 'pinwheel':
      return bind(pinwheel, construction);
    case 'boxed':
      return bind(boxed, construction);
    case 'two-faces':
      return bind(twoFaces, construction);
    case 'fold-over':
      return bind(foldOver, construction);
    case 'gathered':
      return bind(gathered, construction);
    case 'slip-through':
      return bind(slipThrough, construction);
    case 'pack':
      return bind(pack, construction);
    case 'cover':
      return bind(cover, construction);
    case 'own':
      return bind(own, construction);
  }
}

/** A family before its parameters are chosen. */
export interface FamilyEntry
  extends Pick<Family<Construction>, 'name' | 'about' | 'drawing' | 'deep' | 'ofMotifs' | 'begin'> {
  readonly id: FamilyId;
  /** Whether a search goes through its bags: always, when asked to, or never. */
  readonly searched: 'always' | 'asked' | 'never';
  readonly explore: NonNullable<Family<Construction>['explore']>;
}

const entry = <P extends Construction>(id: FamilyId, family: Family<P>): FamilyEntry => ({
  id,
  name: family.name,
  about: family.about,
  drawing: family.drawing,
  deep: family.deep,
  ofMotifs: family.ofMotifs,
  searched: !family.explore ? 'never' : family.onOthers ? 'asked' : 'always',
  explore: family.explore ?? (() => {}),
  begin: family.begin,
});

/** Every family, in the order they are offered. */
export const FAMILIES: readonly FamilyEntry[] = [
  entry('wrap-round', wrapRound),
  entry('faces-and-strip', facesAndStrip),
  entry('grown-sides', grownSides),
  entry('on-point', onPoint),
  entry('pinwheel', pinwheel),
  entry('boxed', boxed),
  entry('two-faces', twoFaces),
  entry('fold-over', foldOver),
  entry('gathered', gathered),
  entry('slip-through', slipThrough),
  entry('pack', pack),
  entry('cover', cover),
  entry('own', own),
];
