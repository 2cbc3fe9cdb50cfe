import { FreeSpace } from "../gestures/freeSpace";
import type { Tooling, ToolOf } from "./tooling";

/** Picks a free rectangle by dragging a box over it. */
export const freeSpace: Tooling<ToolOf<"space">> = {
  follow() {},
  press: (table, { done }, { at }) => new FreeSpace(table, done, at),
};
