import type { Item } from "../app/api";

/** Items a hand moves, as they were when it took them, and where each is by now: asked only where it is shown. */
export interface Held {
  before: ReadonlyMap<string, Item>;
  to: (from: Item) => Item;
}

export const noneHeld: Held = { before: new Map(), to: (from) => from };
