import type { Table } from "../canvas/gestures/gesture";
import type { Item } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";
import { Viewport } from "../canvas/viewport";
import type { Shift } from "./spaceScene";

/** How near a thing dragged in space must come to be drawn to a place, in mm: as on a plan at about 1:50. */
const near = 120;

/** What a gesture of the plan works on where the hand is in space: one pixel is one mm, y down as on a screen. */
export function levelTable(plan: OpenPlan): Table {
  const view = new Viewport(1, 0, 0);
  return {
    plan,
    view: () => view,
    picture: () => {
      throw new Error("Nothing is painted on the plan from space.");
    },
    painted: () => undefined,
    look: () => undefined,
    catchDistance: () => near,
    cycle: null,
  };
}

/** Where what a hand moves, here or on the plan, is shown by now: where it is caught, else where the hand has it. */
export function shiftsOf(plan: OpenPlan): ReadonlyMap<string, Shift> {
  const moves = new Map<string, Shift>();
  const { before, to } = plan.heldAway;
  for (const [id, from] of before) {
    const caught = plan.probe?.caught ? plan.asMoved(id) : undefined;
    moves.set(id, { from, to: caught?.type === "item" ? (caught as Item) : to(from) });
  }
  return moves;
}

/** One item straight up or down by so much, in mm. */
export const liftOf = (item: Item, up: number): ReadonlyMap<string, Shift> =>
  new Map([[item.id, { from: item, to: item, up }]]);

export const noShifts: ReadonlyMap<string, Shift> = new Map();
