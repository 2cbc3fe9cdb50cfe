import type { FacesView } from "../app/api";

/** Corners of triangles, three numbers each, in metres with z up; their tones, red, green and blue from 0 to 1. */
export interface Triangles {
  places: Float32Array;
  tones: Float32Array;
  glass: boolean;
}

type Vector = readonly [number, number, number];

/** Where the light comes from: over the left shoulder of who looks north. */
const light: Vector = [-0.48, -0.6, 0.64];

/** How light a face is that looks a way: lighter towards the light, and above; a little warm. */
export function shade(normal: Vector): Vector {
  const [x, y, z] = normal;
  const towards = x * light[0] + y * light[1] + z * light[2];
  const tone = 0.875 + 0.125 * Math.max(0, z) + 0.085 * towards - (z < -0.5 ? 0.2 : 0);
  return [tone * 1.006, tone, tone * 0.99];
}

/** "#RRGGBB" as numbers from 0 to 1. */
export const parts = (hex: string): Vector => [
  parseInt(hex.slice(1, 3), 16) / 255,
  parseInt(hex.slice(3, 5), 16) / 255,
  parseInt(hex.slice(5, 7), 16) / 255,
];

/** A ceiling is lit from the whole room below it. */
const evenly: Vector = [0.97, 0.965, 0.95];

/** Faces as triangles from their first corner, each in the tone of the way it looks; all alike when flat. */
export function trianglesOf(faces: FacesView, tint?: string | null, flat = false): Triangles {
  const count = faces.corners.reduce((sum, n) => sum + n - 2, 0);
  const [places, tones] = [new Float32Array(count * 9), new Float32Array(count * 9)];
  const colour = parts(tint && faces.tinted ? tint : faces.tone);
  let [at, from] = [0, 0];
  for (const n of faces.corners) {
    const corner = (i: number): Vector => {
      const k = (from + i) * 3;
      return [faces.places[k]! / 1000, faces.places[k + 1]! / 1000, faces.places[k + 2]! / 1000];
    };
    const [r, g, b] = flat ? evenly : shade(normalOf(Array.from({ length: n }, (_, i) => corner(i))));
    for (let i = 1; i + 1 < n; i++)
      for (const p of [corner(0), corner(i), corner(i + 1)]) {
        places.set(p, at);
        tones.set([colour[0] * r, colour[1] * g, colour[2] * b], at);
        at += 3;
      }
    from += n;
  }
  return { places, tones, glass: faces.glass };
}

/** Newell's sum: a corner on a straight side does not mislead it. */
export function normalOf(ring: readonly Vector[]): Vector {
  let [x, y, z] = [0, 0, 0];
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    x += (a[1] - b[1]) * (a[2] + b[2]);
    y += (a[2] - b[2]) * (a[0] + b[0]);
    z += (a[0] - b[0]) * (a[1] + b[1]);
  });
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
}
