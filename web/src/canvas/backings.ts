import type { Backing } from "../app/api";
import type { Viewport } from "./viewport";

/** A picture with smaller copies of itself, each half the one before, so that a far view need not read every pixel. */
interface Pyramid {
  levels: ImageBitmap[];
}

/** The pictures beneath plans, loaded once each. The stored picture is never changed; the copies live only here. */
export class BackingPictures {
  private readonly known = new Map<string, Pyramid | "loading" | "missing">();

  constructor(
    private readonly planId: string,
    private readonly loaded: () => void,
  ) {}

  isMissing(pictureId: string) {
    return this.known.get(pictureId) === "missing";
  }

  get(pictureId: string): Pyramid | null {
    const known = this.known.get(pictureId);
    if (known === undefined) void this.load(pictureId);
    return known && typeof known === "object" ? known : null;
  }

  private async load(pictureId: string) {
    this.known.set(pictureId, "loading");
    try {
      const answer = await fetch(`/api/plans/${this.planId}/pictures/${pictureId}`);
      if (!answer.ok) throw new Error();
      const levels = [await createImageBitmap(await answer.blob())];
      for (let last = levels[0]!; Math.max(last.width, last.height) > 1200; last = levels.at(-1)!)
        levels.push(
          await createImageBitmap(last, {
            resizeWidth: Math.max(1, last.width >> 1),
            resizeHeight: Math.max(1, last.height >> 1),
            resizeQuality: "medium",
          }),
        );
      this.known.set(pictureId, { levels });
    } catch {
      this.known.set(pictureId, "missing");
    }
    this.loaded();
  }
}

/** Paints the part of a backing that lies in a rectangle of the screen (px). */
export function paintBacking(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  ratio: number,
  rect: { x: number; y: number; w: number; h: number },
  backing: Backing,
  pictures: BackingPictures,
) {
  const pyramid = pictures.get(backing.pictureId);
  const angle = (backing.rotation * Math.PI) / 180;
  const s = view.scale * ratio * backing.scale;
  const [sin, cos] = [Math.sin(angle) * s, Math.cos(angle) * s];
  const level = view.scale * ratio;
  const e = view.x * ratio + backing.x * level - backing.rows * sin;
  const f = view.y * ratio - backing.y * level - backing.rows * cos;
  const crop = {
    left: backing.cropLeft ?? 0,
    top: backing.cropTop ?? 0,
    right: backing.columns - (backing.cropRight ?? 0),
    bottom: backing.rows - (backing.cropBottom ?? 0),
  };
  ctx.save();
  ctx.setTransform(cos, -sin, sin, cos, e, f);
  if (!pyramid) {
    ctx.strokeStyle = pictures.isMissing(backing.pictureId) ? "#A3173A" : "#B9B5A6";
    ctx.lineWidth = 1 / s;
    ctx.strokeRect(crop.left, crop.top, crop.right - crop.left, crop.bottom - crop.top);
    ctx.restore();
    return;
  }
  // The smallest copy that still has a pixel for each on the screen.
  let k = 0;
  while (k + 1 < pyramid.levels.length && s * 2 ** (k + 1) <= 1) k++;
  const bitmap = pyramid.levels[k]!;
  const [kx, ky] = [bitmap.width / backing.columns, bitmap.height / backing.rows];
  // Only the pixels that show: the rectangle's corners in the picture.
  const det = s * s;
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const [x, y] of [
    [rect.x, rect.y],
    [rect.x + rect.w, rect.y],
    [rect.x, rect.y + rect.h],
    [rect.x + rect.w, rect.y + rect.h],
  ] as const) {
    const [dx, dy] = [x * ratio - e, y * ratio - f];
    const [u, v] = [(dx * cos - dy * sin) / det, (dx * sin + dy * cos) / det];
    box.minX = Math.min(box.minX, u);
    box.maxX = Math.max(box.maxX, u);
    box.minY = Math.min(box.minY, v);
    box.maxY = Math.max(box.maxY, v);
  }
  const margin = 2 / kx;
  const x0 = Math.max(crop.left, Math.floor(box.minX - margin));
  const y0 = Math.max(crop.top, Math.floor(box.minY - margin));
  const x1 = Math.min(crop.right, Math.ceil(box.maxX + margin));
  const y1 = Math.min(crop.bottom, Math.ceil(box.maxY + margin));
  if (x1 > x0 && y1 > y0) {
    ctx.globalAlpha = 1 - (backing.fade ?? 0.5);
    ctx.imageSmoothingEnabled = s * 2 ** k < 3;
    ctx.imageSmoothingQuality = "low";
    ctx.drawImage(bitmap, x0 * kx, y0 * ky, (x1 - x0) * kx, (y1 - y0) * ky, x0, y0, x1 - x0, y1 - y0);
  }
  ctx.restore();
}
