import type { OwnMesh } from "../../app/api";

/** Makes triangles fewer, as the library does; apart, so that what is around it can be tested without. */
export interface Simplifier {
  simplify(
    indices: Uint32Array,
    positions: Float32Array,
    stride: number,
    target: number,
    error: number,
  ): [Uint32Array, number];
  simplifySloppy(
    indices: Uint32Array,
    positions: Float32Array,
    stride: number,
    lock: Uint8Array | null,
    target: number,
    error: number,
  ): [Uint32Array, number];
}

/** A mesh of no more triangles than a budget: each tone keeps its share, and at least a few; corners that nothing uses are left out. */
export function fewer(mesh: OwnMesh, most: number, library: Simplifier): OwnMesh {
  const all = mesh.triangles.length / 3;
  if (all <= most) return compact(mesh);
  const positions = Float32Array.from(mesh.corners);
  const triangles: number[] = [];
  const tones: OwnMesh["tones"] = [];
  // So many tones that each could keep but one: the smallest go.
  const kept = [...mesh.tones.keys()]
    .sort((a, b) => mesh.tones[b]!.triangles - mesh.tones[a]!.triangles)
    .slice(0, Math.floor(most / 4));
  let from = 0;
  mesh.tones.forEach((tone, i) => {
    const own = Uint32Array.from(mesh.triangles.slice(3 * from, 3 * (from + tone.triangles)));
    from += tone.triangles;
    if (!kept.includes(i)) return;
    const share = Math.max(2, Math.floor((most * tone.triangles) / all));
    let indices: Uint32Array = own;
    if (tone.triangles > share) {
      [indices] = library.simplify(own, positions, 3, 3 * share, 1);
      // What hangs together badly is not made few enough by its edges: then by its places alone.
      if (indices.length > 3 * share)
        [indices] = library.simplifySloppy(own, positions, 3, null, 3 * share, 1);
    }
    // Never more than its share, come what may.
    const taken = indices.subarray(0, 3 * share);
    if (!taken.length) return;
    for (const corner of taken) triangles.push(corner);
    tones.push({ tone: tone.tone, triangles: taken.length / 3 });
  });
  const cut = triangles.slice(0, 3 * most);
  return compact({ corners: mesh.corners, triangles: cut, tones: within(tones, cut.length / 3) });
}

/** Tones for no more than so many triangles. */
function within(tones: OwnMesh["tones"], most: number): OwnMesh["tones"] {
  const out: OwnMesh["tones"] = [];
  let left = most;
  for (const { tone, triangles } of tones) {
    const own = Math.min(left, triangles);
    if (own > 0) out.push({ tone, triangles: own });
    left -= own;
  }
  return out;
}

function compact(mesh: OwnMesh): OwnMesh {
  const numbers = new Map<number, number>();
  const corners: number[] = [];
  const triangles = mesh.triangles.map((corner) => {
    let at = numbers.get(corner);
    if (at === undefined) {
      numbers.set(corner, (at = numbers.size));
      corners.push(mesh.corners[3 * corner]!, mesh.corners[3 * corner + 1]!, mesh.corners[3 * corner + 2]!);
    }
    return at;
  });
  return { corners, triangles, tones: mesh.tones };
}
