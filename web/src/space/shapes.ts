import { BufferAttribute, BufferGeometry, EdgesGeometry } from "three";
import { mergeGeometries } from "three/addons/utils/BufferGeometryUtils.js";
import type { FacesView } from "../app/api";
import { trianglesOf } from "./faces";

/** Edges where two faces meet at more than so many degrees are drawn: round sides have none. */
const crease = 35;

export interface Shape {
  geometry: BufferGeometry;
  edges: BufferGeometry;
}

/** What faces look like as the renderer takes them: what looks as it did before a change is not made anew. */
export class Shapes {
  private known = new Map<string, Shape>();
  private used = new Map<string, Shape>();

  of(faces: readonly FacesView[], tint: string | null, flat = false): Shape {
    const key = keyOf(faces, tint, flat);
    let shape = this.used.get(key) ?? this.known.get(key);
    if (!shape) {
      const all = faces.map((one) => geometryOf(one, tint, flat));
      const geometry = all.length === 1 ? all[0]! : mergeGeometries(all);
      shape = { geometry, edges: new EdgesGeometry(geometry, crease) };
    }
    this.used.set(key, shape);
    return shape;
  }

  /** Lets go of what nothing has asked for since the last time. */
  sweep() {
    for (const [key, shape] of this.known)
      if (!this.used.has(key)) {
        shape.geometry.dispose();
        shape.edges.dispose();
      }
    this.known = this.used;
    this.used = new Map();
  }

  dispose() {
    this.sweep();
    this.sweep();
  }
}

/** The same for what looks the same: of all places a sum that every one of them changes. */
export function keyOf(faces: readonly FacesView[], tint: string | null, flat = false) {
  let [sum, at] = [0, 0];
  for (const one of faces) {
    for (const n of one.corners) sum = (sum * 31 + n) | 0;
    for (const n of one.places) sum = (Math.imul(sum, 31) + Math.round(n * 10) + ++at) | 0;
  }
  return `${tint ?? ""} ${flat} ${at} ${sum} ${faces.map((one) => `${one.tone}${one.glass}`).join()}`;
}

export function geometryOf(faces: FacesView, tint?: string | null, flat = false): BufferGeometry {
  const { places, tones } = trianglesOf(faces, tint, flat);
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(places, 3));
  geometry.setAttribute("color", new BufferAttribute(tones, 3));
  return geometry;
}
