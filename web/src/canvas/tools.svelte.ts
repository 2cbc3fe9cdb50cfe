import type {
  Aim,
  Certainty,
  CatalogueEntry,
  ChainSide,
  FormView,
  Thing,
  OpeningKind as Kind,
} from "../app/api";
import type { Point } from "./viewport";

/** What a press on the plan does now. Selecting is the resting state, not a tool. */
export type Tool =
  | { kind: "select" }
  | { kind: "place"; entry: CatalogueEntry; form: FormView | null; rotation: number; size: SizeBought }
  | { kind: "space"; done: (width: number, depth: number) => void }
  | { kind: "measure"; from: Point | null; to: Point | null }
  | { kind: "opening"; opening: OpeningChoice }
  | { kind: "chain"; chain: Chain }
  | { kind: "thing"; thing: Thing }
  | { kind: "points"; asked: PointsAsked }
  | { kind: "crop"; backingId: string };

/** The size in mm of the thing that was bought, where it is not the usual one. */
export interface SizeBought {
  width?: number;
  depth?: number;
  height?: number;
}

export interface OpeningChoice {
  kind: Kind;
  width: number;
  mark: "None" | "Entrance" | "Exit" | "EntranceAndExit" | "Service";
  name: string;
}

/** A run of walls, or of lines without walls, while it is drawn; or the outline of an area, or a line, that becomes a thing when it ends. */
export interface Chain {
  id: string;
  what: "walls" | "boundary" | "area" | "line";
  /** What it becomes, where it is the outline or line of a thing. */
  thing?: Thing;
  wallType: string;
  line: "Centre" | "InsideFace" | "OutsideFace";
  /** Which side of the drawn line is the inside; it changes only when somebody flips it. */
  inside: "Left" | "Right";
  certainty: Certainty;
  roomName: string;
  start: Point | null;
  sides: ChainSide[];
  /** A point the next side is to pass, when it is curved. */
  through: Point | null;
  curved: boolean;
  /** The corner that typed offsets count from, while they are typed. */
  corner: Point | null;
  offsets: boolean;
}

/** Some points that something asks for, pressed one after another, at most Count. Caught tells whether they are drawn to the plan's catches. */
export interface PointsAsked {
  title: string;
  count: number;
  caught: boolean;
  /** Whether they are the corners of something closed: it ends with the first of them pressed again, or when it is said. */
  ring?: boolean;
  /** Whether they are the corners of something open: it ends with the last of them pressed again, or when it is said. */
  path?: boolean;
  points: Point[];
  done: (points: Point[]) => void;
}

class Tools {
  tool = $state.raw<Tool>({ kind: "select" });
  /** Where the pointer is drawn to, by the newest answer. */
  aim = $state.raw<Aim | null>(null);
  /** What went wrong with what was typed or pressed, beside the fields of the drawing; "" for nothing. */
  said = $state("");
  /** Does what the tool does in the middle of the view: how a keyboard places things. Set by the canvas. */
  inMiddle: () => void = () => {};
  /** Moves the cross that a keyboard points with, by pixels right and down; presses where it is. Set by the canvas. */
  moveCross: (dx: number, dy: number) => void = () => {};
  pressCross: () => void = () => {};
  rest = () => {
    this.tool = { kind: "select" };
    this.aim = null;
    this.said = "";
  };
  /** Changes the chain that is being drawn. */
  chain(change: Partial<Chain>) {
    if (this.tool.kind === "chain") this.tool = { kind: "chain", chain: { ...this.tool.chain, ...change } };
  }
  /** Asks for the corners of something closed, at most so many. */
  askRing(title: string, most: number, done: (points: Point[]) => void) {
    this.aim = null;
    this.tool = { kind: "points", asked: { title, count: most, caught: true, ring: true, points: [], done } };
  }
  /** Asks for the corners of a line with as many legs as are wanted. */
  askPath(title: string, done: (points: Point[]) => void) {
    this.aim = null;
    this.tool = { kind: "points", asked: { title, count: 200, caught: true, path: true, points: [], done } };
  }
  /** Ends what is asked for with the points there are. */
  endPoints() {
    if (this.tool.kind !== "points") return;
    const { points, done } = this.tool.asked;
    this.rest();
    done(points);
  }
  ask(title: string, count: number, done: (points: Point[]) => void, caught = true) {
    this.aim = null;
    this.tool = { kind: "points", asked: { title, count, caught, points: [], done } };
  }
}

export const tools = new Tools();
