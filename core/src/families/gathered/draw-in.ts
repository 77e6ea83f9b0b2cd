import type { Motion, Piece } from '../../bag/index.ts';
import { outwardNormal, type Point, type Point3 } from '../../geometry/index.ts';
import type { HalfPlane, Region } from '../layout/bend.ts';

/** How a face lies once its end is drawn in, mm. */
export interface DrawnIn {
  /** How far down from its end the fabric is felt to narrow, on the flat piece. */
  readonly zone: number;
  /** How high that part stands on the made-up bag. */
  readonly rise: number;
}

/** Fabric that is left open at the sides and drawn in there as well. */
export interface DrawnSides {
  /** How many times as long the side is as the band it is worked into. */
  readonly together: number;
  /** mm of either face to be drawn in. */
  readonly slit: number;
}

/**
 * How a face w wide and `tall` high lies once its end is drawn in onto a band: it keeps its width up to a zone, in
 * which it slopes in from both sides. The slope is as long as the zone is tall, so the zone loses some height.
 * With its sides drawn in as well the zone is what they take in, and the slope is that much shorter; a side
 * drawn in too short to reach the end's corner is taken in over a longer way.
 *
 * @param band length of the band, mm.
 */
export function drawnIn(w: number, tall: number, band: number, sides?: DrawnSides): DrawnIn {
  const shift = Math.abs(w - band) / 2;
  const plain = Math.min(0.8 * tall, Math.max(1.15 * shift, 0.25 * tall));
  const s = sides?.together ?? 1;
  const zone = sides ? Math.min(0.9 * tall, Math.max(plain, sides.slit, 1.1 * s * shift)) : plain;
  const slope = zone / s;
  const rise = Math.max(0.3 * slope, Math.sqrt(Math.max(0, slope * slope - shift * shift)));
  return { zone, rise };
}

/** The inside of a triangle, counter-clockwise. */
export function inside(corners: readonly [Point, Point, Point]): HalfPlane[] {
  return corners.map((p, i) => {
    const q = corners[(i + 1) % 3] ?? p;
    const normal = outwardNormal(p, q);
    return { normal, limit: normal.x * p.x + normal.y * p.y };
  });
}

/** The motion that puts three points of the net at three places. */
export function motionTo(
  [a, b, c]: readonly [Point, Point, Point],
  [A, B, C]: readonly [Point3, Point3, Point3],
): Motion {
  const [bx, by, cx, cy] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y];
  const turn = bx * cy - by * cx;
  const axis = (key: 'x' | 'y' | 'z') => {
    const [p, q] = [B[key] - A[key], C[key] - A[key]];
    const [u, v] = [(p * cy - q * by) / turn, (q * bx - p * cx) / turn];
    return { u, v, o: A[key] - a.x * u - a.y * v };
  };
  const [x, y, depth] = [axis('x'), axis('y'), axis('z')];
  return {
    origin: { x: x.o, y: y.o, z: depth.o },
    u: { x: x.u, y: y.u, z: depth.u },
    v: { x: x.v, y: y.v, z: depth.v },
  };
}

/** One face of the sheet: its straight part, and three triangles that take its end in. */
export function faceRegions(
  face: 'front' | 'back',
  w: number,
  tall: number,
  band: number,
  { zone, rise }: DrawnIn,
): Region[] {
  const shoulder = tall - zone;
  const half = band / 2;
  // The back lies below the fold, on its head: net heights are counted from the fold.
  const sign = face === 'front' ? 1 : -1;
  const net = (x: number, up: number): Point => ({ x, y: tall + sign * up });
  const made = (x: number, y: number): Point3 => ({ x, y, z: 0 });
  const region = (
    corners: readonly [Point, Point, Point],
    places: readonly [Point3, Point3, Point3],
  ): Region => {
    const ccw = sign > 0 ? corners : ([corners[0], corners[2], corners[1]] as const);
    return { face, within: inside(ccw), motion: motionTo(corners, places), holds: ofSheet };
  };
  const ofSheet = (piece: Piece) => piece.cell.sheet === 'body';
  const [bl, bm, br, tl, tr] = [
    net(0, shoulder),
    net(w / 2, shoulder),
    net(w, shoulder),
    net(0, tall),
    net(w, tall),
  ];
  const [BL, BM, BR] = [made(-w / 2, shoulder), made(0, shoulder), made(w / 2, shoulder)];
  const [TL, TR] = [made(-half, shoulder + rise), made(half, shoulder + rise)];
  return [
    {
      face,
      within: [
        { normal: { x: 0, y: sign }, limit: sign * tall + shoulder },
        { normal: { x: 0, y: -sign }, limit: -sign * tall },
      ],
      motion: motionTo([net(0, 0), br, bl], [made(-w / 2, 0), BR, BL]),
      holds: ofSheet,
    },
    region([bl, bm, tl], [BL, BM, TL]),
    region([bm, tr, tl], [BM, TR, TL]),
    region([bm, br, tr], [BM, BR, TR]),
  ];
}
