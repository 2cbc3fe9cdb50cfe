import Flatbush from "flatbush";
import type {
  Backing,
  FinishView,
  FormView,
  Item,
  ItemView,
  SettingOutLine,
  ShellView,
  ThingView,
} from "../app/api";
import { paintThings } from "../things/paintThings";
import { paintBacking, type BackingPictures } from "./backings";
import { paintLaid, paintPicture } from "./ownPictures";
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
  ok: "#2C6B4A",
  brass: "#E0A878",
};

/** A finish as it is painted, with the picture it is laid with. */
export interface LaidFinish {
  view: FinishView;
  picture?: string;
}

/** What lies beneath and around the things of a level. */
export interface Ground {
  /** The shell of another level, shown faint, and its things. */
  below: ShellView | null;
  belowThings: ThingView[];
  backings: Backing[];
  pictures: BackingPictures | null;
  lines: SettingOutLine[];
  /** The finishes of the level's floors and walls. */
  finishes: LaidFinish[];
  /** Step of the grid in mm; 0 for none. */
  grid: number;
  /** The shell is drawn back: it is locked outside its own stage. */
  locked: boolean;
}

export const bareGround: Ground = {
  below: null,
  belowThings: [],
  backings: [],
  pictures: null,
  lines: [],
  finishes: [],
  grid: 0,
  locked: false,
};

const pathNames = ["walls", "hatch", "windows", "leaves", "swings", "boundaries", "overhead"] as const;
type Paths2D = Partial<Record<(typeof pathNames)[number], Path2D>>;

const shellCache = new WeakMap<ShellView, Paths2D>();

function shellPathsOf(shell: ShellView): Paths2D {
  let paths = shellCache.get(shell);
  if (!paths) {
    paths = {};
    for (const name of pathNames) if (shell[name]) paths[name] = new Path2D(shell[name]);
    shellCache.set(shell, paths);
  }
  return paths;
}

/** What an item looks like, ready to paint: its placement and its form. */
export interface Painted {
  item: Item;
  view: ItemView;
  form: FormView;
  box: Box;
  /** The picture of an own item, drawn in its outline. */
  picture?: string;
}

interface Paths {
  role: string;
  path: Path2D;
  fine: boolean;
  text?: { text: string; at: { x: number; y: number }; size: number; rotation: number };
}

/** Pixels for a mm from which fine parts of symbols are painted: about 1:50 on a usual screen. */
const finestScale = 0.06;

const pathCache = new WeakMap<FormView, Paths[]>();

function pathsOf(form: FormView): Paths[] {
  let paths = pathCache.get(form);
  if (!paths) {
    paths = form.symbol.map((part) => ({
      role: part.role,
      path: new Path2D(part.path),
      fine: part.fine,
      text: (part.text as Paths["text"]) ?? undefined,
    }));
    pathCache.set(form, paths);
  }
  return paths;
}

