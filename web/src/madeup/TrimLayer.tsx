import {
  type Camera,
  camera,
  dot,
  edgingParts,
  eyeletPlaces,
  levelCuts,
  type Plan,
  type Point3,
  project,
  type Strap,
  strapPath,
  type View,
  yarnOfTrim,
} from '@fennot/core';
import { useMemo } from 'react';
import { clothOf, Fabric } from '../drawing/Fabric.tsx';

interface TrimLayerProps {
  readonly plan: Plan;
  readonly view: View;
  /** What lies behind the body as it is seen, or before it. */
  readonly side: 'far' | 'near';
  /** Straps hang by themselves; left out where they are drawn on who wears them. */
  readonly straps?: boolean;
}

/** Edge rounds, eyelets and straps, as far as they lie on one side of the body. */
export function TrimLayer({ plan, view, side, straps = true }: TrimLayerProps) {
  const { trim } = plan.graph;
  const eye = useMemo(() => camera(view), [view]);
  const edging = useMemo(() => {
    const cloth = clothOf(plan);
    return edgingParts(plan.graph).map(({ piece, motion }) => ({ piece, motion, cloth: cloth(piece) }));
  }, [plan]);
  const eyelets = useMemo(() => eyeletPlaces(plan.graph), [plan]);
  const waist = useMemo(() => (trim?.waist ? levelCuts(plan.graph, trim.waist.height) : []), [plan, trim]);
  if (!trim) return null;
  /** A band that is sewn round the waist lies over the thread that draws it in. */
  const sash = plan.bands.find(({ band }) => band.ring);
  const near = (normal: Point3) => dot(normal, eye.towards) > 0.15 === (side === 'near');
  const colourOf = (swatch: string | undefined) => yarnOfTrim(plan.document, swatch).colour;
  return (
    <>
      {edging.map(({ piece, motion, cloth }) => {
        const normal = {
          x: motion.u.y * motion.v.z - motion.u.z * motion.v.y,
          y: motion.u.z * motion.v.x - motion.u.x * motion.v.z,
          z: motion.u.x * motion.v.y - motion.u.y * motion.v.x,
        };
        if (!near(normal)) return null;
        const [u, v, o] = [project(eye, motion.u), project(eye, motion.v), project(eye, motion.origin)];
        return (
          <g key={piece.id} transform={`matrix(${[u.x, u.y, v.x, v.y, o.x, o.y].join(' ')})`}>
            <Fabric piece={piece} cloth={cloth} />
            {side === 'far' && (
              <polygon
                points={piece.outline.map(({ x, y }) => `${x},${y}`).join(' ')}
                fill="#16211d"
                fillOpacity={0.4}
              />
            )}
          </g>
        );
      })}
      {waist
        .filter(({ normal }) => near(normal))
        .map(({ from, to }, i) => {
          const drawn = 1 - (trim.waist?.draw ?? 0);
          const [p, q] = [from, to].map((end) =>
            project(eye, { x: end.x * drawn, y: end.y, z: end.z * drawn }),
          );
          if (!p || !q) return null;
          return sash ? (
            <BandLook
              key={i}
              d={`M${p.x} ${p.y}L${q.x} ${q.y}`}
              colour={colourOf(sash.band.swatch)}
              width={sash.width}
              cap="butt"
            />
          ) : (
            <g key={i} strokeLinecap="round">
              <line
                x1={p.x}
                y1={p.y}
                x2={q.x}
                y2={q.y}
                stroke="#16211d"
                strokeOpacity={0.5}
                strokeWidth={7}
              />
              <line
                x1={p.x}
                y1={p.y}
                x2={q.x}
                y2={q.y}
                stroke="#f4efe0"
                strokeWidth={4}
                strokeDasharray="7 6"
              />
            </g>
          );
        })}
      {eyelets
        .filter(({ normal }) => near(normal))
        .map(({ at }, i) => {
          const { x, y } = project(eye, at);
          return <circle key={i} cx={x} cy={y} r={4} fill="#16211d" stroke="#f4efe0" strokeWidth={1.6} />;
        })}
      {(straps ? (trim.straps ?? []) : [])
        .filter((strap) => (strap.behind && eye.towards.z > 0 ? 'far' : 'near') === side)
        .map((strap) => (
          <StrapBand key={strap.name} strap={strap} eye={eye} colour={colourOf(strap.swatch)} />
        ))}
    </>
  );
}

/** A strap as a band along the way it hangs. */
function StrapBand({
  strap,
  eye,
  colour,
}: {
  readonly strap: Strap;
  readonly eye: Camera;
  readonly colour: string;
}) {
  const { width } = strap;
  const path = strapPath(strap).map((p) => {
    const at = project(eye, p);
    return `${at.x.toFixed(1)} ${at.y.toFixed(1)}`;
  });
  return <BandLook d={`M${path.join('L')}`} colour={colour} width={width} cap="round" />;
}

/** A worked band along a path, its rows across it. */
function BandLook({
  d,
  colour,
  width,
  cap,
}: {
  readonly d: string;
  readonly colour: string;
  readonly width: number;
  readonly cap: 'round' | 'butt';
}) {
  return (
    <g fill="none" strokeLinecap={cap} strokeLinejoin="round">
      <path d={d} stroke="#1e2b28" strokeOpacity={0.45} strokeWidth={width + 3} />
      <path d={d} stroke={colour} strokeWidth={width} />
      <g strokeLinecap="butt">
        <path d={d} stroke="#16211d" strokeOpacity={0.22} strokeWidth={width} strokeDasharray="1.6 4.4" />
        <path d={d} stroke="#fff" strokeOpacity={0.16} strokeWidth={width * 0.5} />
      </g>
    </g>
  );
}
