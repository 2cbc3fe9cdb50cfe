import type { ExitLoad, Opening } from "../app/api";
import type { OpenPlan } from "./openPlan.svelte";

/** Each way out once, with what the books say of it, in the order they are first met. */
export function byWay(loads: ExitLoad[]): ExitLoad[][] {
  const by = new Map<string, ExitLoad[]>();
  for (const load of loads) {
    const some = by.get(load.subjectId);
    if (some) some.push(load);
    else by.set(load.subjectId, [load]);
  }
  return [...by.values()];
}

/** What the book says that leaves the least to spare. */
export const tightest = (loads: ExitLoad[]): ExitLoad =>
  loads.reduce((least, load) => ((load.spare ?? Infinity) < (least.spare ?? Infinity) ? load : least));

export const isShort = (loads: ExitLoad[]) => loads.some((load) => load.spare != null && load.spare < 0);

/** Shuts a way out, or opens it again, as it is when the edit is sent. */
export function toggleWay(plan: OpenPlan, id: string) {
  const { shut } = plan.entities.get(id) as unknown as Opening;
  void plan.do(() => {
    const now = plan.entities.get(id) as unknown as Opening;
    return { do: "put-opening", opening: { ...now, shut: !shut }, sure: true };
  });
}
