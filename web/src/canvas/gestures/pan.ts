import type { Point } from "../viewport";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Moves the view under the hand. */
export class Pan implements Gesture {
  readonly kind = "pan";
  readonly holds = nothing;

  constructor(
    private readonly table: Table,
    private readonly last: Point,
  ) {}

  move({ at }: Hand) {
    this.table.look(this.table.view().panned(at.x - this.last.x, at.y - this.last.y));
    return new Pan(this.table, at);
  }
  up() {}
  cancel() {}
}
