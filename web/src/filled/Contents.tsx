import type { Form } from '@fennot/core';
import { Edges } from '@react-three/drei/core/Edges';
import type { FillFrame, FillStart } from '../workers/fill.worker.ts';
import { ghostsBeside } from './fit-view.ts';

const FITS = '#7fae6a';
const BINDS = '#c4508f';

interface ContentsProps {
  readonly start: FillStart;
  readonly frame: FillFrame;
}

/** What the bag holds, to scale, as it lies in it; and beside it, as a ghost, what does not go in. */
export function Contents({ start, frame: { bodies, places } }: ContentsProps) {
  // On the way from the net there is no bag yet.
  if (bodies.length < 10 * start.inside.length) return null;
  return (
    <>
      {start.inside.map(({ id, form }, i) => {
        const [x = 0, y = 0, z = 0, a = 0, b = 0, c = 0, w = 1, sx = 1, sy = 1, sz = 1] = bodies.subarray(
          10 * i,
          10 * i + 10,
        );
        return (
          <group key={id} position={[x, y, z]} quaternion={[a, b, c, w]} scale={[sx, sy, sz]}>
            <Thing form={form} ghost={false} />
          </group>
        );
      })}
      {ghostsBeside(start, places).map(({ id, form, at }) => (
        <group key={id} position={[at.x, at.y, at.z]}>
          <Thing form={form} ghost />
        </group>
      ))}
    </>
  );
}

/** Turns of a cylinder, which stands up by itself, onto its axis. */
const ALONG = [
  [0, 0, -Math.PI / 2],
  [0, 0, 0],
  [Math.PI / 2, 0, 0],
] as const;

function Thing({ form, ghost }: { readonly form: Form; readonly ghost: boolean }) {
  return (
    <mesh rotation={form.is === 'round' ? [...ALONG[form.axis]] : [0, 0, 0]}>
      {form.is === 'round' ? (
        <cylinderGeometry args={[form.radius, form.radius, 2 * form.half, 40]} />
      ) : (
        <boxGeometry args={[2 * form.half[0], 2 * form.half[1], 2 * form.half[2]]} />
      )}
      <meshStandardMaterial
        color={ghost ? BINDS : FITS}
        roughness={0.8}
        transparent
        opacity={ghost ? 0.3 : 1}
        depthWrite={!ghost}
      />
      <Edges threshold={30} color={ghost ? '#5c1740' : '#2f4a24'} />
    </mesh>
  );
}
