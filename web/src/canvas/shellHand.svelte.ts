import type { Aim, Backing, Boundary, Edit, Opening, SettingOutLine, Wall } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";
import { questionOf, takePoint } from "./chain";
import { looseAt, shellAt, type ShellHit } from "./shellHits";
import { tools } from "./tools.svelte";
import type { Point, Viewport } from "./viewport";

type Drag =
  | { kind: "wall"; id: string; start: Point }
  | { kind: "end"; id: string; atStart: boolean; start: Point }
  | { kind: "opening"; id: string; start: Point }
  | { kind: "thing"; ids: string[]; start: Point }
  | { kind: "line" | "backing"; id: string; start: Point };

/** The hand on the shell: drawing with catches, selecting walls, openings and fixed things, and dragging them. */
export class ShellHand {
  drag = $state.raw<Drag | null>(null);
  private press: { at: Point; hits: ShellHit[]; add: boolean } | null = null;
  private cycle: { at: Point; key: string; index: number } | null = null;

  constructor(
    private readonly plan: OpenPlan,
    private readonly view: () => Viewport,
  ) {}

  /** The shell's things as they are now, or as they would be while a hand moves them. */
  get things() {
    const live = <T extends { id: string }>(all: T[]) =>
      this.drag && this.plan.probe
        ? all.map((e) => (this.plan.probe!.moved.find((m) => m.id === e.id) as unknown as T) ?? e)
        : all;
    return {
      standing: live(this.plan.things),
      openings: live(this.plan.openings as Opening[]),
      boundaries: this.plan.here("boundary") as (Boundary & { start: Point; end: Point })[],
      lines: live(this.plan.here("setting-out-line") as SettingOutLine[]),
      backings: live(this.plan.here("backing") as Backing[]),
    };
  }

  private get reach() {
    return 9 / this.view().scale;
  }

  /** Follows the pointer while something is drawn. */
  follow(at: Point, free: boolean) {
    const p = this.view().toLevel(at);
    const { tool } = tools;
    const reach = free ? 0 : Math.min(400, this.reach);
    const take = (aim: Aim) => {
      if (tools.tool.kind === tool.kind) tools.aim = aim;
    };
    if (tool.kind === "chain") this.plan.aim(questionOf(this.plan, tool.chain, p, reach), take);
    else if (tool.kind === "points" && !tool.asked.caught)
      tools.aim = { at: p, caught: "", length: 0, heading: 0, guides: [] };
    else if (tool.kind === "points" || tool.kind === "thing")
      this.plan.aim({ levelId: this.plan.levelId, at: p, catch: reach, from: undefined }, take);
    else if (tool.kind === "opening") this.plan.ask(this.seat(p, "probe-opening", 400));
  }

  /** A press while something is drawn; false when nothing is. */
  async take(at: Point, free: boolean): Promise<boolean> {
    const { tool } = tools;
    const p = this.view().toLevel(at);
    const reach = free ? 0 : Math.min(400, this.reach);
    if (tool.kind === "chain") {
      const aim = await this.plan.aimNow(questionOf(this.plan, tool.chain, p, reach));
      if (aim) await takePoint(this.plan, aim, false);
      return true;
    }
    if (tool.kind === "points") {
      const aim = tool.asked.caught
        ? await this.plan.aimNow({ levelId: this.plan.levelId, at: p, catch: reach })
        : { at: p };
      if (!aim || tools.tool !== tool) return true;
      const points = [...tool.asked.points, aim.at];
      if (points.length < tool.asked.count) tools.tool = { kind: "points", asked: { ...tool.asked, points } };
      else {
        tools.rest();
        tool.asked.done(points);
      }
      return true;
    }
    if (tool.kind === "thing") {
      const aim = await this.plan.aimNow({ levelId: this.plan.levelId, at: p, catch: reach });
      if (!aim) return true;
      const thing = { ...tool.thing, id: this.plan.newId("thing"), ...aim.at };
      if (await this.plan.do({ do: "put-thing", thing } as unknown as Edit)) {
        tools.rest();
        this.plan.select([thing.id]);
      }
      return true;
    }
    return false;
  }

  /** The edit that seats the chosen opening at a place. */
  seat(p: Point, id: string, reach: number): Edit {
    const choice = (tools.tool as Extract<typeof tools.tool, { kind: "opening" }>).opening;
    const size = this.plan.catalogue!.openings.find((o) => o.kind === choice.kind)!;
    return {
      do: "seat-opening",
      opening: {
        id,
        wallId: "",
        along: 0,
        ...choice,
        clearWidth: 0,
        height: size.height,
        sill: size.sill,
        hingeAtEnd: false,
        swingsRight: false,
      },
      levelId: this.plan.levelId,
      at: p,
      reach,
      sure: false,
    } as Edit;
  }

