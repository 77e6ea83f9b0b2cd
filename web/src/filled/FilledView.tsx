import { formatLength, formatVolume, type LengthSystem, type Plan, piecesText } from '@fennot/core';
import { OrbitControls } from '@react-three/drei/core/OrbitControls';
import { Canvas, type ThreeEvent, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useState } from 'react';
import { DoubleSide, RepeatWrapping, SRGBColorSpace, TextureLoader, Vector3 } from 'three';
import { useSettings } from '../api/queries.ts';
import { usePointed } from '../drawing/pointed.ts';
import { type Dressed, dress, putFrame } from './geometry.ts';
import { type FillState, useFilling } from './use-filling.ts';

/** The bag filled: comes together from the net, then turns, zooms, and scrubs back to flat. */
export default function FilledView({ plan }: { readonly plan: Plan }) {
  const { system } = useSettings();
  const state = useFilling(plan.document);
  const [scrub, setScrub] = useState<number | undefined>(undefined);
  const still = useMemo(() => window.matchMedia('(prefers-reduced-motion: reduce)').matches, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new plan is shown from its start
  useEffect(() => setScrub(undefined), [plan.document]);
  if (!state) return <p className="p-4 text-sm text-soft">Laying the net out ...</p>;
  if ('failed' in state)
    return (
      <p role="alert" className="p-4 text-sm text-loosestrife">
        This bag could not be filled: {state.failed} The pressed views still show it.
      </p>
    );
  const { frames, shape } = state;
  const last = frames.length - 1;
  // Who wants no motion sees the end only.
  const shown = scrub ?? (still && !shape ? 0 : last);
  return (
    <div className="flex size-full min-h-0 flex-col">
      <div className="min-h-0 grow">
        <Canvas
          dpr={[1, 2]}
          frameloop="demand"
          camera={{ fov: 32, position: [0, 200, 1200], near: 10, far: 20000 }}
          aria-label={describe(plan, state, system)}
          role="img"
        >
          <ambientLight intensity={1.15} />
          <directionalLight position={[-600, 1200, 1400]} intensity={1.9} />
          <directionalLight position={[900, 500, -1200]} intensity={0.7} />
          <Bag plan={plan} state={state} frame={Math.min(shown, last)} />
        </Canvas>
      </div>
      <label className="flex items-center gap-3 px-3 text-xs text-soft">
        flat
        <input
          type="range"
          min={0}
          max={Math.max(1, last)}
          value={shown}
          aria-label="From flat to made up"
          onChange={(event) => setScrub(Number(event.target.value))}
          className="min-w-0 grow accent-kingfisher"
        />
        filled
      </label>
      <p className="px-3 pt-1 text-xs text-soft" data-testid="filled">
        {shape
          ? `Holds about ${formatVolume(shape.volume, system)} up to the rim; opening ${formatLength(shape.opening, system)} round. A picture of a filled bag: sizes are on the tapes.`
          : 'The seams draw together ...'}
      </p>
    </div>
  );
}

function describe(plan: Plan, { shape }: FillState, system: LengthSystem): string {
  return `${plan.familyName} bag of ${piecesText(plan.tally)}, filled${
    shape ? `: about ${formatVolume(shape.volume, system)}` : ', still coming together'
  }. The pressed views name its faces.`;
}

interface BagProps {
  readonly plan: Plan;
  readonly state: FillState;
  readonly frame: number;
}

function Bag({ plan, state: { start, frames, shape }, frame }: BagProps) {
  const tall = (name: string) => plan.tapes.find(({ measure }) => measure === name)?.finished.value ?? 300;
  const height = tall('height');
  const dressed = useMemo(() => dress(plan, start), [plan, start]);
  const { invalidate, camera } = useThree();
  const textures = useTextures(dressed.pictures, invalidate);
  const { point } = usePointed.getState();
  const positions = frames[frame];
  useEffect(() => {
    if (!positions) return;
    putFrame(dressed.geometry, positions);
    invalidate();
  }, [dressed, positions, invalidate]);
  const done = shape !== undefined;
  const [middle, setMiddle] = useState(height / 2);
  // Looks at the bag as it will stand, and once more when it does: handles reach higher than the body.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new mesh and the end move the camera
  useEffect(() => {
    const last = done ? frames.at(-1) : undefined;
    const highest = last?.reduce((most, value, i) => (i % 3 === 1 ? Math.max(most, value) : most), 0);
    const tallest = highest ?? height;
    const far = 2 * Math.max(1.1 * tall('width'), tallest, tall('depth')) + 120;
    camera.position.copy(new Vector3(0.5, 0.34, 0.82).multiplyScalar(far));
    camera.position.y += tallest / 2;
    setMiddle(tallest / 2);
    invalidate();
  }, [start, camera, done]);
  // The shadow under the bag.
  const reach = (tall('width') + tall('depth')) * 0.42;
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    const id = typeof event.faceIndex === 'number' ? dressed.pieceOf(event.faceIndex) : undefined;
    if (id !== usePointed.getState().piece) point({ piece: id });
  };
  return (
    <>
      <OrbitControls target={[0, middle, 0]} enableDamping={false} maxDistance={12_000} />
      <mesh geometry={dressed.geometry} onPointerMove={onMove} onPointerOut={() => point({})}>
        {dressed.pictures.map((href, i) => (
          <meshStandardMaterial
            key={href}
            attach={`material-${i}`}
            map={textures[i] ?? null}
            side={DoubleSide}
            roughness={0.95}
          />
        ))}
      </mesh>
      <Pointed dressed={dressed} positions={positions} />
      <mesh rotation={[-Math.PI / 2, 0, 0]} position={[0, -6, 0]}>
        <circleGeometry args={[reach * 0.9, 48]} />
        <meshBasicMaterial color="#0b1512" transparent opacity={0.1} depthWrite={false} />
      </mesh>
    </>
  );
}

/** The outline of the piece that is pointed at in either drawing. */
function Pointed({
  dressed,
  positions,
}: {
  readonly dressed: Dressed;
  readonly positions: Float32Array | undefined;
}) {
  const { piece } = usePointed();
  const invalidate = useThree((three) => three.invalidate);
  const border = piece === undefined ? undefined : dressed.borders.get(piece);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another piece is another picture
  useEffect(() => invalidate(), [piece, invalidate]);
  const points = useMemo(() => {
    if (!border || !positions) return undefined;
    return Float32Array.from(
      [...border, border[0] ?? 0].flatMap((v) =>
        [0, 1, 2].map((axis) => (positions[3 * v + axis] ?? 0) * 1.004),
      ),
    );
  }, [border, positions]);
  if (!points) return null;
  return (
    <lineLoop key={piece ?? ''}>
      <bufferGeometry>
        <bufferAttribute attach="attributes-position" args={[points, 3]} />
      </bufferGeometry>
      <lineBasicMaterial color="#0f8aa3" linewidth={3} depthTest={false} />
    </lineLoop>
  );
}

/** Pictures as textures; tiles repeat. */
function useTextures(pictures: readonly string[], onReady: () => void) {
  const key = pictures.join('\n');
  // biome-ignore lint/correctness/useExhaustiveDependencies: the addresses stand for the pictures
  return useMemo(() => {
    const loader = new TextureLoader();
    return pictures.map((href) => {
      const texture = loader.load(href, () => onReady());
      texture.colorSpace = SRGBColorSpace;
      texture.wrapS = RepeatWrapping;
      texture.wrapT = RepeatWrapping;
      texture.anisotropy = 4;
      return texture;
    });
  }, [key]);
}
