import { extent, must, type Plan, pieceIndex, swatchOf, yarnOfTrim } from '@fennot/core';
import { BufferAttribute, BufferGeometry } from 'three';
import { plainTile, swatchTile } from '../drawing/cloth-tile.ts';
import { clothOf } from '../drawing/Fabric.tsx';
import { placeInRows } from '../drawing/rows-place.ts';
import type { FillStart } from '../workers/fill.worker.ts';

/** The bag ready for drawing, with the pictures its groups wear and the piece of each triangle. */
export interface Dressed {
  readonly geometry: BufferGeometry;
  readonly pictures: readonly string[];
  /** Piece id by triangle; nothing for a strap. */
  readonly pieceOf: (triangle: number) => string | undefined;
  /** Places round each piece, by its id. */
  readonly borders: ReadonlyMap<string, readonly number[]>;
}

/** Two stitches by two rows of a strap, mm, where its own gauge is not told. */
const STRAP_TILE = 12;

/** Dresses the bag: every piece wears its own drawing, pieces of one picture are drawn together. */
export function dress(plan: Plan, { count, triangles, pieces, straps }: FillStart): Dressed {
  const cloth = clothOf(plan);
  const pieceOf = pieceIndex(plan.graph);
  const uv = new Float32Array(2 * count);
  const owner: string[] = [];
  const pictureOf = new Map<string, string>();
  for (const { id, first, many, on } of pieces) {
    const piece = pieceOf(id);
    const worn = cloth(piece);
    pictureOf.set(id, worn.href);
    const box = extent(piece.outline);
    const size = worn.is === 'picture' ? box : worn;
    for (let k = 0; k < many; k++) {
      const [x, y] = [on[2 * k] ?? 0, on[2 * k + 1] ?? 0];
      owner[first + k] = id;
      const { u, v } = worn.is === 'tile' ? placeInRows(worn.place, x, y) : unturned(x, y, box, worn.turn);
      uv[2 * (first + k)] = u / size.width;
      uv[2 * (first + k) + 1] = v / size.height;
    }
  }
  const hung = plan.graph.trim?.straps ?? [];
  for (const { id, first, many, on } of straps) {
    const key = `strap/${id}`;
    const swatch = hung.find(({ name }) => name === id)?.swatch;
    const tile =
      swatch === undefined
        ? plainTile('low', yarnOfTrim(plan.document, swatch).colour)
        : swatchTile(plan.document, swatchOf(plan.document, swatch));
    pictureOf.set(key, tile.href);
    for (let k = 0; k < many; k++) {
      owner[first + k] = key;
      uv[2 * (first + k)] = (2 * (on[2 * k + 1] ?? 0)) / (STRAP_TILE * tile.columns);
      uv[2 * (first + k) + 1] = (2 * (on[2 * k] ?? 0)) / (STRAP_TILE * tile.rows);
    }
  }

  const pictures = [...new Set(pictureOf.values())];
  const groups = pictures.map(() => ({ corners: [] as number[], owners: [] as string[] }));
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = triangles.subarray(t, t + 3);
    const id = must(owner[must(corners[0], 'corner')], 'owner of the triangle');
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
  const owners = groups.flatMap((group) => group.owners);
  const borders = new Map(pieces.map(({ id, border }) => [id, border]));
  return {
    geometry,
    pictures,
    borders,
    pieceOf: (triangle) => {
      const id = owners[triangle];
      return id !== undefined && borders.has(id) ? id : undefined;
    },
  };
}

/** Where on its picture a place of a piece lies, mm: a picture that lies turned is turned back about its middle. */
export function unturned(
  x: number,
  y: number,
  { width, height }: { width: number; height: number },
  turn: number,
) {
  const [cos, sin] = [Math.cos(2 * Math.PI * turn), Math.sin(2 * Math.PI * turn)];
  const [dx, dy] = [x - width / 2, y - height / 2];
  return { u: width / 2 + dx * cos + dy * sin, v: height / 2 - dx * sin + dy * cos };
}

/** Puts a frame's places on. */
export function putFrame(geometry: BufferGeometry, places: Float32Array): void {
  const attribute = geometry.getAttribute('position');
  attribute.array.set(places);
  attribute.needsUpdate = true;
  geometry.computeVertexNormals();
  geometry.computeBoundingSphere();
}
