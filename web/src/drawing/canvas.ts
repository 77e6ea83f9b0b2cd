import QuickLRU from 'quick-lru';

/** As many pictures as some dozens of bags show; the longest unseen one gives way. */
const MOST_PICTURES = 300;

/**
 * Pictures painted once on a canvas and kept as bitmaps: a net shows the same few pieces many times, and
 * a browser repaints a bitmap far faster than hundreds of strokes.
 */
const kept = new QuickLRU<string, string>({ maxSize: MOST_PICTURES });

/** Where nothing can be painted: an empty address would make the browser fetch the page again as a picture. */
const NOTHING_DRAWN = 'data:,';

/** The picture under `key`, painted when first asked for, as an image address. */
export function painted(
  key: string,
  { width, height }: { readonly width: number; readonly height: number },
  paint: (context: CanvasRenderingContext2D) => void,
): string {
  const known = kept.get(key);
  if (known !== undefined) return known;
  const canvas = window.document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width));
  canvas.height = Math.max(1, Math.round(height));
  const context = canvas.getContext('2d');
  if (!context) return NOTHING_DRAWN;
  context.lineCap = 'round';
  context.lineJoin = 'round';
  paint(context);
  const address = canvas.toDataURL();
  kept.set(key, address);
  return address;
}

/** Strokes a path in one colour. */
export function stroke(
  context: CanvasRenderingContext2D,
  path: Path2D,
  colour: string,
  width: number,
  alpha = 1,
): void {
  context.globalAlpha = alpha;
  context.strokeStyle = colour;
  context.lineWidth = width;
  context.stroke(path);
  context.globalAlpha = 1;
}
