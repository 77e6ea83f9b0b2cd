import { footAt, heightAt, type Layer, reach } from './layers.ts';

/** Whether a piece lies flat, and where it begins not to. */
export type Flatness =
  | { readonly lies: 'flat' }
  | {
      readonly lies: 'cups' | 'ruffles';
      /** Number of the row from which on it does. */
      readonly from: number;
      /** Stitches a row that it grows by too few, or too many. */
      readonly off: number;
      /** How far its middle stands out of the plane of its edge, mm; of what ruffles nothing can be said. */
      readonly depth?: number;
      /** Counts that would lie flat, of that row and the ones after it. */
      readonly would: readonly number[];
    };

/** What blocking and the give of stitches smooth out: a share of the length of a row, and stitches. */
const GIVE = 0.12;
const STITCHES = 1.5;
/** Fewer rows than this say nothing of how a piece goes on. */
const LEAST_ROWS = 3;
/** Between these shares of its narrowest row a panel is looked at: what is shaped at its edges bends nothing. */
const [LOW, HIGH] = [0.2, 0.8];

/** A row by how far it lies from the first, and how long it is there, both mm; and the stitch's pitch. */
interface Level {
  readonly number: number;
  readonly risen: number;
  readonly length: number;
  readonly pitch: number;
  readonly many: number;
}

/**
 * Whether rows lie flat, by the length L of each at its distance r from the first: the Gaussian curvature of fabric is
 * -L''/L, so it is flat where L grows evenly. Worked all round, a full turn must come of it too: then L is 2πr, and
 * what grows by less is a cone. Of a panel only the middle is looked at, followed from row to row along its columns.
 *
 * @param first mm of what the first row stands on; 0 for a ring.
 */
export function flatness(layers: readonly Layer[], first: number): Flatness {
  const round = layers[0]?.round ?? false;
  const levels = round ? wholeRows(layers) : middleOf(layers);
  if (levels.length < LEAST_ROWS) return { lies: 'flat' };
  if (round && first === 0)
    return judged(
      levels,
      (level) => 2 * Math.PI * level.risen,
      () => depthAllRound(levels),
    );
  const line = fitted(levels);
  if (levels.every((level) => within(level, line(level)))) return { lies: 'flat' };
  const even = evenAsLong(levels);
  return judged(levels, even, (bent) => depthOfPanel(bent, even));
}

const within = ({ length, pitch }: Level, wanted: number) =>
  Math.abs(length - wanted) <= Math.max(STITCHES * pitch, GIVE * wanted);

function wholeRows(layers: readonly Layer[]): Level[] {
  let risen = 0;
  return layers.map((layer) => {
    risen += heightAt(layer, 0.5);
    return {
      number: layer.number,
      risen,
      length: layer.length,
      pitch: layer.length / layer.many,
      many: layer.many,
    };
  });
}

/** The middle of a panel, row by row, between two columns that stand on one another. */
function middleOf(layers: readonly Layer[]): Level[] {
  const whole = wholeRows(layers);
  const rows = layers.map((_, i) => i).filter((i) => (layers[i]?.many ?? 0) >= 4);
  const narrowest = rows.reduce<number | undefined>(
    (best, i) => (best === undefined || (layers[i]?.many ?? 0) < (layers[best]?.many ?? 0) ? i : best),
    undefined,
  );
  if (narrowest === undefined) return [];
  const between = new Map<number, readonly [number, number]>([[narrowest, [LOW, HIGH]]]);
  let [low, high] = [LOW, HIGH];
  for (let i = narrowest; i > 0; i--) {
    const layer = layers[i];
    if (!layer) break;
    [low, high] = [footAt(layer, low), footAt(layer, high)];
    between.set(i - 1, [low, high]);
  }
  [low, high] = [LOW, HIGH];
  for (let i = narrowest + 1; i < layers.length; i++) {
    const layer = layers[i];
    if (!layer) break;
    [low, high] = [standingOn(layer, low), standingOn(layer, high)];
    between.set(i, [low, high]);
  }
  return whole.flatMap((level, i) => {
    const [from, to] = between.get(i) ?? [0, 0];
    const layer = layers[i];
    const length = layer ? reach(layer, to) - reach(layer, from) : 0;
    return to > from && i >= (rows[0] ?? 0) ? [{ ...level, length }] : [];
  });
}

