import type { Pose } from '@fennot/core';
import { OrbitControls } from '@react-three/drei/core/OrbitControls';
import { type ThreeEvent, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import { DoubleSide, Plane, RepeatWrapping, SRGBColorSpace, TextureLoader, Vector3 } from 'three';
import { usePointed } from '../drawing/pointed.ts';
import type { Work } from '../madeup/MadeUpThreads.tsx';
import { Binding } from './Binding.tsx';
import { Contents } from './Contents.tsx';
import { bandOn, neighboursOf } from './edge-band.ts';
import { FilledThreads } from './FilledThreads.tsx';
import { fitView, ghostCorners, VIEW } from './fit-view.ts';
import { type Dressed, dress, putFrame } from './geometry.ts';
import { Trim } from './Trim.tsx';
import type { FillState } from './use-filling.ts';

interface FilledSceneProps {
  readonly state: FillState;
  readonly frame: number;
  /** Cut open in front, so that one sees inside. */
  readonly open: boolean;
  /** The joining as far as it is played. */
  readonly work: Work | undefined;
}

const UNCUT: Plane[] = [];

/** What cuts the front half of a bag away: upright it lies before the middle, on its back above it. */
function cutOf(pose: Pose, places: Float32Array): Plane[] {
  const axis = pose === 'lie' ? 1 : 2;
  let [low, high] = [Infinity, -Infinity];
  for (let i = axis; i < places.length; i += 3) {
    low = Math.min(low, places[i] ?? 0);
    high = Math.max(high, places[i] ?? 0);
  }
  const away = new Vector3().setComponent(axis, -1);
  return [new Plane(away, pose === 'lie' ? (low + high) / 2 : 0)];
}

/** The bag with its light, its shadow, what is in it and on it. */
export function FilledScene({ state: { plan, start, frames }, frame, open, work }: FilledSceneProps) {
  const dressed = useMemo(() => dress(plan, start), [plan, start]);
  useEffect(() => () => dressed.geometry.dispose(), [dressed]);
  const { invalidate, camera, size } = useThree();
  const textures = useTextures(dressed.pictures, invalidate);
  const { point } = usePointed.getState();
  const shown = frames[frame];
  const places = shown?.places;
  useEffect(() => {
    if (!places) return;
    putFrame(dressed.geometry, places);
    invalidate();
  }, [dressed, places, invalidate]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: cutting open is another picture
  useEffect(() => invalidate(), [open, invalidate]);
  const [middle, setMiddle] = useState<readonly [number, number, number]>([0, 0, 0]);
  /** Set once the maker has turned or zoomed: from then on the view is theirs. */
  const turned = useRef(false);
  // Another pose is looked at anew: the frame holds it whole.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the pose is what it begins anew for
  useEffect(() => {
    turned.current = false;
  }, [start.pose]);
  const { edging } = plan.graph.trim ?? {};
  const beside = useMemo(() => neighboursOf(start), [start]);
  const band = useMemo(
    () => (edging && places ? bandOn(start.rims, beside, places, edging) : undefined),
    [start, beside, places, edging],
  );
  const aspect = size.width / Math.max(1, size.height);
  useEffect(() => {
    if (!places || turned.current) return;
    const { x, z, wide, deep } = shadowOf(places);
    const shadow = [-0.5, 0.5].flatMap((i) =>
      [-0.5, 0.5].map((k) => new Vector3(x + i * wide, 0, z + k * deep)),
    );
    // The corners of the box round a shadow lie outside it.
    const round = shadow.map((corner) => corner.lerp(new Vector3(x, 0, z), 0.25));
    const edge = Array.from({ length: (band?.points.length ?? 0) / 3 }, (_, k) =>
      new Vector3().fromArray(band?.points ?? [], 3 * k),
    );
    const { centre, far } = fitView(places, aspect, [...ghostCorners(start, places), ...round, ...edge]);
    camera.position.copy(VIEW.clone().multiplyScalar(far).add(centre));
    setMiddle([centre.x, centre.y, centre.z]);
    invalidate();
  }, [places, band, start, aspect, camera, invalidate]);
  const shadow = useMemo(() => (places ? shadowOf(places) : undefined), [places]);
  const cut = useMemo(() => (open && places ? cutOf(start.pose, places) : UNCUT), [open, places, start.pose]);
  const onMove = (event: ThreeEvent<PointerEvent>) => {
    event.stopPropagation();
    const id = typeof event.faceIndex === 'number' ? dressed.pieceOf(event.faceIndex) : undefined;
    if (id !== usePointed.getState().piece) point({ piece: id });
  };
  return (
    <>
      <ambientLight intensity={1.15} />
      <directionalLight position={[-600, 1200, 1400]} intensity={1.9} />
      <directionalLight position={[900, 500, -1200]} intensity={0.7} />
      <OrbitControls
        target={[...middle]}
        enableDamping={false}
        maxDistance={12_000}
        onStart={() => {
          turned.current = true;
        }}
      />
      <mesh geometry={dressed.geometry} onPointerMove={onMove} onPointerOut={() => point({})}>
        {dressed.pictures.map((href, i) => (
          <meshStandardMaterial
            key={href}
            attach={`material-${i}`}
            map={textures[i] ?? null}
            side={DoubleSide}
            roughness={0.95}
            clippingPlanes={cut}
          />
        ))}
      </mesh>
      <Pointed dressed={dressed} positions={places} />
      {shown && <Contents start={start} frame={shown} />}
      {places && work && <FilledThreads plan={plan} start={start} places={places} work={work} />}
      {places && frame >= start.unfolding.length && <Binding plan={plan} start={start} places={places} />}
      {band && !open && <Trim plan={plan} band={band} />}
      {shadow && (
        <mesh
          rotation={[-Math.PI / 2, 0, 0]}
          position={[shadow.x, -2, shadow.z]}
          scale={[shadow.wide, shadow.deep, 1]}
        >
          <circleGeometry args={[0.5, 48]} />
          <meshBasicMaterial color="#0b1512" transparent opacity={0.12} depthWrite={false} />
        </mesh>
      )}
    </>
  );
}

/** The shadow on the table: under all of it, a little wider. */
function shadowOf(places: Float32Array) {
  const [low, high] = [
    [Infinity, Infinity],
    [-Infinity, -Infinity],
  ];
  for (let i = 0; i < places.length; i += 3) {
    [0, 2].forEach((axis, k) => {
      low[k] = Math.min(low[k] ?? 0, places[i + axis] ?? 0);
      high[k] = Math.max(high[k] ?? 0, places[i + axis] ?? 0);
    });
  }
  const [x0 = 0, z0 = 0] = low;
  const [x1 = 0, z1 = 0] = high;
  return { x: (x0 + x1) / 2, z: (z0 + z1) / 2, wide: 1.1 * (x1 - x0), deep: 1.1 * (z1 - z0) };
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
  const textures = useMemo(() => {
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
  useEffect(
    () => () => {
      for (const texture of textures) texture.dispose();
    },
    [textures],
  );
  return textures;
}
