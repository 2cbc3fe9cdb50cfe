import type { Aim, Backing, Thing, ShellView } from "../app/api";
import { beforeOf, bodyOf, lastOf } from "./chain";
import { ink } from "./painter";
import { outOf } from "./frames";
import type { Tool } from "./tools.svelte";
import { isDrawn } from "../things/corners";
import type { Point, Viewport } from "./viewport";

type Ctx = CanvasRenderingContext2D;

function ring(ctx: Ctx, view: Viewport, points: Point[], close = true) {
  ctx.beginPath();
  points.forEach((p, i) => {
    const at = view.toScreen(p);
    if (i) ctx.lineTo(at.x, at.y);
    else ctx.moveTo(at.x, at.y);
  });
  if (close) ctx.closePath();
  ctx.stroke();
}

function dot(ctx: Ctx, view: Viewport, p: Point, radius = 4) {
  const at = view.toScreen(p);
  ctx.beginPath();
  ctx.arc(at.x, at.y, radius, 0, 2 * Math.PI);
  ctx.fill();
}

/** The outline of a placed rectangle on the level. */
export const boxOfThing = (f: Thing) =>
  [
    { x: -f.width / 2, y: -f.depth / 2 },
    { x: f.width / 2, y: -f.depth / 2 },
    { x: f.width / 2, y: f.depth / 2 },
    { x: -f.width / 2, y: f.depth / 2 },
  ].map((own) => outOf(f, own));

/** The corners of a backing on the level. */
export const cornersOfBacking = (b: Backing) => {
  const [w, h] = [b.columns * b.scale, b.rows * b.scale];
  return [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ].map((own) => outOf(b as Required<Backing>, own));
};

/** Selected things of the shell, in blue pencil. */
export function paintSelectedShell(
  ctx: Ctx,
  view: Viewport,
  shell: ShellView,
  selected: ReadonlySet<string>,
  things: {
    standing: Thing[];
    backings: Backing[];
    openings: { id: string; width: number }[];
    boundaries: { id: string; start: Point; end: Point }[];
    lines: { id: string; x: number; y: number; angle: number }[];
  },
) {
  ctx.strokeStyle = ink.pencil;
  ctx.lineWidth = 2;
  for (const wall of shell.wallViews) if (selected.has(wall.id)) ring(ctx, view, wall.outline as Point[]);
  for (const place of shell.openings) {
    if (!selected.has(place.id)) continue;
    const half = (things.openings.find((o) => o.id === place.id)?.width ?? 0) / 2;
    const deep = place.wallThickness / 2;
    ring(
      ctx,
      view,
      [
        { x: -half, y: -deep },
        { x: half, y: -deep },
        { x: half, y: deep },
        { x: -half, y: deep },
      ].map((own) => outOf(place, own)),
    );
  }
  paintSelectedThings(ctx, view, things.standing, selected);
  for (const b of things.backings) if (selected.has(b.id)) ring(ctx, view, cornersOfBacking(b));
  for (const b of things.boundaries) if (selected.has(b.id)) ring(ctx, view, [b.start, b.end], false);
  for (const line of things.lines)
    if (selected.has(line.id)) {
      const frame = { x: line.x, y: line.y, rotation: line.angle };
      ring(ctx, view, [outOf(frame, { x: -1e5, y: 0 }), outOf(frame, { x: 1e5, y: 0 })], false);
    }
}

/** Selected things, in blue pencil. */
export function paintSelectedThings(
  ctx: Ctx,
  view: Viewport,
  things: Thing[],
  selected: ReadonlySet<string>,
  outlinesOf: (id: string) => Point[][] = () => [],
) {
  ctx.strokeStyle = ink.pencil;
  ctx.lineWidth = 2;
  for (const thing of things)
    if (selected.has(thing.id))
      for (const outline of isDrawn(thing) ? outlinesOf(thing.id) : [boxOfThing(thing)])
        ring(ctx, view, outline);
}

