import type { OpenPlan } from "./openPlan.svelte";

/** The plan's own wall types, then those every plan in its units offers. */
const wallTypes = (plan: OpenPlan) => [
  ...(plan.all("wall-type") as { name: string; thickness: number }[]),
  ...((plan.units === "Metric" ? plan.catalogue?.wallTypes : plan.catalogue?.wallTypesInFeet) ?? []),
];

/** The wall types a wall can have, as a list to choose from. */
export const wallTypesOf = (plan: OpenPlan): [string, string][] =>
  wallTypes(plan).map((type) => [type.name, type.name]);

/** How thick walls of a type are, in mm; 0 for one nobody knows. */
export const thicknessOf = (plan: OpenPlan, wallType: string) =>
  wallTypes(plan).find((type) => type.name === wallType)?.thickness ?? 0;

/** What a room and a storey measure until somebody says otherwise, in the plan's units. */
export const usualSizes = (plan: OpenPlan) =>
  plan.catalogue!.usualSizes.find((sizes) => sizes.units === plan.units)!;

/** Widths of an opening that are usual in the plan's units, in mm. */
export const widthsOf = (plan: OpenPlan, size: { offered: number[]; offeredInFeet: number[] }) =>
  plan.units === "Metric" ? size.offered : size.offeredInFeet;
