import Flatbush from "flatbush";
import type { FormView, Item, ItemView, ShellView } from "../app/api";
import type { Box, Viewport } from "./viewport";

export const ink = {
  paper: "#FBFAF5",
  full: "#21302D",
  soft: "#5C6965",
  faint: "#B9B5A6",
  pencil: "#2456A6",
  wash: "#F1EEE2",
  use: "#B5B2A5",
  plum: "#6B3F87",
  must: "#A3173A",
};

/** What an item looks like, ready to paint: its placement and its form. */
export interface Painted {
  item: Item;
  view: ItemView;
  form: FormView;
  box: Box;
}

interface Paths {
  role: string;
  path: Path2D;
}

const pathCache = new WeakMap<FormView, Paths[]>();

function pathsOf(form: FormView): Paths[] {
  let paths = pathCache.get(form);
  if (!paths) {
    paths = form.symbol.map((part) => ({ role: part.role, path: new Path2D(part.path) }));
    pathCache.set(form, paths);
  }
  return paths;
}

/** The box of a placed form on the level, in mm. */
export function boxOf(item: Item, form: FormView): Box {
  const [minX, minY, maxX, maxY] = form.box as [number, number, number, number];
  const angle = (item.turn * Math.PI) / 180;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const [x, y] of [
    [minX, minY],
    [maxX, minY],
    [maxX, maxY],
    [minX, maxY],
  ] as const) {
    const [wx, wy] = [item.x + x * cos - y * sin, item.y + x * sin + y * cos];
    box.minX = Math.min(box.minX, wx);
    box.minY = Math.min(box.minY, wy);
    box.maxX = Math.max(box.maxX, wx);
    box.maxY = Math.max(box.maxY, wy);
  }
  return box;
}

/** All that rests on the plan, indexed by place. */
export class Picture {
  private readonly index: Flatbush | null;
  private readonly shellPaths: Record<string, Path2D> = {};

  constructor(
    readonly painted: Painted[],
    readonly shell: ShellView | null,
    readonly faint: boolean,
  ) {
    this.index = painted.length ? new Flatbush(painted.length) : null;
    for (const { box } of painted) this.index!.add(box.minX, box.minY, box.maxX, box.maxY);
    this.index?.finish();
    for (const name of ["walls", "hatch", "windows", "leaves", "swings", "columns", "keepClear"] as const)
      if (shell?.[name]) this.shellPaths[name] = new Path2D(shell[name]);
  }

  /** Painted things whose boxes meet a box, in the order they are painted. */
  within(box: Box): Painted[] {
    if (!this.index) return [];
    return this.index
      .search(box.minX, box.minY, box.maxX, box.maxY)
      .sort((a, b) => a - b)
      .map((i) => this.painted[i]!);
  }

  /** Paints everything in a rectangle of the screen (px). */
  paint(
    ctx: CanvasRenderingContext2D,
    view: Viewport,
    ratio: number,
    rect: { x: number; y: number; w: number; h: number },
    without: ReadonlySet<string>,
  ) {
    ctx.save();
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.beginPath();
    ctx.rect(rect.x, rect.y, rect.w, rect.h);
    ctx.clip();
    ctx.fillStyle = ink.paper;
    ctx.fillRect(rect.x, rect.y, rect.w, rect.h);
    const margin = 30;
    const [a, b] = [
      view.toLevel({ x: rect.x - margin, y: rect.y + rect.h + margin }),
      view.toLevel({ x: rect.x + rect.w + margin, y: rect.y - margin }),
    ];
    const things = this.within({ minX: a.x, minY: a.y, maxX: b.x, maxY: b.y }).filter(
      (p) => !without.has(p.item.id),
    );
    for (const thing of things)
      if (thing.form.flat) paintItem(ctx, view, ratio, thing, this.faint ? "faint" : "rest");
    this.paintShell(ctx, view, ratio);
    for (const thing of things)
      if (!thing.form.flat)
        paintItem(ctx, view, ratio, thing, this.faint || thing.item.setAside ? "faint" : "rest");
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    for (const thing of things) paintLabel(ctx, view, thing, this.faint ? ink.faint : ink.full);
    this.paintRooms(ctx, view);
    ctx.restore();
  }

  private paintShell(ctx: CanvasRenderingContext2D, view: Viewport, ratio: number) {
    const s = view.scale * ratio;
    ctx.setTransform(s, 0, 0, -s, view.x * ratio, view.y * ratio);
    const px = 1 / view.scale;
    const paths = this.shellPaths;
    ctx.lineJoin = "miter";
    if (paths.walls) {
      ctx.fillStyle = "#FFFFFF";
      ctx.fill(paths.walls, "evenodd");
      if (paths.hatch && view.scale > 0.012) {
        ctx.strokeStyle = ink.use;
        ctx.lineWidth = px;
        ctx.stroke(paths.hatch);
      }
      ctx.strokeStyle = ink.full;
      ctx.lineWidth = 1.6 * px;
      ctx.stroke(paths.walls);
    }
    ctx.strokeStyle = ink.full;
    ctx.lineWidth = px;
    for (const name of ["windows", "leaves"] as const)
      if (paths[name]) {
        ctx.fillStyle = "#FFFFFF";
        ctx.fill(paths[name]);
        ctx.stroke(paths[name]);
      }
    if (paths.swings) ctx.stroke(paths.swings);
    if (paths.columns) {
      ctx.fillStyle = ink.full;
      ctx.fill(paths.columns);
    }
    if (paths.keepClear) {
      ctx.strokeStyle = ink.soft;
      ctx.setLineDash([6 * px, 4 * px]);
      ctx.stroke(paths.keepClear);
      ctx.setLineDash([]);
    }
  }

