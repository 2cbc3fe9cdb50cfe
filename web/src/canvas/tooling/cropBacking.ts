import { CropBacking } from "../gestures/cropBacking";
import type { Tooling, ToolOf } from "./tooling";

/** Crops a backing by dragging a box over it. */
export const cropBacking: Tooling<ToolOf<"crop">> = {
  follow() {},
  press: (table, { backingId }, { at }) => new CropBacking(table, backingId, at),
};
