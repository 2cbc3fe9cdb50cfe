import type { Backing, Edit, Opening, SettingOutLine, Wall } from "../../app/api";
import type { ShellHit } from "../shellHits";
import type { Point } from "../viewport";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

type Dragged =
  | { kind: "wall" | "opening" | "line" | "backing"; id: string }
  | { kind: "end"; id: string; atStart: boolean }
  | { kind: "thing"; ids: string[] };

/** Drags something of the shell, or a zone or mark. What others have changed of it since it was taken refuses the drop. */
export class DragShell implements Gesture {
  readonly kind = "shell";
  readonly holds = nothing;

  private constructor(
    private readonly table: Table,
    readonly dragged: Dragged,
    private readonly start: Point,
    private readonly base: number,
    private readonly to: Point,
  ) {}

  static begin(table: Table, hit: ShellHit, at: Point, base: number): DragShell {
    const start = table.view().toLevel(at);
    const dragged = takenBy(table, hit, start);
    table.plan.inHand = new Set(dragged.kind === "thing" ? dragged.ids : [dragged.id]);
    return new DragShell(table, dragged, start, base, start);
  }

  move({ at }: Hand) {
    const next = new DragShell(
      this.table,
      this.dragged,
      this.start,
      this.base,
      this.table.view().toLevel(at),
    );
    const edit = next.edit();
    if (edit) this.table.plan.ask(edit);
    return next;
  }

  up() {
    const edit = this.edit();
    const { plan } = this.table;
    plan.inHand = nothing;
    if (edit) plan.showUntil(plan.do(edit, this.base));
    else plan.stopAsking();
  }

  cancel() {
    this.table.plan.inHand = nothing;
    this.table.plan.stopAsking();
  }

  private edit(): Edit | null {
    const { dragged, to } = this;
    const { plan } = this.table;
    const [dx, dy] = [to.x - this.start.x, to.y - this.start.y];
    if (dragged.kind === "thing") return { do: "move-things", ids: dragged.ids, dx, dy };
    const entity = plan.entities.get(dragged.id);
    if (!entity) return null;
    switch (dragged.kind) {
      case "wall":
        return { do: "move-wall", id: dragged.id, dx, dy };
      case "end": {
        const wall = entity as Wall;
        const from = (dragged.atStart ? wall.start : wall.end) as Point;
        return {
          do: "move-wall-end",
          id: dragged.id,
          atStart: dragged.atStart,
          to: { x: from.x + dx, y: from.y + dy },
        };
      }
      case "opening": {
        const opening = entity as Opening;
        return { do: "seat-opening", opening, levelId: plan.levelId, at: to, reach: 600, sure: true };
      }
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
}

/** What a hand takes hold of: a wall by its middle or an end, of things all that are selected with it. */
function takenBy({ plan, view }: Table, hit: ShellHit, start: Point): Dragged {
  if (hit.kind === "wall") {
    const wall = plan.entities.get(hit.id) as Wall;
    const near = (p: Point) =>
      Math.hypot(p.x - start.x, p.y - start.y) < 14 / view().scale + wall.thickness / 2;
    const [atStart, atEnd] = [near(wall.start as Point), near(wall.end as Point)];
    return atStart || atEnd ? { kind: "end", id: hit.id, atStart } : { kind: "wall", id: hit.id };
  }
  if (hit.kind === "thing") {
    const ids = [...plan.selected].filter((id) => plan.things.some((f) => f.id === id && !f.locked));
    return { kind: "thing", ids: ids.length ? ids : [hit.id] };
  }
  return { kind: hit.kind as "opening" | "line" | "backing", id: hit.id };
}
