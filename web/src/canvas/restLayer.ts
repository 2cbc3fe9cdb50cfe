import type { Picture } from "./painter";
import { Viewport } from "./viewport";

/**
 * The canvas of what rests. A pan moves its own pixels and paints only the strips that come into view; a zoom
 * stretches the last sharp picture and paints anew when the hand pauses.
 */
export class RestLayer {
  private readonly ctx: CanvasRenderingContext2D;
  private shown: Viewport | null = null;
  private sharp: { picture: HTMLCanvasElement; view: Viewport } | null = null;
  private idle = 0;
  private width = 0;
  private height = 0;
  private ratio = 1;

  constructor(private readonly canvas: HTMLCanvasElement) {
    this.ctx = canvas.getContext("2d", { alpha: false })!;
  }

  resize(width: number, height: number, ratio: number) {
    [this.width, this.height, this.ratio] = [width, height, ratio];
    this.canvas.width = Math.round(width * ratio);
    this.canvas.height = Math.round(height * ratio);
    this.shown = null;
    this.sharp = null;
  }

  /** Shows a view of a picture, doing the least work that gets there. */
  show(view: Viewport, picture: Picture, without: ReadonlySet<string>) {
    if (!this.shown) return this.paintAll(view, picture, without);
    if (view.scale !== this.shown.scale) return this.stretch(view, picture, without);
    const dx = Math.round((view.x - this.shown.x) * this.ratio);
    const dy = Math.round((view.y - this.shown.y) * this.ratio);
    if (dx === 0 && dy === 0) return;
    if (this.sharp) return this.stretch(view, picture, without);
    const [w, h] = [this.canvas.width, this.canvas.height];
    if (Math.abs(dx) >= w || Math.abs(dy) >= h) return this.paintAll(view, picture, without);
    this.ctx.setTransform(1, 0, 0, 1, 0, 0);
    this.ctx.globalCompositeOperation = "copy";
    this.ctx.drawImage(this.canvas, dx, dy);
    this.ctx.globalCompositeOperation = "source-over";
    this.shown = view;
    const r = this.ratio;
    if (dx)
      this.paint(view, picture, without, {
        x: dx > 0 ? 0 : (w + dx) / r,
        y: 0,
        w: Math.abs(dx) / r,
        h: this.height,
      });
    if (dy)
      this.paint(view, picture, without, {
        x: 0,
        y: dy > 0 ? 0 : (h + dy) / r,
        w: this.width,
        h: Math.abs(dy) / r,
      });
  }

  /** Paints anew what lies in a box of the level. */
  repaint(
    box: { minX: number; minY: number; maxX: number; maxY: number },
    picture: Picture,
    without: ReadonlySet<string>,
  ) {
    if (!this.shown || this.sharp) return;
    const a = this.shown.toScreen({ x: box.minX, y: box.maxY });
    const b = this.shown.toScreen({ x: box.maxX, y: box.minY });
    const x = Math.max(0, Math.floor(a.x) - 24);
    const y = Math.max(0, Math.floor(a.y) - 24);
    const w = Math.min(this.width, Math.ceil(b.x) + 24) - x;
    const h = Math.min(this.height, Math.ceil(b.y) + 24) - y;
    if (w > 0 && h > 0) this.paint(this.shown, picture, without, { x, y, w, h });
  }

  paintAll(view: Viewport, picture: Picture, without: ReadonlySet<string>) {
    this.sharp = null;
    this.shown = view;
    this.paint(view, picture, without, { x: 0, y: 0, w: this.width, h: this.height });
  }

  private paint(
    view: Viewport,
    picture: Picture,
    without: ReadonlySet<string>,
    rect: { x: number; y: number; w: number; h: number },
  ) {
    picture.paint(this.ctx, view, this.ratio, rect, without);
  }

  private stretch(view: Viewport, picture: Picture, without: ReadonlySet<string>) {
    if (!this.sharp) {
      const copy = document.createElement("canvas");
      copy.width = this.canvas.width;
      copy.height = this.canvas.height;
      copy.getContext("2d", { alpha: false })!.drawImage(this.canvas, 0, 0);
      this.sharp = { picture: copy, view: this.shown! };
    }
    const k = view.scale / this.sharp.view.scale;
    const r = this.ratio;
    this.ctx.setTransform(1, 0, 0, 1, 0, 0);
    this.ctx.fillStyle = "#FBFAF5";
    this.ctx.fillRect(0, 0, this.canvas.width, this.canvas.height);
    this.ctx.imageSmoothingEnabled = k < 4;
    this.ctx.drawImage(
      this.sharp.picture,
      (view.x - this.sharp.view.x * k) * r,
      (view.y - this.sharp.view.y * k) * r,
      this.canvas.width * k,
      this.canvas.height * k,
    );
    this.shown = view;
    clearTimeout(this.idle);
    this.idle = window.setTimeout(() => {
      if (this.sharp) this.paintAll(this.shown!, picture, without);
    }, 140);
  }
}
