import type { BriefMeasure } from '../document/index.ts';
import type { Plan } from './plan.ts';

/** What is undecided, unmeasured or does not come out, by where it is dealt with. */
export type Note =
  | { readonly at: 'brief'; readonly is: 'no target' | 'does not fit' }
  | { readonly at: 'swatch'; readonly is: 'not measured' }
  | { readonly at: 'build' | 'finish'; readonly is: 'off'; readonly measures: readonly BriefMeasure[] }
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
    shows && { at: 'sides', is: 'does not come out' },
  ];
  return notes.filter((note) => note !== false);
}