/** Ends of walls that stop a little short: a ring round each and a line to what it could meet. */
export function paintUnjoinedEnds(ctx: Ctx, view: Viewport, shell: ShellView) {
  ctx.strokeStyle = ink.brass;
  ctx.lineWidth = 2;
  for (const end of shell.unjoinedEnds) {
    ring(ctx, view, [end.at as Point, end.meets as Point], false);
    const at = view.toScreen(end.at as Point);
    ctx.beginPath();
    ctx.arc(at.x, at.y, 7, 0, 2 * Math.PI);
    ctx.stroke();
  }
}

/** The body of the wall that the next side would make, on its side of the line. */
function paintWallBody(ctx: Ctx, view: Viewport, from: Point, to: Point, [low, high]: [number, number]) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 1) return;
  const left = { x: -(to.y - from.y) / length, y: (to.x - from.x) / length };
  const off = (p: Point, by: number) => ({ x: p.x + left.x * by, y: p.y + left.y * by });
  ctx.save();
  ctx.globalAlpha = 0.18;
  ctx.beginPath();
  [off(from, low), off(to, low), off(to, high), off(from, high)].forEach((p, i) => {
    const at = view.toScreen(p);
    if (i) ctx.lineTo(at.x, at.y);
    else ctx.moveTo(at.x, at.y);
  });
  ctx.closePath();
  ctx.fill();
  ctx.restore();
}

/** What is being drawn: the side under the hand, guides, and where the hand is drawn to. */
export function paintDrawing(
  ctx: Ctx,
  view: Viewport,
  tool: Tool,
  aim: Aim | null,
  thicknessOf: (wallType: string) => number,
) {
  if (tool.kind !== "chain" && tool.kind !== "points" && tool.kind !== "thing") return;
  ctx.strokeStyle = ink.pencil;
  ctx.fillStyle = ink.pencil;
  if (aim) {
    ctx.lineWidth = 1;
    ctx.setLineDash([5, 4]);
    for (let i = 0; i + 1 < aim.guides.length; i += 2)
      ring(ctx, view, [aim.guides[i]!, aim.guides[i + 1]!], false);
    ctx.setLineDash([]);
  }
  if (tool.kind === "chain") {
    const { chain } = tool;
    const last = lastOf(chain);
    if (last && aim && chain.what === "walls" && !chain.curved && !chain.offsets)
      paintWallBody(ctx, view, last, aim.at as Point, bodyOf(chain, thicknessOf(chain.wallType)));
    ctx.lineWidth = 2;
    if (last && aim) ring(ctx, view, chain.through ? [last, chain.through, aim.at] : [last, aim.at], false);
    ctx.lineWidth = 1;
    if (chain.start)
      ring(
        ctx,
        view,
        [chain.start, ...chain.sides.flatMap((s) => (s.through ? [s.through, s.to] : [s.to]))] as Point[],
        false,
      );
    if (chain.start) dot(ctx, view, chain.start);
    if (beforeOf(chain)) dot(ctx, view, last!, 3);
    if (chain.corner) dot(ctx, view, chain.corner);
  }
  if (tool.kind === "points") {
    const { points } = tool.asked;
    ctx.lineWidth = 1.5;
    if (points.length) ring(ctx, view, aim ? [...points, aim.at] : points, false);
    for (const p of points) dot(ctx, view, p);
  }
  if (tool.kind === "thing" && aim) {
    ctx.lineWidth = 1.5;
    ring(ctx, view, boxOfThing({ ...tool.thing, ...aim.at } as Thing));
  }
  if (aim) {
    const at = view.toScreen(aim.at);
    ctx.lineWidth = 1.5;
    ctx.beginPath();
    ctx.moveTo(at.x - 7, at.y);
    ctx.lineTo(at.x + 7, at.y);
    ctx.moveTo(at.x, at.y - 7);
    ctx.lineTo(at.x, at.y + 7);
    ctx.stroke();
    if (aim.caught) ctx.strokeRect(at.x - 5, at.y - 5, 10, 10);
  }
}
