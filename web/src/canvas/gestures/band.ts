import { paintBand } from "../livePainter";
import type { Point } from "../viewport";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Draws a box; what has its middle in it is selected. */
export class Band implements Gesture {
  readonly kind = "band";
  readonly holds = nothing;

  constructor(
    private readonly table: Table,
    private readonly start: Point,
    private readonly more: boolean,
    private readonly to: Point = start,
  ) {}

  move({ at }: Hand) {
    return new Band(this.table, this.start, this.more, at);
  }

  up() {
    const { plan, view, picture } = this.table;
    if (plan.stage === "shell") return plan.select([]);
    const [a, b] = [view().toLevel(this.start), view().toLevel(this.to)];
    const box = {
      minX: Math.min(a.x, b.x),
      maxX: Math.max(a.x, b.x),
      minY: Math.min(a.y, b.y),
      maxY: Math.max(a.y, b.y),
    };
    const inside = ({ x, y }: Point) => x >= box.minX && x <= box.maxX && y >= box.minY && y <= box.maxY;
    plan.select(
      plan.groups.whole(
        picture()
          .within(box)
          .filter(({ item }) => inside(item))
          .map(({ item }) => item.id),
      ),
      this.more,
    );
  }
  cancel() {}

  paint(ctx: CanvasRenderingContext2D) {
    paintBand(ctx, this.start, this.to);
  }
}
