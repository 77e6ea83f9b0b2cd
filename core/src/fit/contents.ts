import type { Measure } from '../bag/index.ts';
import type { Content } from '../document/index.ts';

/** Whether one thing goes in, and what decides it. */
export interface ContentFit {
  readonly content: Content;
  readonly fits: boolean;
  /** What leaves the least room: the way round the mouth, round the body, or the height. */
  readonly binds: 'opening' | 'body' | 'height';
  /** Room left there, mm; negative when it is short by that much. */
  readonly room: number;
}

/** Way round a thing's cross-section, lying so that its longest side goes in first; and that side. */
function girthAndLength(content: Content): { girth: number; length: number } {
  if (content.shape === 'cylinder') {
    const { diameter, height } = content;
    // A flat tin goes in edge first: its section is then diameter by height.
    return height >= diameter
      ? { girth: Math.PI * diameter, length: height }
      : { girth: 2 * (diameter + height), length: diameter };
  }
  const [least, middle, most] = [content.height, content.width, content.thickness].sort((a, b) => a - b);
  return { girth: 2 * ((least ?? 0) + (middle ?? 0)), length: most ?? 0 };
}

/**
 * Holds each thing against the bag: a section p by t passes where its girth 2 (p + t) is at most the way
 * round inside, and the thing goes in whole when its length is at most the bag's height.
 *
 * @param sizes finished sizes of the bag, mm; `opening` all the way round.
 */
export function contentFits(
  sizes: Readonly<Record<Measure, number>>,
  contents: readonly Content[],
): ContentFit[] {
  const body = 2 * (sizes.width + sizes.depth);
  return contents.map((content): ContentFit => {
    const { girth, length } = girthAndLength(content);
    const rooms = [
      { binds: 'opening' as const, room: sizes.opening - girth, of: girth },
      { binds: 'body' as const, room: body - girth, of: girth },
      { binds: 'height' as const, room: sizes.height - length, of: length },
    ];
    // Compared by share of the thing's own measure: 2 cm of girth is less than 2 cm of height.
    const tightest = rooms.reduce((a, b) => (b.room / b.of < a.room / a.of ? b : a));
    return { content, fits: tightest.room >= 0, binds: tightest.binds, room: tightest.room };
  });
}
