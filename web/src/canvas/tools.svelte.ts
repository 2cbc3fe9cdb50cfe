import type { CatalogueEntry, OpeningKind as Kind } from "../app/api";
import type { Point } from "./viewport";

/** What a press on the plan does now. Picking is the resting state, not a tool. */
export type Tool =
  | { kind: "pick" }
  | { kind: "place"; entry: CatalogueEntry; turn: number }
  | { kind: "measure"; from: Point | null; to: Point | null }
  | { kind: "opening"; opening: OpeningChoice };

export interface OpeningChoice {
  kind: Kind;
  width: number;
  mark: "None" | "Entrance" | "Exit" | "EntranceAndExit" | "Service";
  name: string;
}

class Tools {
  tool = $state.raw<Tool>({ kind: "pick" });
  /** Does what the tool does in the middle of the view: how a keyboard places things. Set by the canvas. */
  inMiddle: () => void = () => {};
  rest = () => (this.tool = { kind: "pick" });
}

export const tools = new Tools();
