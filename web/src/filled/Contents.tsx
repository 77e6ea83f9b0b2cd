import type { Plan } from '@fennot/core';
import { Edges } from '@react-three/drei/core/Edges';
import { standingIn } from './fit-view.ts';

const FITS = '#7fae6a';
const BINDS = '#c4508f';

/** What the bag must hold, to scale, standing in it: green what fits, a loosestrife ghost what does not. */
export function Contents({ plan }: { readonly plan: Plan }) {
  const fits = new Map(plan.contents.map((fit) => [fit.content.id, fit.fits]));
  return (
    <>
      {standingIn(plan).map(({ content, at, size }) => {
        const good = fits.get(content.id) === true;
        return (
          <mesh key={content.id} position={[at.x, at.y, at.z]}>
            {content.shape === 'cylinder' ? (
              <cylinderGeometry args={[size.x / 2, size.x / 2, size.y, 40]} />
            ) : (
              <boxGeometry args={[size.x, size.y, size.z]} />
            )}
            <meshStandardMaterial
              color={good ? FITS : BINDS}
              roughness={0.8}
              transparent
              // What does not go in stands through the bag: a ghost, so that the bag is still seen.
              opacity={good ? 0.92 : 0.16}
              depthWrite={good}
            />
            <Edges threshold={30} color={good ? '#2f4a24' : '#5c1740'} />
          </mesh>
        );
      })}
    </>
  );
}
