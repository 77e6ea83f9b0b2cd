import type { Content } from '../document/index.ts';
import type { ContentFit } from './contents.ts';

/** Three numbers: across, up, and from front to back. */
type Vec = [number, number, number];

/** The form of a thing about its middle: half its sides, or a round one along one of its axes. */
export type Form =
  | { readonly is: 'box'; readonly half: Vec }
  | { readonly is: 'round'; readonly axis: 0 | 1 | 2; readonly radius: number; readonly half: number };

/** A thing as it is put into the bag: its form, and where its middle goes; mm. */
export interface Packed {
  readonly content: Content;
  readonly form: Form;
  readonly at: Vec;
}

/** A thing that stays outside, with the reason. */
export interface LeftOut {
  readonly content: Content;
  readonly form: Form;
  readonly why: 'too large' | 'no room beside the others';
}

/** The room in the bag, mm. */
export interface Room {
  readonly height: number;
  readonly girth: number;
  /** How wide the bag is at least between two heights, as it lies pressed. */
  widthBetween(low: number, high: number): number;
}

/** Room between things, mm. */
const GAP = 3;
/** Layers of the pressed bag into which things are put begin so far apart, mm. */
const LAYER = 2.5;

/** How a thing goes in: its longest side up, its shortest from front to back, or lying where it fits only so. */
function formOf({ content, lies }: ContentFit, height: number): Form {
  if (content.shape === 'cylinder') {
    const [radius, half] = [content.diameter / 2, content.height / 2];
    const upright = content.height >= content.diameter;
    if (upright) return { is: 'round', axis: lies ? 0 : 1, radius, half };
    // A flat tin stands on its edge, or lies on its base.
    return { is: 'round', axis: lies ? 1 : 2, radius, half };
  }
  const [most = 0, middle = 0, least = 0] = [content.height, content.width, content.thickness].sort(
    (a, b) => b - a,
  );
  if (!lies) return { is: 'box', half: [middle / 2, most / 2, least / 2] };
  return middle <= height
    ? { is: 'box', half: [most / 2, middle / 2, least / 2] }
    : { is: 'box', half: [most / 2, least / 2, middle / 2] };
}

/** Half the extents of a form. */
export const halfOf = (form: Form): Vec => {
  if (form.is === 'box') return form.half;
  const half: Vec = [form.radius, form.radius, form.radius];
  half[form.axis] = form.half;
  return half;
};

const volumeOf = (form: Form) => {
  const [x, y, z] = halfOf(form);
  return 8 * x * y * z;
};

/** Where in its layer a thing stands. */
interface Layer {
  readonly things: Array<{ readonly content: Content; readonly form: Form; readonly low: number }>;
}

const wide = ({ things }: Layer) => things.reduce((sum, { form }) => sum + 2 * halfOf(form)[0] + GAP, -GAP);
const deep = ({ things }: Layer) => Math.max(...things.map(({ form }) => 2 * halfOf(form)[2]));

/** What is in the bag, what stays outside, and how thick it is from front to back, mm: 0 where nothing is in it. */
export interface Packing {
  readonly packed: readonly Packed[];
  readonly leftOut: readonly LeftOut[];
  readonly thick: number;
}

/** From front to back of layers that lie on one another, mm. */
const thickOf = (layers: readonly Layer[]) => layers.reduce((sum, layer) => sum + deep(layer), 0);

/**
 * Packs things the way a maker does: the largest first and from the bottom, beside one another as far as the bag is
 * wide, then behind one another as far as it goes round them. What does not go in, by itself or with the others, is
 * left out.
 */
export function packed(fits: readonly ContentFit[], room: Room): Packing {
  const layers: Layer[] = [];
  const leftOut: LeftOut[] = [];
  const things = fits
    .map((fit) => ({ fit, form: formOf(fit, room.height) }))
    .sort((a, b) => volumeOf(b.form) - volumeOf(a.form));
  /** The way round all layers, were a thing with them. */
  const round = (all: readonly Layer[]) => 2 * (Math.max(...all.map(wide)) + thickOf(all));
  for (const { fit, form } of things) {
    const { content } = fit;
    const [x, y] = halfOf(form);
    if (!fit.fits) {
      leftOut.push({ content, form, why: 'too large' });
      continue;
    }
    const low = lowest(2 * x, 2 * y, room);
    const thing = { content, form, low };
    const into = layers.findIndex((layer) => {
      const fuller = { things: [...layer.things, thing] };
      const all = layers.map((one) => (one === layer ? fuller : one));
      return wide(fuller) <= room.widthBetween(low, low + 2 * y) && round(all) <= room.girth;
    });
    if (into >= 0) layers[into]?.things.push(thing);
    else if (layers.length === 0 || round([...layers, { things: [thing] }]) <= room.girth)
      layers.push({ things: [thing] });
    else leftOut.push({ content, form, why: 'no room beside the others' });
  }
  return {
    packed: layers.flatMap((layer, k) => {
      let x = -wide(layer) / 2;
      return layer.things.map(({ content, form, low }): Packed => {
        const [half, tall] = halfOf(form);
        const at: Vec = [x + half, low + tall, (k - (layers.length - 1) / 2) * LAYER];
        x += 2 * half + GAP;
        return { content, form, at };
      });
    }),
    leftOut,
    thick: thickOf(layers),
  };
}

/** Heights that are tried for the foot of a thing. */
const TRIED = 24;

/** The lowest height at which a thing finds the bag wide enough; at the widest place where it is nowhere. */
function lowest(width: number, height: number, room: Room): number {
  const free = Math.max(0, room.height - height);
  const heights = Array.from({ length: TRIED + 1 }, (_, k) => (free * k) / TRIED);
  const fits = heights.find((low) => room.widthBetween(low, low + height) >= width);
  if (fits !== undefined) return fits;
  return heights.reduce(
    (a, b) => (room.widthBetween(b, b + height) > room.widthBetween(a, a + height) ? b : a),
    0,
  );
}
