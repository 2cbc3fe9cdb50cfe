import type { Boundary, Certainty, Wall } from "../../app/api";
import type { OpenPlan } from "../../plan/openPlan.svelte";
import { writeRound } from "../../plan/figures";

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
      return `${view?.inList ?? "Wall"}, ${writeRound(inside, plan.units)}`;
    }
    case "opening": {
      const view = plan.shell?.openings.find((o) => o.id === id);
      return `${view?.inList ?? openingNames[e.kind as keyof typeof openingNames]}, ${writeRound(e.width, plan.units)}`;
    }
    case "boundary": {
      const view = plan.shell?.boundaryViews.find((b) => b.id === id);
      return `Boundary, ${writeRound(view?.length ?? 0, plan.units)}`;
    }
    case "setting-out-line": {
      const at = (mm: number) => writeRound(mm, plan.units);
      const turn = e.angle % 180;
      return `Setting-out line, ${turn === 0 ? `y ${at(e.y)}` : turn === 90 ? `x ${at(e.x)}` : `${Math.round(turn * 100) / 100}°`}`;
    }
    case "backing":
      return e.name;
    default:
      return plan.thingName(id);
  }
}

/** Which way an end of a wall or a boundary lies, so that a person knows which is which. */
export function endLies({ start, end }: Wall | Boundary, atStart: boolean) {
  const [a, b] = atStart ? [start, end] : [end, start];
  const [dx, dy] = [a.x! - b.x!, a.y! - b.y!];
  return Math.abs(dx) > Math.abs(dy) ? (dx > 0 ? "east" : "west") : dy > 0 ? "north" : "south";
}
