/** How a ready-made bag serves as lining: the crochet must come out a little under it, never over. */
export type ReadyVerdict = 'fits' | 'crochet too large' | 'crochet too small';

/** A few per cent of stretch bring a cover to size. */
const STRETCH = 0.05;

/** Holds the bag against a ready-made one, both pressed flat, mm. */
export function readyVerdict(
  size: { readonly width: number; readonly height: number },
  ready: { readonly width: number; readonly height: number },
): ReadyVerdict {
  const [w, h] = [size.width / ready.width, size.height / ready.height];
  if (w > 1.005 || h > 1.005) return 'crochet too large';
  return w < 1 - STRETCH || h < 1 - STRETCH ? 'crochet too small' : 'fits';
}
