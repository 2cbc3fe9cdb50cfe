import type { Item } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";

/** Whether a style of seating is made of chairs by themselves: it is counted in seats, not in tables. */
export const isOfChairs = (style: unknown) =>
  ["Rows", "CurvedRows", "Herringbone", "Circle"].includes(String(style));

/** How many sit at or on some items. */
export const seatsOf = (plan: OpenPlan, items: readonly Item[]) =>
  items.reduce((sum, item) => sum + (plan.formOf(item.id)?.seats ?? 0), 0);

/** The four directions in which people look straight up, down or across the plan, in degrees. */
export const directions = [
  ["90", "the north (up)"],
  ["0", "the east (right)"],
  ["270", "the south (down)"],
  ["180", "the west (left)"],
] as const;
