import type { Backing, Boundary, Opening, SettingOutLine } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";
import type { Point } from "./viewport";

/** The shell's things as they are now, or as they would be while a hand moves them. */
export function shellThings(plan: OpenPlan) {
  const live = <T extends { id: string }>(all: T[]) =>
    plan.probe?.moved.length ? all.map((e) => (plan.asMoved(e.id) as unknown as T) ?? e) : all;
  return {
    standing: live(plan.things),
    openings: live(plan.openings as Opening[]),
    boundaries: live(plan.here("boundary") as (Boundary & { start: Point; end: Point })[]),
    lines: live(plan.here("setting-out-line") as SettingOutLine[]),
    backings: live(plan.here("backing") as Backing[]),
  };
}