/** The box of a placed form on the level, in mm. */
export function boxOf(item: Item, form: FormView): Box {
  const [minX, minY, maxX, maxY] = form.box as [number, number, number, number];
  const angle = (item.rotation * Math.PI) / 180;
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

  constructor(
    readonly painted: Painted[],
    readonly shell: ShellView | null,
    readonly faint: boolean,
    readonly ground: Ground = bareGround,
    readonly things: ThingView[] = [],
  ) {
    this.index = painted.length ? new Flatbush(painted.length) : null;
    for (const { box } of painted) this.index!.add(box.minX, box.minY, box.maxX, box.maxY);
    this.index?.finish();
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
    const { ground } = this;
    if (ground.pictures)
      for (const backing of ground.backings) paintBacking(ctx, view, ratio, rect, backing, ground.pictures);
    paintFloors(ctx, view, ratio, ground.finishes);
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    paintGrid(ctx, view, rect, ground.grid);
    if (ground.below) {
      this.paintShell(ctx, view, ratio, ground.below, "faint");
      paintThings(ctx, view, ratio, ground.belowThings, ink.faint);
    }
    const tinted = this.things.filter((t) => t.parts.some((part) => part.role === "Tinted"));
    paintThings(ctx, view, ratio, tinted, ink.full);
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
    if (this.shell) this.paintShell(ctx, view, ratio, this.shell, ground.locked ? "locked" : "full");
    paintThings(
      ctx,
      view,
      ratio,
      this.things.filter((t) => !t.schemeId),
      ground.locked ? ink.soft : ink.full,
    );
    paintSettingOut(ctx, view, ratio, rect, ground.lines);
    for (const thing of things)
      if (!thing.form.flat)
        paintItem(ctx, view, ratio, thing, this.faint || thing.item.setAside ? "faint" : "rest");
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    paintThings(
      ctx,
      view,
      ratio,
      this.things.filter((t) => t.schemeId && !tinted.includes(t)),
      this.faint ? ink.faint : ink.full,
    );
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    for (const thing of things) paintLabel(ctx, view, thing, this.faint ? ink.faint : ink.full);
    this.paintRooms(ctx, view);
    ctx.restore();
  }

  private paintShell(
    ctx: CanvasRenderingContext2D,
    view: Viewport,
    ratio: number,
    shell: ShellView,
    mode: "full" | "locked" | "faint",
  ) {
    const s = view.scale * ratio;
    ctx.setTransform(s, 0, 0, -s, view.x * ratio, view.y * ratio);
    const px = 1 / view.scale;
    const paths = shellPathsOf(shell);
    const line = mode === "full" ? ink.full : mode === "locked" ? ink.soft : ink.faint;
    ctx.lineJoin = "miter";
    const stroke = (name: (typeof pathNames)[number], width: number, colour = line, dash: number[] = []) => {
      if (!paths[name]) return;
      ctx.strokeStyle = colour;
      ctx.lineWidth = width * px;
      ctx.setLineDash(dash.map((d) => d * px));
      ctx.stroke(paths[name]);
      ctx.setLineDash([]);
    };
    if (mode === "faint") {
      stroke("walls", 0.8);
      return;
    }
    if (paths.walls) {
      ctx.fillStyle = "#FFFFFF";
      ctx.fill(paths.walls, "evenodd");
      if (shell === this.shell)
        for (const { view: finish } of this.ground.finishes)
          if (finish.onWall) {
            ctx.fillStyle = finish.tint;
            ctx.fill(finishPathsOf(finish).fill, "evenodd");
          }
      if (view.scale > 0.012) stroke("hatch", 1, ink.use);
      stroke("walls", mode === "locked" ? 1.2 : 1.6);
    }
    stroke("overhead", 0.8, ink.soft, [5, 4]);
    for (const name of ["windows", "leaves"] as const)
      if (paths[name]) {
        ctx.fillStyle = "#FFFFFF";
        ctx.fill(paths[name]);
        stroke(name, 1);
      }
    stroke("swings", 1);
    stroke("boundaries", 1.2, ink.soft, [9, 3, 2, 3]);
  }

  private paintRooms(ctx: CanvasRenderingContext2D, view: Viewport) {
    for (const room of this.shell?.rooms ?? []) {
      const at = view.toScreen(room.label as { x: number; y: number });
      const text = room.number ? `${room.number} ${room.name}` : room.name;
      ctx.font = '600 12px "Barlow Semi Condensed"';
      ctx.textAlign = "center";
      // Read on whatever the floor is laid with.
      ctx.lineJoin = "round";
      ctx.lineWidth = 3;
      ctx.strokeStyle = "rgba(251,250,245,.82)";
      ctx.strokeText(text, at.x, at.y);
      ctx.fillStyle = room.named ? ink.soft : ink.faint;
      ctx.fillText(text, at.x, at.y);
    }
  }
}

