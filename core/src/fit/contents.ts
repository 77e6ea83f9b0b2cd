import type { Measure } from '../bag/index.ts';
import type { Content } from '../document/index.ts';
import type { Point3 } from '../geometry/index.ts';

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
 * @param narrowest way round the bag at its narrowest place, mm.
 */
export function contentFits(
  sizes: Readonly<Record<Measure, number>>,
  narrowest: number,
  contents: readonly Content[],
): ContentFit[] {
  return contents.map((content): ContentFit => {
    const { girth, length } = girthAndLength(content);
    const rooms = [
      { binds: 'opening' as const, room: sizes.opening - girth, of: girth },
      { binds: 'body' as const, room: narrowest - girth, of: girth },
      { binds: 'height' as const, room: sizes.height - length, of: length },
    ];
    // Compared by share of the thing's own measure: 2 cm of girth is less than 2 cm of height.
    const tightest = rooms.reduce((a, b) => (b.room / b.of < a.room / a.of ? b : a));
    return { content, fits: tightest.room >= 0, binds: tightest.binds, room: tightest.room };
  });
}

/** Where a thing stands in the filled bag: its middle and its extents, mm; the bag's floor is at height 0. */
export interface PlacedContent {
  readonly content: Content;
  readonly at: Point3;
  readonly size: Point3;
}

/** Room between things, and under them, mm. */
const GAP = 6;

const sizeOf = (content: Content): Point3 =>
  content.shape === 'cylinder'
    ? { x: content.diameter, y: content.height, z: content.diameter }
    : { x: content.width, y: content.height, z: content.thickness };

/**
 * Stands the things in the bag in rows across, each row behind the one before: as many in a row as the width
 * takes. Only a picture of what is in there, not a proof that all go in together.
 */
export function placeContents(contents: readonly Content[], width: number): PlacedContent[] {
  const rows: Content[][] = [];
  let used = Infinity;
  for (const content of [...contents].sort((a, b) => sizeOf(b).x - sizeOf(a).x)) {
    const { x } = sizeOf(content);
    if (used + x > width) {
      rows.push([]);
      used = 0;
    }
    rows.at(-1)?.push(content);
    used += x + GAP;
  }
  const deep = (row: readonly Content[]) => Math.max(...row.map((content) => sizeOf(content).z));
  const total = rows.reduce((sum, row) => sum + deep(row), GAP * (rows.length - 1));
  let z = -total / 2;
  return rows.flatMap((row) => {
    const wide = row.reduce((sum, content) => sum + sizeOf(content).x, GAP * (row.length - 1));
    let x = -wide / 2;
    const middle = z + deep(row) / 2;
    z += deep(row) + GAP;
    return row.map((content): PlacedContent => {
      const size = sizeOf(content);
      const at = { x: x + size.x / 2, y: GAP + size.y / 2, z: middle };
      x += size.x + GAP;
      return { content, at, size };
    });
  });
}