  /** A press on the shell in its own stage. */
  down(at: Point, add: boolean) {
    const shell = this.plan.shell;
    const p = this.view().toLevel(at);
    const reach = 4 / this.view().scale;
    const hits =
      this.plan.stage === "furnish"
        ? looseAt(p, reach, this.things.standing)
        : shell
          ? shellAt(p, reach, shell, this.things)
          : [];
    this.press = { at, hits, add };
    return hits.length > 0;
  }

  /** Begins a drag once the pointer has moved away from where it pressed. */
  begin(at: Point): boolean {
    const press = this.press;
    if (!press || Math.hypot(at.x - press.at.x, at.y - press.at.y) <= 4) return false;
    const top = press.hits.find((hit) => this.plan.selected.has(hit.id)) ?? press.hits[0];
    if (!top || top.kind === "boundary" || !this.plan.canEdit) return false;
    if (!this.plan.selected.has(top.id)) this.plan.select([top.id]);
    const start = this.view().toLevel(press.at);
    if (top.kind === "wall") {
      const wall = this.plan.entities.get(top.id) as Wall;
      const near = (p: Point) =>
        Math.hypot(p.x - start.x, p.y - start.y) < 14 / this.view().scale + wall.thickness / 2;
      const [atStart, atEnd] = [near(wall.start as Point), near(wall.end as Point)];
      this.drag =
        atStart || atEnd ? { kind: "end", id: top.id, atStart, start } : { kind: "wall", id: top.id, start };
    } else if (top.kind === "thing") {
      const ids = [...this.plan.selected].filter((id) =>
        this.plan.things.some((f) => f.id === id && !f.locked),
      );
      this.drag = { kind: "thing", ids: ids.length ? ids : [top.id], start };
    } else this.drag = { kind: top.kind, id: top.id, start } as Drag;
    return true;
  }

  move(at: Point) {
    const edit = this.edit(this.view().toLevel(at));
    if (edit) this.plan.ask(edit);
  }

  private edit(p: Point): Edit | null {
    const drag = this.drag;
    if (!drag) return null;
    const [dx, dy] = [p.x - drag.start.x, p.y - drag.start.y];
    const entity = "id" in drag ? this.plan.entities.get(drag.id) : null;
    switch (drag.kind) {
      case "wall":
        return { do: "move-wall", id: drag.id, dx, dy };
      case "end": {
        const wall = entity as Wall;
        const from = (drag.atStart ? wall.start : wall.end) as Point;
        return {
          do: "move-wall-end",
          id: drag.id,
          atStart: drag.atStart,
          to: { x: from.x + dx, y: from.y + dy },
        };
      }
      case "opening":
        return {
          do: "seat-opening",
          opening: entity as Opening,
          levelId: this.plan.levelId,
          at: p,
          reach: 600,
          sure: true,
        };
      case "thing":
        return { do: "move-things", ids: drag.ids, dx, dy };
      case "line": {
        const line = entity as SettingOutLine;
        return { do: "set-out", line: { ...line, x: line.x + dx, y: line.y + dy } };
      }
      case "backing": {
        const backing = entity as Backing;
        return { do: "put-backing", backing: { ...backing, x: backing.x + dx, y: backing.y + dy } };
      }
    }
  }

  /** Lets go: does what was dragged, or selects what was pressed. */
  async up(at: Point) {
    const press = this.press;
    this.press = null;
    if (this.drag) {
      const edit = this.edit(this.view().toLevel(at));
      if (edit) await this.plan.do(edit);
      this.drag = null;
      this.plan.stopAsking();
      return;
    }
    if (!press) return;
    const ids = press.hits.map((hit) => hit.id);
    if (!ids.length) {
      this.cycle = null;
      if (!press.add) this.plan.select([]);
      return;
    }
    if (press.add) {
      if (this.plan.selected.has(ids[0]!)) this.plan.selected.delete(ids[0]!);
      else this.plan.selected.add(ids[0]!);
      return;
    }
    // In the same place again: what lies beneath.
    const same =
      this.cycle?.key === ids.join() && Math.hypot(this.cycle.at.x - at.x, this.cycle.at.y - at.y) < 4;
    this.cycle = { at, key: ids.join(), index: same ? (this.cycle!.index + 1) % ids.length : 0 };
    this.plan.select([ids[this.cycle.index]!]);
  }

  cancel() {
    this.press = null;
    this.drag = null;
    this.plan.stopAsking();
  }
}
