import { MeshoptSimplifier } from "meshoptimizer/simplifier";
import type { OwnMesh } from "../../app/api";
import { fewer } from "./fewer";

/** Beside the page, so that it goes on while triangles are made fewer. */
self.onmessage = async (e: MessageEvent<{ mesh: OwnMesh; most: number }>) => {
  try {
    await MeshoptSimplifier.ready;
    self.postMessage({ mesh: fewer(e.data.mesh, e.data.most, MeshoptSimplifier as never) });
  } catch {
    self.postMessage({ mesh: null });
  }
};
