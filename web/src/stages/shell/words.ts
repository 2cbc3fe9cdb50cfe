import type { Certainty } from "../../app/api";
import type { OpenPlan } from "../../plan/openPlan.svelte";
import { writeLength } from "../../plan/figures";

export const certainties: [Certainty, string][] = [
  ["Surveyed", "surveyed"],
  ["Assumed", "assumed"],
  ["Unknown", "not known"],
];

export const openingNames = {
  SingleDoor: "Door",
  DoubleDoor: "Double door",
  SlidingDoor: "Sliding door",
  FoldingDoor: "Folding door",
  PocketDoor: "Pocket door",
  Window: "Window",
  Gap: "Opening",
} as const;

export const marks: [string, string][] = [
  ["None", "No mark"],
  ["EntranceAndExit", "Entrance and exit"],
  ["Entrance", "Entrance"],
  ["Exit", "Exit"],
  ["Service", "Service"],
];

/** What a thing of the shell is called in lists. */
export function nameOf(plan: OpenPlan, id: string): string {
  const e = plan.entities.get(id);
  if (!e) return "";
  switch (e.type) {
    case "wall": {
      const view = plan.shell?.wallViews.find((w) => w.id === id);
      const inside = view ? (view.roomOnLeft || !view.roomOnRight ? view.left : view.right) : 0;
      return `Wall ${writeLength(Math.round(inside), plan.units)}`;
    }
    case "opening":
      return e.name || openingNames[e.kind as keyof typeof openingNames];
    case "boundary":
      return "Boundary";
    case "setting-out-line":
      return "Setting-out line";
    case "backing":
      return e.name;
    default:
      return plan.thingName(id);
  }
}
