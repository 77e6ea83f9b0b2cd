import { z } from 'zod';
import { boxed } from './boxed/index.ts';
import { cover } from './cover/index.ts';
import { facesAndStrip } from './faces-and-strip/index.ts';
import { type Bound, boundAmong, type Family } from './family.ts';
import { foldOver } from './fold-over/index.ts';
import { gathered } from './gathered/index.ts';
import { grownSides } from './grown-sides/index.ts';
import { onPoint } from './on-point/index.ts';
import { own } from './own/index.ts';
import { pack } from './pack/index.ts';
import { pinwheel } from './pinwheel/index.ts';
import { slipThrough } from './slip-through/index.ts';
import { twoFaces } from './two-faces/index.ts';
import { wrapRound } from './wrap-round/index.ts';

export type { Choices, Control, Grip } from './control/control.ts';
export type { NetEditor } from './control/net-editor.ts';
export type { Offer, QuickSize, Ranges } from './explore.ts';
export { type Body, multipleSchema } from './layout/body.ts';
export type { FaceMake } from './layout/face.ts';
export { rimBehind } from './layout/flap.ts';
export type { Materials } from './layout/materials.ts';
export { isRectangular } from './layout/rows-sheet.ts';
export type { SheetMake } from './layout/sheet-make.ts';
export { type Own, ownFromGraph } from './own/index.ts';
export { stripWays } from './strip/rows-strip.ts';

/** Every family, in the order they are offered. A new one is added here, and nowhere else in this list's users. */
const ALL = [
  wrapRound,
  facesAndStrip,
  grownSides,
  onPoint,
  pinwheel,
  boxed,
  twoFaces,
  foldOver,
  gathered,
  slipThrough,
  pack,
  cover,
  own,
] as const;

/** How a bag is built: one member for each family. */
const [first, ...others] = ALL;
export const constructionSchema = z.discriminatedUnion('family', [
  first.schema,
  ...others.map(({ schema }) => schema),
]);
export type Construction = z.infer<typeof constructionSchema>;
export type FamilyId = Construction['family'];

/** A family's operations with its parameters filled in. */
export type BoundFamily = Bound<Construction>;

export const familyOf = (construction: Construction): BoundFamily =>
  boundAmong<Construction>(ALL, construction);

/** A family before its parameters are chosen. */
export interface FamilyEntry
  extends Pick<Family<Construction>, 'name' | 'about' | 'drawing' | 'deep' | 'ofMotifs' | 'begin'> {
  readonly id: FamilyId;
  /** Whether a search goes through its bags: always, when asked to, or never. */
  readonly searched: 'always' | 'asked' | 'never';
  readonly explore: NonNullable<Family<Construction>['explore']>;
}

const entry = (family: Family<Construction> & { readonly id: FamilyId }): FamilyEntry => ({
  ...family,
  searched: !family.explore ? 'never' : family.onOthers ? 'asked' : 'always',
  explore: family.explore ?? (() => {}),
});

/** Every family, in the order they are offered. */
export const FAMILIES: readonly FamilyEntry[] = ALL.map((family) => entry(family));
