import type { Dimension, Finding, Near } from "../app/api";
import { ink } from "./painter";
import type { Box, Point, Viewport } from "./viewport";

type Ctx = CanvasRenderingContext2D;

function stroke(ctx: Ctx, view: Viewport, from: Point, to: Point) {
  const [a, b] = [view.toScreen(from), view.toScreen(to)];
  ctx.beginPath();
  ctx.moveTo(a.x, a.y);
  ctx.lineTo(b.x, b.y);
  ctx.stroke();
}

function ring(ctx: Ctx, x: number, y: number, radius: number) {
  ctx.beginPath();
  ctx.arc(x, y, radius, 0, 2 * Math.PI);
}

/** The way a finding is about, in plum. */
export function paintRoute(ctx: Ctx, view: Viewport, route: Point[]) {
  if (route.length < 2) return;
  ctx.beginPath();
  route.forEach((p, i) => {
    const at = view.toScreen(p);
    if (i) ctx.lineTo(at.x, at.y);
    else ctx.moveTo(at.x, at.y);
  });
  ctx.lineJoin = "round";
  ctx.strokeStyle = "rgba(107,63,135,.25)";
  ctx.lineWidth = 7;
  ctx.stroke();
  ctx.strokeStyle = ink.plum;
  ctx.lineWidth = 1.5;
  ctx.stroke();
}

/** Where a finding is: a ring, and the line between its two ends when it has two. */
export function paintFinding(ctx: Ctx, view: Viewport, finding: Finding) {
  const [a, b] = finding.at as Point[];
  if (!a) return;
  const [c, d] = finding.against as Point[];
  if (c && d) {
    // What the measured line is held against, as the diagonal of a room.
    ctx.strokeStyle = ink.soft;
    ctx.lineWidth = 1.5;
    ctx.setLineDash([8, 5]);
    stroke(ctx, view, c, d);
    ctx.setLineDash([]);
    ctx.strokeStyle = ink.must;
    ctx.lineWidth = 2.5;
    stroke(ctx, view, a, b ?? a);
    told(ctx, view, a, b ?? a, finding.measuredText);
    for (const end of [a, b ?? a]) {
      const at = view.toScreen(end);
      ring(ctx, at.x, at.y, 7);
      ctx.stroke();
    }
    return;
  }
  ctx.strokeStyle = ink.must;
  ctx.lineWidth = 2;
  const from = view.toScreen(a);
  const to = b ? view.toScreen(b) : from;
  if (b) stroke(ctx, view, a, b);
  // The line is the figure itself where it is as long as what was measured.
  if (b && Math.abs(Math.hypot(b.x - a.x, b.y - a.y) - finding.measured) < 2)
    told(ctx, view, a, b, finding.measuredText);
  ctx.strokeStyle = ink.must;
  const radius = Math.max(b ? 12 : 14, Math.hypot(to.x - from.x, to.y - from.y) / 2);
  ring(ctx, (from.x + to.x) / 2, (from.y + to.y) / 2, radius);
  ctx.stroke();
}

/** A figure in the middle of a line, on paper so that it can be read over anything. */
function told(ctx: Ctx, view: Viewport, a: Point, b: Point, text: string) {
  const [from, to] = [view.toScreen(a), view.toScreen(b)];
  // Beside a line that is too short for it.
  const apart = Math.hypot(to.x - from.x, to.y - from.y);
  const at = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 - (apart < 70 ? apart / 2 + 24 : 0) };
  ctx.font = "600 12px 'Barlow Semi Condensed', sans-serif";
  const wide = ctx.measureText(text).width;
  ctx.fillStyle = "rgba(255,255,255,.92)";
  ctx.fillRect(at.x - wide / 2 - 4, at.y - 9, wide + 8, 18);
  ctx.fillStyle = ink.must;
  ctx.textAlign = "center";
  ctx.textBaseline = "middle";
  ctx.fillText(text, at.x, at.y);
}

/** Overlaps are shown while moving, before anybody asks. */
export function paintOverlaps(ctx: Ctx, view: Viewport, places: Point[]) {
  ctx.fillStyle = "rgba(163,23,58,.18)";
  ctx.strokeStyle = ink.must;
  ctx.lineWidth = 1.5;
  for (const p of places) {
    const at = view.toScreen(p);
    ring(ctx, at.x, at.y, 12);
    ctx.fill();
    ctx.stroke();
  }
}

