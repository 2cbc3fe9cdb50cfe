import type { Backing } from "../../app/api";
import { paintBand } from "../livePainter";
import { pixelAt } from "../shellHits";
import { tools } from "../tools.svelte";
import type { Point } from "../viewport";
import { apart, nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Draws a box over a backing; what lies outside it is shown no more. */
export class CropBacking implements Gesture {
  readonly kind = "crop";
  readonly holds = nothing;

  constructor(
    private readonly table: Table,
    private readonly id: string,
    private readonly start: Point,
    private readonly to: Point = start,
  ) {}

  move({ at }: Hand) {
    return new CropBacking(this.table, this.id, this.start, at);
  }

  up() {
    const { plan, view } = this.table;
    const backing = plan.entities.get(this.id) as Backing | undefined;
    if (apart(this.start, this.to) < 4 || !backing) return;
    tools.rest();
    const crop = cropOf(
      backing,
      pixelAt(backing, view().toLevel(this.start)),
      pixelAt(backing, view().toLevel(this.to)),
    );
    void plan.do(() => ({
      do: "put-backing",
      backing: { ...(plan.entities.get(this.id) as Backing), ...crop },
    }));
  }
  cancel() {}

  paint(ctx: CanvasRenderingContext2D) {
    paintBand(ctx, this.start, this.to);
  }
}

/** How many pixels a box between two of a backing's pixels takes off each of its sides. */
export function cropOf({ columns, rows }: Pick<Backing, "columns" | "rows">, a: Point, b: Point) {
  const within = (value: number, most: number) => Math.round(Math.min(Math.max(value, 0), most));
  return {
    cropLeft: within(Math.min(a.x, b.x), columns),
    cropRight: columns - within(Math.max(a.x, b.x), columns),
    cropTop: within(Math.min(a.y, b.y), rows),
    cropBottom: rows - within(Math.max(a.y, b.y), rows),
  };
}