function paintGrid(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  rect: { x: number; y: number; w: number; h: number },
  step: number,
) {
  if (step * view.scale < 6) return;
  const [a, b] = [
    view.toLevel({ x: rect.x, y: rect.y + rect.h }),
    view.toLevel({ x: rect.x + rect.w, y: rect.y }),
  ];
  ctx.beginPath();
  for (let x = Math.ceil(a.x / step) * step; x <= b.x; x += step) {
    const at = view.toScreen({ x, y: 0 }).x;
    ctx.moveTo(at, rect.y);
    ctx.lineTo(at, rect.y + rect.h);
  }
  for (let y = Math.ceil(a.y / step) * step; y <= b.y; y += step) {
    const at = view.toScreen({ x: 0, y }).y;
    ctx.moveTo(rect.x, at);
    ctx.lineTo(rect.x + rect.w, at);
  }
  ctx.strokeStyle = "rgba(92,105,101,.18)";
  ctx.lineWidth = 1;
  ctx.stroke();
}

const finishPaths = new WeakMap<FinishView, { fill: Path2D; joints: Path2D | null }>();

function finishPathsOf(finish: FinishView) {
  let paths = finishPaths.get(finish);
  if (!paths) {
    paths = { fill: new Path2D(finish.fill), joints: finish.joints ? new Path2D(finish.joints) : null };
    finishPaths.set(finish, paths);
  }
  return paths;
}

/** Pixels for a mm from which the joints of floors are painted: about 1:150 on a usual screen. */
const jointScale = 0.02;

function paintFloors(ctx: CanvasRenderingContext2D, view: Viewport, ratio: number, finishes: LaidFinish[]) {
  const s = view.scale * ratio;
  ctx.setTransform(s, 0, 0, -s, view.x * ratio, view.y * ratio);
  for (const { view: finish, picture } of finishes) {
    if (finish.onWall) continue;
    const paths = finishPathsOf(finish);
    if (finish.laid && picture)
      paintLaid(ctx, paths.fill, finish.laid, picture, parseInt(finish.tint.slice(7) || "FF", 16) / 255);
    else {
      ctx.fillStyle = finish.tint;
      ctx.fill(paths.fill, "evenodd");
    }
    if (!paths.joints || view.scale < jointScale) continue;
    ctx.strokeStyle = "rgba(33,48,45,.28)";
    ctx.lineWidth = 0.7 / view.scale;
    ctx.stroke(paths.joints);
  }
}

/** Setting-out lines run from edge to edge of what is painted. */
function paintSettingOut(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  ratio: number,
  rect: { x: number; y: number; w: number; h: number },
  lines: SettingOutLine[],
) {
  if (!lines.length) return;
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
  ctx.strokeStyle = "rgba(47,93,74,.55)";
  ctx.lineWidth = 1;
  ctx.setLineDash([12, 4, 2, 4]);
  const reach = 1e6;
  for (const line of lines) {
    const angle = (line.angle * Math.PI) / 180;
    const [dx, dy] = [Math.cos(angle) * reach, Math.sin(angle) * reach];
    const [a, b] = [
      view.toScreen({ x: line.x - dx, y: line.y - dy }),
      view.toScreen({ x: line.x + dx, y: line.y + dy }),
    ];
    const clipped = clip(a, b, rect);
    if (!clipped) continue;
    ctx.beginPath();
    ctx.moveTo(clipped[0].x, clipped[0].y);
    ctx.lineTo(clipped[1].x, clipped[1].y);
    ctx.stroke();
  }
  ctx.setLineDash([]);
}

/** The part of a line from a to b within a rectangle and a margin; null when there is none (Liang and Barsky). */
function clip(
  a: { x: number; y: number },
  b: { x: number; y: number },
  rect: { x: number; y: number; w: number; h: number },
) {
  let [from, to] = [0, 1];
  const margin = 20;
  for (const [p, q] of [
    [a.x - b.x, a.x - rect.x + margin],
    [b.x - a.x, rect.x + rect.w + margin - a.x],
    [a.y - b.y, a.y - rect.y + margin],
    [b.y - a.y, rect.y + rect.h + margin - a.y],
  ] as const) {
    if (p === 0 && q < 0) return null;
    if (p < 0) from = Math.max(from, q / p);
    if (p > 0) to = Math.min(to, q / p);
  }
  const at = (t: number) => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
  return from < to ? ([at(from), at(to)] as const) : null;
}

