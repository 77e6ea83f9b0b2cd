import type { Inside } from '../bag/index.ts';
import type { Content } from '../document/index.ts';

/** Whether one thing goes in, and what decides it. */
export interface ContentFit {
  readonly content: Content;
  readonly fits: boolean;
  /** It goes in only with another than its longest side upright. */
  readonly lies: boolean;
  /** What leaves the least room: the way round the mouth, round the body, or the height. */
  readonly binds: 'opening' | 'body' | 'height';
  /** Room left there, mm; negative when it is short by that much. */
  readonly room: number;
}

/** One way a thing can go in: the way round its section, and how long it is upright. */
interface Pose {
  readonly girth: number;
  readonly length: number;
}

/** The ways a thing can go in, the one with its longest side upright first. */
function posesOf(content: Content): readonly [Pose, ...Pose[]] {
  if (content.shape === 'cylinder') {
    const { diameter, height } = content;
    const standing = { girth: Math.PI * diameter, length: height };
    // A flat tin goes in edge first: its section is then diameter by height.
    const lying = { girth: 2 * (diameter + height), length: diameter };
    return height >= diameter ? [standing, lying] : [lying, standing];
  }
  const sides = [content.height, content.width, content.thickness].sort((a, b) => b - a);
  const [most = 0, middle = 0, least = 0] = sides;
  return [
    { girth: 2 * (middle + least), length: most },
    { girth: 2 * (most + least), length: middle },
    { girth: 2 * (most + middle), length: least },
  ];
}

/**
 * Holds each thing against the bag: a section p by t passes where its girth 2 (p + t) is at most the way round inside,
 * and the thing goes in whole when it is upright no longer than the bag is closed all round. A thing goes in with its
 * longest side upright, or else lying.
 *
 * @param inside the room in the bag, mm, with the way round its opening.
 */
export function contentFits(
  inside: Inside & { readonly opening: number },
  contents: readonly Content[],
): ContentFit[] {
  const tightest = ({ girth, length }: Pose) => {
    const rooms = [
      { binds: 'opening' as const, room: inside.opening - girth, of: girth },
      { binds: 'body' as const, room: inside.girth - girth, of: girth },
      { binds: 'height' as const, room: inside.height - length, of: length },
    ];
    // Compared by share of the thing's own measure: 2 cm of girth is less than 2 cm of height.
    return rooms.reduce((a, b) => (b.room / b.of < a.room / a.of ? b : a));
  };
  return contents.map((content): ContentFit => {
    const [upright, ...others] = posesOf(content);
    const stands = tightest(upright);
    const lies = stands.room >= 0 ? undefined : others.map(tightest).find(({ room }) => room >= 0);
    const { binds, room } = lies ?? stands;
    return { content, fits: room >= 0, lies: lies !== undefined, binds, room };
  });
}
