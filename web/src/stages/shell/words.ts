import type { Certainty } from "../../app/api";
import { tools } from "../../canvas/tools.svelte";
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

const usualWallTypes = (plan: OpenPlan) =>
  (plan.units === "Metric" ? plan.catalogue?.wallTypes : plan.catalogue?.wallTypesInFeet) ?? [];

/** What a room and a storey measure until somebody says otherwise, in the plan's units. */
export const usualSizes = (plan: OpenPlan) =>
  plan.catalogue!.usualSizes.find((sizes) => sizes.units === plan.units)!;

/** Widths of an opening that are usual in the plan's units, in mm. */
export const widthsOf = (plan: OpenPlan, size: { offered: number[]; offeredInFeet: number[] }) =>
  plan.units === "Metric" ? size.offered : size.offeredInFeet;

/** The wall types a wall can have: the plan's own, then those every plan offers. */
export function wallTypesOf(plan: OpenPlan): [string, string][] {
  const own = plan.all("wall-type") as { name: string }[];
  const usual = usualWallTypes(plan);
  return [...own, ...usual].map((m) => [m.name, m.name]);
}

/** How thick the walls are that are being drawn, in mm; 0 when none are. */
export function drawnThickness(plan: OpenPlan): number {
  if (tools.tool.kind !== "chain") return 0;
  const name = tools.tool.chain.wallType;
  const own = plan.all("wall-type") as { name: string; thickness: number }[];
  return [...own, ...usualWallTypes(plan)].find((type) => type.name === name)?.thickness ?? 0;
}

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
