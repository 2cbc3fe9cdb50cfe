import { BufferAttribute, BufferGeometry, MeshBasicMaterial, RepeatWrapping, Texture } from "three";
import type { FacesView } from "../app/api";
import { bitmapOf } from "../canvas/ownPictures";
import { normalOf, shade } from "./faces";

/** Where a picture lies first, in mm: x and y of its top left corner, along its top edge, along its left edge; and its opacity. */
export type Laid = readonly number[];

/** The data of the pictures that lie on floors and things; undefined where there is none. */
export interface PictureSource {
  ofFinish: (id: string) => string | undefined;
  ofKind: (key: string) => string | undefined;
}

/** Where on a picture a place lies: along its top edge, and down along its left one. */
export function onPicture(laid: Laid, x: number, y: number): [number, number] {
  const [cx, cy, ax, ay, dx, dy] = laid as [number, number, number, number, number, number];
  const area = ax * dy - ay * dx;
  return [((x - cx) * dy - (y - cy) * dx) / area, (ax * (y - cy) - ay * (x - cx)) / area];
}

/** Those faces that look up, as triangles in metres, with where on the picture each corner lies; null where none does. */
export function upward(
  faces: readonly FacesView[],
  laid: Laid,
): { places: Float32Array; spots: Float32Array } | null {
  const [places, spots]: [number[], number[]] = [[], []];
  for (const one of faces) {
    let from = 0;
    for (const n of one.corners) {
      const ring = Array.from({ length: n }, (_, i): [number, number, number] => {
        const k = (from + i) * 3;
        return [one.places[k]!, one.places[k + 1]!, one.places[k + 2]!];
      });
      from += n;
      if (normalOf(ring)[2] <= 0.99) continue;
      for (let i = 1; i + 1 < n; i++)
        for (const [x, y, z] of [ring[0]!, ring[i]!, ring[i + 1]!]) {
          places.push(x / 1000, y / 1000, z / 1000);
          spots.push(...onPicture(laid, x, y));
        }
    }
  }
  return places.length ? { places: new Float32Array(places), spots: new Float32Array(spots) } : null;
}

export function geometryUpward(faces: readonly FacesView[], laid: Laid): BufferGeometry | null {
  const up = upward(faces, laid);
  if (!up) return null;
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(up.places, 3));
  geometry.setAttribute("uv", new BufferAttribute(up.spots, 2));
  return geometry;
}

/** Pictures as the renderer takes them, each decoded once; told when another one can be shown. */
export class LaidPictures {
  private readonly known = new Map<string, MeshBasicMaterial>();
  constructor(private readonly loaded: () => void) {}

  /** What a picture is shown by: seen through until it is decoded. */
  of(data: string, opacity: number): MeshBasicMaterial {
    const key = `${opacity} ${data}`;
    const known = this.known.get(key);
    if (known) return known;
    const material = new MeshBasicMaterial({
      transparent: true,
      opacity: 0,
    });
    const [r, g, b] = shade([0, 0, 1]);
    material.color.setRGB(r, g, b);
    this.known.set(key, material);
    void bitmapOf(data, "image/webp").then(
      (bitmap) => {
        // Nobody waits for it any more.
        if (this.known.get(key) !== material) return bitmap.close();
        const texture = new Texture(bitmap as unknown as HTMLImageElement);
        [texture.wrapS, texture.wrapT, texture.flipY] = [RepeatWrapping, RepeatWrapping, false];
        texture.needsUpdate = true;
        [material.map, material.opacity, material.needsUpdate] = [texture, opacity, true];
        this.loaded();
      },
      () => undefined,
    );
    return material;
  }

  dispose() {
    for (const material of this.known.values()) {
      material.map?.dispose();
      material.dispose();
    }
    this.known.clear();
  }
}