/** One item: its symbol by its form's paths, or a plain box when it is too small to tell. */
export function paintItem(
  ctx: CanvasRenderingContext2D,
  view: Viewport,
  ratio: number,
  thing: Painted,
  mode: "rest" | "faint" | "selected",
) {
  const { item, form } = thing;
  const angle = (item.rotation * Math.PI) / 180;
  const s = view.scale * ratio;
  const [sin, cos] = [Math.sin(angle) * s, Math.cos(angle) * s];
  ctx.setTransform(cos, -sin, -sin, -cos, view.x * ratio + item.x * s, view.y * ratio - item.y * s);
  const px = 1 / view.scale;
  const line = mode === "selected" ? ink.pencil : mode === "faint" ? ink.faint : ink.full;
  const tint = mode === "faint" ? undefined : thing.view.tint;
  const fill = mode === "selected" ? "#EAF0FA" : (tint ?? (form.flat ? ink.wash : "#FFFFFF"));
  if (view.scale < 0.012) {
    const [minX, minY, maxX, maxY] = form.box as [number, number, number, number];
    ctx.fillStyle = fill;
    ctx.fillRect(minX, minY, maxX - minX, maxY - minY);
    ctx.strokeStyle = line;
    ctx.lineWidth = px * 0.8;
    ctx.strokeRect(minX, minY, maxX - minX, maxY - minY);
    return;
  }
  for (const { role, path, fine, text } of pathsOf(form)) {
    if (fine && view.scale < finestScale) continue;
    switch (role) {
      case "Body":
      case "Seat":
        if (role === "Body" && form.picture && thing.picture)
          paintPicture(ctx, form.picture, thing.picture, mode === "faint" ? 0.25 : 1);
        else {
          ctx.fillStyle = fill;
          ctx.fill(path, "evenodd");
        }
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
        ctx.fillStyle = mode === "selected" ? ink.pencil : ink.faint;
        ctx.fill(path);
        break;
      case "Use":
        ctx.strokeStyle = ink.use;
        ctx.lineWidth = px;
        ctx.setLineDash([4 * px, 3 * px]);
        ctx.stroke(path);
        ctx.setLineDash([]);
        break;
      case "Line":
      case "Dash":
        ctx.strokeStyle = line;
        ctx.lineWidth = px;
        ctx.setLineDash(role === "Dash" ? [6 * px, 4 * px] : []);
        ctx.stroke(path);
        ctx.setLineDash([]);
        break;
      case "Text":
        if (text && text.size * view.scale >= 5) paintLetters(ctx, text, line);
        break;
      default:
        ctx.strokeStyle = mode === "selected" ? ink.pencil : ink.faint;
        ctx.lineWidth = 0.8 * px;
        ctx.stroke(path);
    }
  }
}

/** Letters of a symbol, in its own frame (mm, y up). */
function paintLetters(ctx: CanvasRenderingContext2D, letters: NonNullable<Paths["text"]>, line: string) {
  ctx.save();
  ctx.translate(letters.at.x, letters.at.y);
  ctx.rotate((letters.rotation * Math.PI) / 180);
  ctx.scale(1, -1);
  ctx.font = `400 ${letters.size}px "Barlow Semi Condensed"`;
  ctx.textAlign = "center";
  ctx.fillStyle = line;
  ctx.fillText(letters.text, 0, letters.size * 0.35);
  ctx.restore();
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
  const two = form.seats > 0 && wide > 46 && facts.mostSeats > 0;
  ctx.textAlign = "center";
  ctx.font = '600 13px "Barlow Semi Condensed"';
  const half = Math.max(ctx.measureText(item.label).width / 2 + 3, two ? 19 : 0);
  ctx.fillStyle = facts.tint?.slice(0, 7) ?? (form.flat ? ink.wash : "#FFFFFF");
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
  const angle = (item.rotation * Math.PI) / 180;
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