  private paintRooms(ctx: CanvasRenderingContext2D, view: Viewport) {
    for (const room of this.shell?.rooms ?? []) {
      const at = view.toScreen(room.label as { x: number; y: number });
      const text = room.number ? `${room.number} ${room.name}` : room.name;
      ctx.font = '600 12px "Barlow Semi Condensed"';
      ctx.textAlign = "center";
      ctx.fillStyle = ink.soft;
      ctx.fillText(text, at.x, at.y);
    }
  }
}

/** One item: its symbol by its form's paths, or a plain box when it is too small to tell. */
export function paintItem(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  ratio: number,
  thing: Painted,
  mode: "rest" | "faint" | "picked",
) {
  const { item, form } = thing;
  const angle = (item.turn * Math.PI) / 180;
  const s = view.scale * ratio;
  const [sin, cos] = [Math.sin(angle) * s, Math.cos(angle) * s];
  ctx.setTransform(cos, -sin, -sin, -cos, view.x * ratio + item.x * s, view.y * ratio - item.y * s);
  const px = 1 / view.scale;
  const line = mode === "picked" ? ink.pencil : mode === "faint" ? ink.faint : ink.full;
  const fill = mode === "picked" ? "#EAF0FA" : form.flat ? ink.wash : "#FFFFFF";
  if (view.scale < 0.012) {
    const [minX, minY, maxX, maxY] = form.box as [number, number, number, number];
    ctx.fillStyle = fill;
    ctx.fillRect(minX, minY, maxX - minX, maxY - minY);
    ctx.strokeStyle = line;
    ctx.lineWidth = px * 0.8;
    ctx.strokeRect(minX, minY, maxX - minX, maxY - minY);
    return;
  }
  for (const { role, path } of pathsOf(form))
    switch (role) {
      case "Body":
      case "Seat":
        ctx.fillStyle = fill;
        ctx.fill(path, "evenodd");
        ctx.strokeStyle = line;
        ctx.lineWidth = (role === "Body" && !form.flat ? 1.2 : 0.9) * px;
        ctx.stroke(path);
        break;
      case "Back":
      case "Solid":
        ctx.fillStyle = line;
        ctx.fill(path);
        break;
      case "Front":
        ctx.fillStyle = mode === "picked" ? ink.pencil : ink.faint;
        ctx.fill(path);
        break;
      case "Use":
        ctx.strokeStyle = ink.use;
        ctx.lineWidth = px;
        ctx.setLineDash([4 * px, 3 * px]);
        ctx.stroke(path);
        ctx.setLineDash([]);
        break;
      default:
        ctx.strokeStyle = mode === "picked" ? ink.pencil : ink.faint;
        ctx.lineWidth = 0.8 * px;
        ctx.stroke(path);
    }
}

/** The label in the middle of an item and its count of seats, upright, when there is room for them. */
export function paintLabel(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  { item, form, view: facts }: Painted,
  colour: string,
) {
  if (!item.label) return;
  const wide = Math.min(facts.width, facts.depth) * view.scale;
  if (wide < 20) return;
  const at = view.toScreen(item);
  const two = form.seats > 0 && wide > 46 && facts.mostPlaces > 0;
  ctx.textAlign = "center";
  ctx.font = '600 13px "Barlow Semi Condensed"';
  const half = Math.max(ctx.measureText(item.label).width / 2 + 3, two ? 19 : 0);
  ctx.fillStyle = form.flat ? ink.wash : "#FFFFFF";
  ctx.fillRect(at.x - half, at.y - (two ? 13 : 8), half * 2, two ? 26 : 16);
  ctx.fillStyle = colour;
  ctx.fillText(item.label, at.x, at.y + (two ? -1 : 4.5));
  if (two) {
    ctx.font = '400 10px "Barlow Semi Condensed"';
    ctx.fillStyle = colour === ink.full ? ink.soft : colour;
    ctx.fillText(form.seats === 1 ? "1 seat" : `${form.seats} seats`, at.x, at.y + 10);
  }
}

/** Whether a point of the level lies on an item's body or one of its chairs. */
export function hits({ item, form }: Painted, p: { x: number; y: number }): boolean {
  const angle = (item.turn * Math.PI) / 180;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const [dx, dy] = [p.x - item.x, p.y - item.y];
  const own = { x: dx * cos + dy * sin, y: -dx * sin + dy * cos };
  return form.outlines.some((ring) => inside(ring as { x: number; y: number }[], own));
}

function inside(ring: { x: number; y: number }[], p: { x: number; y: number }) {
  let within = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [a, b] = [ring[i]!, ring[j]!];
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) within = !within;
  }
  return within;
}
