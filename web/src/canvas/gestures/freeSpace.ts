import { paintBand } from "../livePainter";
import { tools } from "../tools.svelte";
import type { Point } from "../viewport";
import { apart, nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Draws a box over a free part of the plan: its width and depth are what is asked for. */
export class FreeSpace implements Gesture {
  readonly kind = "space";
  readonly holds = nothing;

  constructor(
    private readonly table: Table,
    private readonly done: (width: number, depth: number) => void,
    private readonly start: Point,
    private readonly to: Point = start,
  ) {}

  move({ at }: Hand) {
    return new FreeSpace(this.table, this.done, this.start, at);
  }

  up() {
    if (apart(this.start, this.to) < 4) return;
    const { view } = this.table;
    const [a, b] = [view().toLevel(this.start), view().toLevel(this.to)];
    tools.rest();
    this.done(Math.abs(a.x - b.x), Math.abs(a.y - b.y));
  }
  cancel() {}

  paint(ctx: CanvasRenderingContext2D) {
    paintBand(ctx, this.start, this.to);
  }
}
