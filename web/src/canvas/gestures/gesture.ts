import type { OpenPlan } from "../../plan/openPlan.svelte";
import type { Painted, Picture } from "../painter";
import type { Point, Viewport } from "../viewport";

/** Where a pointer is on the screen, and what is held down with it. */
export interface Hand {
  at: Point;
  /** Shift: to what is there, too. */
  more: boolean;
  /** Alt: to no catch. */
  free: boolean;
}

/** What a gesture works on. */
export interface Table {
  readonly plan: OpenPlan;
  readonly view: () => Viewport;
  readonly picture: () => Picture;
  readonly painted: (id: string) => Painted | undefined;
  look(view: Viewport): void;
  /** How near a thing must come to be drawn to a place, in mm. */
  catchDistance(): number;
  /** What was pressed last in the same place, so that pressing again reaches what lies beneath. */
  cycle: { at: Point; key: string; index: number } | null;
}

/** One gesture of a hand, from when it begins until it ends: a state, and what follows it. */
export interface Gesture {
  readonly kind: string;
  /** What the hand holds: left out of the picture at rest. */
  readonly holds: ReadonlySet<string>;
  move(hand: Hand): Gesture;
  /** Lets go. */
  up(hand: Hand): void;
  /** Ends without doing anything. */
  cancel(): void;
  /** How an item that it holds is shown. */
  shown?(thing: Painted): Painted;
  paint?(ctx: CanvasRenderingContext2D, ratio: number): void;
}

export const nothing: ReadonlySet<string> = new Set();

export const apart = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);
