/** A picture of bytes in base 64. Fails where they are none. */
export const bitmapOf = (data: string, type: string) =>
  createImageBitmap(new Blob([Uint8Array.from(atob(data), (c) => c.charCodeAt(0))], { type }));

/** The small pictures that plans carry themselves, decoded once each. What is not decoded yet is painted when it is. */
class OwnPictures {
  private readonly known = new Map<string, ImageBitmap | "loading" | "broken">();
  /** Told when another picture can be painted. Set by whoever paints. */
  loaded: () => void = () => {};

  /** The picture of some data (WebP in base 64); null until it is decoded. */
  of(data: string): ImageBitmap | null {
    const known = this.known.get(data);
    if (known === undefined) void this.decode(data);
    return known && typeof known === "object" ? known : null;
  }

  private async decode(data: string) {
    this.known.set(data, "loading");
    try {
      this.known.set(data, await bitmapOf(data, "image/webp"));
      this.loaded();
    } catch {
      this.known.set(data, "broken");
    }
  }
}

export const ownPictures = new OwnPictures();

interface Spot {
  x: number;
  y: number;
}

/** What brings a picture of some pixels to its place: as the six figures of a transform. */
export function placeOf(
  place: { corner: Spot; across: Spot; down: Spot },
  columns: number,
  rows: number,
): [number, number, number, number, number, number] {
  const { corner, across, down } = place;
  return [across.x / columns, across.y / columns, down.x / rows, down.y / rows, corner.x, corner.y];
}

/** Paints a picture in its place; the context is already on the item or level in mm. */
export function paintPicture(
  ctx: CanvasRenderingContext2D,
  place: { corner: unknown; across: unknown; down: unknown },
  data: string,
  opacity: number,
) {
  const bitmap = ownPictures.of(data);
  if (!bitmap) return;
  ctx.save();
  ctx.globalAlpha *= opacity;
  ctx.transform(...placeOf(place as never, bitmap.width, bitmap.height));
  ctx.drawImage(bitmap, 0, 0);
  ctx.restore();
}

/** Fills a path with a picture laid again and again from its place. */
export function paintLaid(
  ctx: CanvasRenderingContext2D,
  path: Path2D,
  place: { corner: unknown; across: unknown; down: unknown },
  data: string,
  opacity: number,
) {
  const bitmap = ownPictures.of(data);
  const pattern = bitmap && ctx.createPattern(bitmap, "repeat");
  if (!pattern) return;
  pattern.setTransform(new DOMMatrix(placeOf(place as never, bitmap.width, bitmap.height)));
  ctx.globalAlpha = opacity;
  ctx.fillStyle = pattern;
  ctx.fill(path, "evenodd");
  ctx.globalAlpha = 1;
}
