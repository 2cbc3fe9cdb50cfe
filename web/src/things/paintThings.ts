import type { ThingView } from "../app/api";
import type { Point, Viewport } from "../canvas/viewport";

const cache = new WeakMap<ThingView, Path2D[]>();

function pathsOf(thing: ThingView): Path2D[] {
  let paths = cache.get(thing);
  if (!paths) {
    paths = thing.parts.map((part) => new Path2D(part.path));
    cache.set(thing, paths);
  }
  return paths;
}

/** How wide a line of a part is, in px; 0 for none. */
const widths: Record<string, number> = { Solid: 1, Body: 1, Line: 0.8, Dashed: 1, Heavy: 2, Tinted: 0 };

/** Things as the server describes them: parts by their roles, then what is written on them. */
export function paintThings(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  ratio: number,
  things: readonly ThingView[],
  line: string,
) {
  const scale = view.scale * ratio;
  for (const thing of things) {
    ctx.setTransform(scale, 0, 0, -scale, view.x * ratio, view.y * ratio);
    const paths = pathsOf(thing);
    thing.parts.forEach((part, i) => {
      const path = paths[i]!;
      if (part.role === "Solid" || part.role === "Body" || part.role === "Tinted") {
        ctx.fillStyle = part.role === "Solid" ? line : part.role === "Body" ? "#FFFFFF" : part.tint;
        ctx.fill(path);
      }
      const width = widths[part.role] ?? 1;
      if (!width) return;
      ctx.strokeStyle = part.role === "Dashed" ? "#5C6965" : line;
      ctx.lineWidth = width / view.scale;
      ctx.setLineDash(part.role === "Dashed" ? [6 / view.scale, 4 / view.scale] : []);
      ctx.stroke(path);
      ctx.setLineDash([]);
    });
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.textAlign = "center";
    for (const written of thing.texts) {
      // Without a size of its own a text is lettering of the drawing: shown only where there is room for it.
      const size = written.size ? written.size * view.scale : view.scale > 0.03 ? 11 : 0;
      if (size < 5) continue;
      const at = view.toScreen(written.at as Point);
      ctx.save();
      ctx.translate(at.x, at.y);
      ctx.rotate((-(written.rotation ?? 0) * Math.PI) / 180);
      ctx.font = `${written.size ? 400 : 600} ${size}px "Barlow Semi Condensed"`;
      ctx.fillStyle = written.size ? line : "#5C6965";
      ctx.fillText(written.text, 0, size * 0.35);
      ctx.restore();
    }
  }
}
