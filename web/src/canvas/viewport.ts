export interface Point {
  x: number;
  y: number;
}
export interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** How the level (mm, y north) lies on the screen (px, y down): a scale in px per mm and the screen place of (0, 0). */
/** Pixels of the screen for a mm at 1:1, at 96 to the inch. */
export const trueSize = 96 / 25.4;

export class Viewport {
  constructor(
    readonly scale: number,
    readonly x: number,
    readonly y: number,
  ) {}

  toScreen(p: Point): Point {
    return { x: this.x + p.x * this.scale, y: this.y - p.y * this.scale };
  }
  toLevel(p: Point): Point {
    return { x: (p.x - this.x) / this.scale, y: (this.y - p.y) / this.scale };
  }
  panned(dx: number, dy: number) {
    return new Viewport(this.scale, this.x + dx, this.y + dy);
  }
  /** Zoomed by a factor about a place on the screen, from 1:2000 to 1:1; what is smaller because it must fit comes nearer only. */
  zoomed(factor: number, about: Point) {
    const [least, most] = [Math.min(trueSize / 2000, this.scale), Math.max(trueSize, this.scale)];
    const scale = Math.min(Math.max(this.scale * factor, least), most);
    const k = scale / this.scale;
    return new Viewport(scale, about.x - (about.x - this.x) * k, about.y - (about.y - this.y) * k);
  }
  /** Pixels snapped whole, so that a pan can move pixels without blur. */
  snapped(ratio: number) {
    return new Viewport(this.scale, Math.round(this.x * ratio) / ratio, Math.round(this.y * ratio) / ratio);
  }
  /** Moved, and zoomed out when it must, so that places lie within the part of the screen that nothing covers. */
  showing(points: Point[], free: Box): Viewport {
    const at = points.map((p) => this.toScreen(p));
    const [xs, ys] = [at.map((p) => p.x), at.map((p) => p.y)];
    const box = {
      minX: Math.min(...xs),
      maxX: Math.max(...xs),
      minY: Math.min(...ys),
      maxY: Math.max(...ys),
    };
    if (box.minX >= free.minX && box.maxX <= free.maxX && box.minY >= free.minY && box.maxY <= free.maxY)
      return this;
    const k = Math.min(
      1,
      (free.maxX - free.minX) / Math.max(box.maxX - box.minX, 1),
      (free.maxY - free.minY) / Math.max(box.maxY - box.minY, 1),
    );
    const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
    return this.zoomed(k, middle).panned(
      (free.minX + free.maxX) / 2 - middle.x,
      (free.minY + free.maxY) / 2 - middle.y,
    );
  }
  static fitting(box: Box, width: number, height: number, margin = Math.min(70, width * 0.1)) {
    const scale = Math.min(
      (width - 2 * margin) / Math.max(box.maxX - box.minX, 1),
      (height - 2 * margin) / Math.max(box.maxY - box.minY, 1),
    );
    const limited = Math.min(Math.max(scale, 0.0002), 2);
    return new Viewport(
      limited,
      width / 2 - ((box.minX + box.maxX) / 2) * limited,
      height / 2 + ((box.minY + box.maxY) / 2) * limited,
    );
  }
}