/** Where in a layer the column goes on that stands at a share of the row below: the feet run one way, so by halves. */
function standingOn(layer: Layer, share: number): number {
  let [low, high] = [0, 1];
  for (let step = 0; step < 24; step++) {
    const middle = (low + high) / 2;
    if (footAt(layer, middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The straight line of lengths over heights that lies nearest. */
function fitted(levels: readonly Level[]): (level: Pick<Level, 'risen'>) => number {
  const mean = (of: (level: Level) => number) =>
    levels.reduce((sum, one) => sum + of(one), 0) / levels.length;
  const [r, l] = [mean(({ risen }) => risen), mean(({ length }) => length)];
  const rr = mean(({ risen }) => (risen - r) ** 2);
  const rl = mean(({ risen, length }) => (risen - r) * (length - l));
  const slope = rr > 0 ? rl / rr : 0;
  return ({ risen }) => l + slope * (risen - r);
}

/** As it begins: the line of as many of the first rows as lie on one. */
function evenAsLong(levels: readonly Level[]): (level: Level) => number {
  let line = fitted(levels.slice(0, LEAST_ROWS));
  for (let many = LEAST_ROWS + 1; many <= levels.length; many++) {
    const next = levels[many - 1];
    const longer = fitted(levels.slice(0, many));
    if (!next || Math.abs(next.length - longer(next)) > next.pitch / 2) break;
    line = longer;
  }
  return line;
}

/** What lengths say beside those that would lie flat. */
function judged(
  levels: readonly Level[],
  wanted: (level: Level) => number,
  depthOf: (bent: readonly Level[]) => number,
): Flatness {
  const off = levels.map((level) => level.length - wanted(level));
  if (levels.every((level) => within(level, wanted(level)))) return { lies: 'flat' };
  const sign = Math.sign(off.at(-1) ?? 0) || Math.sign(off.find((value) => value !== 0) ?? 1);
  // From where on it never comes back.
  const sound = off.findLastIndex((value, i) => {
    const level = levels[i];
    return !level || value * sign <= (level.pitch * STITCHES) / 3;
  });
  const from = Math.min(sound + 1, levels.length - 1);
  const begun = levels[from];
  if (!begun) return { lies: 'flat' };
  const rows = levels.length - from;
  const before = off[from - 1] ?? 0;
  const each = ((off.at(-1) ?? 0) - before) / rows / begun.pitch;
  const would = levels.slice(from).map((level) => Math.round((level.many * wanted(level)) / level.length));
  const told = { from: begun.number, off: Math.abs(each), would };
  const bent = levels.slice(Math.max(0, from - 1));
  return sign < 0 ? { lies: 'cups', ...told, depth: depthOf(bent) } : { lies: 'ruffles', ...told };
}

/**
 * How deep a cup is that is closed all round, mm: a surface of revolution whose rings are as long as its rounds, going
 * out by L'/2π and down by the rest of each round's height.
 */
function depthAllRound(levels: readonly Level[]): number {
  return levels.reduce((sum, level, i) => {
    const before = levels[i - 1];
    if (!before) return sum;
    const height = level.risen - before.risen;
    const out = (level.length - before.length) / (2 * Math.PI * height);
    return sum + height * Math.sqrt(Math.max(0, 1 - out * out));
  }, 0);
}

/**
 * About how deep a panel cups, mm: what its rows turn by less than flat ones would, over the area they take, is the
 * curvature of a ball; its rise over the shorter way across.
 */
function depthOfPanel(levels: readonly Level[], wanted: (level: Level) => number): number {
  const [a, b] = [levels[0], levels.at(-1)];
  if (!a || !b || b.risen === a.risen) return 0;
  const high = b.risen - a.risen;
  const missing = (wanted(b) - b.length - (wanted(a) - a.length)) / high;
  const wide = levels.reduce((sum, { length }) => sum + length, 0) / levels.length;
  if (missing <= 0) return 0;
  const radius = Math.sqrt((high * wide) / missing);
  const half = Math.min(high, wide, 2 * radius) / 2;
  return radius - Math.sqrt(radius * radius - half * half);
}

/** What is said of it: `From row 9 on 6 stitches too few a row: it cups, about 8 mm deep.` */
export function flatnessText(flat: Flatness, round: boolean): string {
  if (flat.lies === 'flat') return 'It lies flat.';
  const what = round ? 'round' : 'row';
  const { from, off, lies, would } = flat;
  const stitches = Math.max(1, Math.round(off));
  const begin = `From ${what} ${from} on ${stitches} ${stitches === 1 ? 'stitch' : 'stitches'} too ${lies === 'cups' ? 'few' : 'many'} a ${what}`;
  const deep = flat.depth === undefined ? '' : `, about ${Math.round(flat.depth)} mm deep`;
  const last = from + would.length - 1;
  return `${begin}: it ${lies}${deep}. With ${would.at(-1)} in ${what} ${last} it would lie flat.`;
}
