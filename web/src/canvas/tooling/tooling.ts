import type { Gesture, Hand, Table } from "../gestures/gesture";
import { tools, type Tool } from "../tools.svelte";
import { askPoints } from "./askPoints";
import { cropBacking } from "./cropBacking";
import { drawChain } from "./drawChain";
import { freeSpace } from "./freeSpace";
import { measure } from "./measure";
import { placeItem } from "./placeItem";
import { putThing } from "./putThing";
import { seatOpening } from "./seatOpening";

/** What a kind of tool does with the hand: follows it, and takes a press. */
export interface Tooling<T extends Tool> {
  follow(table: Table, tool: T, hand: Hand): void;
  /** A tool that is dragged begins a gesture. */
  press(table: Table, tool: T, hand: Hand): Gesture | void;
  /** In the middle of the view, for the keyboard. */
  inMiddle?(table: Table, tool: T, hand: Hand): Gesture | void;
}

export type ToolOf<K extends Tool["kind"]> = Extract<Tool, { kind: K }>;

const all: { [K in Exclude<Tool["kind"], "select">]: Tooling<ToolOf<K>> } = {
  place: placeItem,
  measure,
  opening: seatOpening,
  chain: drawChain,
  points: askPoints,
  thing: putThing,
  crop: cropBacking,
  space: freeSpace,
};

/** The tool at hand with what it does; null while nothing is drawn or placed. */
export function tooling() {
  const { tool } = tools;
  if (tool.kind === "select") return null;
  const it = all[tool.kind] as Tooling<Tool>;
  return {
    follow: (table: Table, hand: Hand) => it.follow(table, tool, hand),
    press: (table: Table, hand: Hand) => it.press(table, tool, hand),
    inMiddle: (table: Table, hand: Hand) => (it.inMiddle ?? it.press)(table, tool, hand),
  };
}

/** Lets a tool rest while what it asked for is done, and takes it up again when that was refused. */
export async function restWhile(tool: Tool, work: Promise<boolean>): Promise<boolean> {
  tools.rest();
  const done = await work;
  if (!done && tools.tool.kind === "select") tools.tool = tool;
  return done;
}

/** How near a hand must come to be drawn to a place of the shell, in mm. */
export const reachOf = (table: Table, hand: Hand) => (hand.free ? 0 : Math.min(400, 9 / table.view().scale));
