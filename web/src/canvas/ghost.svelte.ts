import type { Viewport } from "./viewport";

/** A fill that is only looked at: drawn over the plan until it is taken or left. */
class Ghost {
  shown = $state.raw<{ levelId: string; tables: string; chairs: string } | null>(null);

  paint(ctx: CanvasRenderingContext2D, view: Viewport, ratio: number, levelId: string) {
    if (!this.shown || this.shown.levelId !== levelId) return;
    ctx.setTransform(
      ratio * view.scale,
      0,
      0,
      -ratio * view.scale,
      ratio * view.toScreen({ x: 0, y: 0 }).x,
      ratio * view.toScreen({ x: 0, y: 0 }).y,
    );
    ctx.lineWidth = 1.2 / view.scale;
    for (const [path, fill] of [
      [this.shown.chairs, "rgba(47,107,79,.14)"],
      [this.shown.tables, "rgba(47,107,79,.28)"],
    ] as const) {
      const shape = new Path2D(path);
      ctx.fillStyle = fill;
      ctx.strokeStyle = "#2F6B4F";
      ctx.fill(shape);
      ctx.stroke(shape);
    }
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  }
}

export const ghost = new Ghost();
