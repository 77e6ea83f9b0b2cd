import { extent, must, type Plan, pieceIndex } from '@fennot/core';
import { BufferAttribute, BufferGeometry } from 'three';
import { clothOf } from '../drawing/Fabric.tsx';
import type { FillStart } from '../workers/fill.worker.ts';

/** The mesh ready for drawing, with the pictures its groups wear and the piece of each triangle. */
export interface Dressed {
  readonly geometry: BufferGeometry;
  readonly pictures: readonly string[];
  /** Piece id by triangle. */
  readonly pieceOf: (triangle: number) => string | undefined;
  /** Vertices round each piece, by its id. */
  readonly borders: ReadonlyMap<string, readonly number[]>;
}

/** Dresses the mesh: every piece wears its own drawing, pieces of one picture are drawn together. */
export function dress(plan: Plan, { count, triangles, grids }: FillStart): Dressed {
  const cloth = clothOf(plan);
  const pieceOf = pieceIndex(plan.graph);
  const uv = new Float32Array(2 * count);
  const owner = new Map<number, string>();
  const pictureOf = new Map<string, string>();
  const borders = new Map<string, readonly number[]>();
  for (const { piece: id, at, points, border } of grids) {
    const piece = pieceOf(id);
    const worn = cloth(piece);
    pictureOf.set(id, worn.href);
    const box = extent(piece.outline);
    const size = worn.is === 'picture' ? box : worn;
    const turned = worn.is === 'tile' && worn.turned;
    at.forEach((vertex, k) => {
      owner.set(vertex, id);
      const { x, y } = must(points[k], 'place of the vertex');
      uv[2 * vertex] = (turned ? y : x) / size.width;
      uv[2 * vertex + 1] = (turned ? -x : y) / size.height;
    });
    borders.set(id, border);
  }

  const pictures = [...new Set(pictureOf.values())];
  const groups = pictures.map(() => ({ corners: [] as number[], owners: [] as string[] }));
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = triangles.subarray(t, t + 3);
    const id = must(owner.get(must(corners[0], 'corner')), 'piece of the triangle');
    const group = must(groups[pictures.indexOf(must(pictureOf.get(id), 'picture'))], 'group');
    group.corners.push(...corners);
    group.owners.push(id);
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(3 * count), 3));
  geometry.setAttribute('uv', new BufferAttribute(uv, 2));
  geometry.setIndex(groups.flatMap(({ corners }) => corners));
  let start = 0;
  groups.forEach(({ corners }, group) => {
    geometry.addGroup(start, corners.length, group);
    start += corners.length;
  });
  const pieces = groups.flatMap(({ owners }) => owners);
  return { geometry, pictures, pieceOf: (triangle) => pieces[triangle], borders };
}

/** Puts a frame's positions on. */
export function putFrame(geometry: BufferGeometry, positions: Float32Array): void {
  const attribute = geometry.getAttribute('position');
  attribute.array.set(positions);
  attribute.needsUpdate = true;
  geometry.computeVertexNormals();
  geometry.computeBoundingSphere();
}
