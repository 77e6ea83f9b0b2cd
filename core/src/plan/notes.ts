import type { BriefMeasure } from '../document/index.ts';
import { twinsOf } from './arranged.ts';
import type { Plan } from './plan.ts';

/** What is undecided, unmeasured or does not come out, by where it is dealt with. */
export type Note =
  | { readonly at: 'brief'; readonly is: 'no target' | 'does not fit' }
  | { readonly at: 'swatch'; readonly is: 'not measured' }
  | { readonly at: 'build' | 'finish'; readonly is: 'off'; readonly measures: readonly BriefMeasure[] }
  | { readonly at: 'arrange'; readonly is: 'short'; readonly by: number }
  | { readonly at: 'arrange'; readonly is: 'twins'; readonly pairs: number }
  | { readonly at: 'sides'; readonly is: 'does not come out' };

/** Everything about a plan that still wants its maker. */
export function notesOf(plan: Plan): Note[] {
  const { document, tapes, contents, sizes, lines } = plan;
  const unmeasured =
    document.motifs.length > 0
      ? sizes.some(({ what, origin }) => what.of === 'motif' && origin === 'estimated')
      : document.swatches.some((swatch) => !swatch.stitches || !swatch.rows);
  const off = tapes
    .filter(({ verdict }) => verdict === 'under' || verdict === 'over')
    .map(({ measure }) => measure);
  const build = off.filter((measure) => measure !== 'strapDrop');
  const shows = lines.some(({ ease }) => ease.verdict === 'puckers' || ease.verdict === 'visible');
  const notes: (Note | false)[] = [
    tapes.every(({ target }) => !target) && { at: 'brief', is: 'no target' },
    contents.some(({ fits }) => !fits) && { at: 'brief', is: 'does not fit' },
    unmeasured && { at: 'swatch', is: 'not measured' },
    build.length > 0 && { at: 'build', is: 'off', measures: build },
    off.length > build.length && { at: 'finish', is: 'off', measures: ['strapDrop'] },
    arrangeNote(plan),
    shows && { at: 'sides', is: 'does not come out' },
  ];
  return notes.filter((note) => note !== false);
}

/** What is missing, or touches, once its maker has begun to lay the bag: nobody is told of twins they do not mind. */
function arrangeNote(plan: Plan): Note | false {
  const { cells, stock } = plan.document.arrangement ?? {};
  if (!cells && !stock) return false;
  const by = plan
    .arranging()
    .supply.reduce(
      (sum, { many, over }) => sum + (many.some(({ given }) => given) ? Math.max(0, -over) : 0),
      0,
    );
  if (by > 0) return { at: 'arrange', is: 'short', by };
  const pairs = twinsOf(plan).length;
  return pairs > 0 && { at: 'arrange', is: 'twins', pairs };
}