/** The line a moving thing has been drawn to. */
export function paintGuide(ctx: Ctx, view: Viewport, guide: Point[]) {
  if (guide.length !== 2) return;
  ctx.strokeStyle = ink.pencil;
  ctx.lineWidth = 1;
  ctx.setLineDash([5, 4]);
  stroke(ctx, view, guide[0]!, guide[1]!);
  ctx.setLineDash([]);
}

/** Lines of the clear distances, of kept measures and of the measure being taken. */
export function paintMeasures(
  ctx: Ctx,
  view: Viewport,
  near: Near[],
  kept: Dimension[],
  taking: [Point, Point] | null,
) {
  ctx.strokeStyle = ink.pencil;
  ctx.lineWidth = 1.2;
  ctx.setLineDash([2, 3]);
  for (const distance of near) stroke(ctx, view, distance.from as Point, distance.to as Point);
  ctx.setLineDash([]);
  for (const measure of kept) stroke(ctx, view, measure.from as Point, measure.to as Point);
  if (taking) stroke(ctx, view, taking[0], taking[1]);
}

interface Changes {
  moves: readonly { from: { x?: number; y?: number }; to: { x?: number; y?: number } }[];
  come: readonly Box[];
  go: readonly Box[];
}

/** What changes between two schemes: arrows from place to place, boxes round what comes and, dashed, what goes. */
export function paintChanges(ctx: Ctx, view: Viewport, { moves, come, go }: Changes) {
  ctx.lineWidth = 2;
  ctx.strokeStyle = ink.plum;
  ctx.fillStyle = ink.plum;
  for (const move of moves) {
    const [a, b] = [view.toScreen(move.from as Point), view.toScreen(move.to as Point)];
    const far = Math.hypot(b.x - a.x, b.y - a.y);
    ring(ctx, a.x, a.y, 3);
    ctx.fill();
    if (far < 4) {
      ring(ctx, b.x, b.y, 7);
      ctx.stroke();
      continue;
    }
    const [ux, uy] = [(b.x - a.x) / far, (b.y - a.y) / far];
    stroke(ctx, view, move.from as Point, move.to as Point);
    ctx.beginPath();
    ctx.moveTo(b.x, b.y);
    ctx.lineTo(b.x - 9 * ux - 4 * uy, b.y - 9 * uy + 4 * ux);
    ctx.lineTo(b.x - 9 * ux + 4 * uy, b.y - 9 * uy - 4 * ux);
    ctx.fill();
  }
  for (const [boxes, line, dash] of [
    [come, ink.ok, []],
    [go, ink.must, [5, 4]],
  ] as const) {
    ctx.strokeStyle = line;
    ctx.setLineDash([...dash]);
    for (const box of boxes) {
      const [a, b] = [
        view.toScreen({ x: box.minX, y: box.maxY }),
        view.toScreen({ x: box.maxX, y: box.minY }),
      ];
      ctx.strokeRect(a.x - 2, a.y - 2, b.x - a.x + 4, b.y - a.y + 4);
    }
  }
  ctx.setLineDash([]);
}

/** The rubber band, in screen pixels. */
export function paintBand(ctx: Ctx, a: Point, b: Point) {
  ctx.strokeStyle = ink.pencil;
  ctx.lineWidth = 1;
  ctx.fillStyle = "rgba(36,86,166,.08)";
  ctx.fillRect(a.x, a.y, b.x - a.x, b.y - a.y);
  ctx.strokeRect(a.x + 0.5, a.y + 0.5, b.x - a.x, b.y - a.y);
}

/** The cross that a keyboard points with. */
export function paintCross(ctx: CanvasRenderingContext2D, { x, y }: Point) {
  ctx.strokeStyle = ink.pencil;
  ctx.lineWidth = 1;
  ctx.beginPath();
  for (const [dx, dy] of [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ] as const) {
    ctx.moveTo(x + 4 * dx, y + 4 * dy);
    ctx.lineTo(x + 16 * dx, y + 16 * dy);
  }
  ctx.stroke();
}
