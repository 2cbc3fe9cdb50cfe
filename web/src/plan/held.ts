import type { Item } from "../app/api";

/** Items a hand moves: as they were, and as they are by now. */
export type Held = ReadonlyMap<string, { from: Item; to: Item }>;

export const noneHeld: Held = new Map();
