import type { Boundary, Edit, Opening, Wall } from "../../app/api";
import type { ShellHit } from "../shellHits";
import { moveOf } from "../shellMoves";
import type { Point } from "../viewport";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

type Dragged =
  | { kind: "whole" | "opening"; id: string }
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
    if (dragged.kind === "whole") return moveOf(plan, dragged.id, dx, dy);
    if (dragged.kind !== "end")
      return {
        do: "seat-opening",
        opening: entity as Opening,
        levelId: plan.levelId,
        at: to,
        reach: 600,
        sure: true,
      };
    const { start, end } = entity as Wall | Boundary;
    const { id, atStart } = dragged;
    const from = (atStart ? start : end) as Point;
    return {
      do: entity.type === "wall" ? "move-wall-end" : "move-boundary-end",
      id,
      atStart,
      to: { x: from.x + dx, y: from.y + dy },
    };
  }
}

/** What a hand takes hold of: a wall or a boundary by its middle or an end, of things all that are selected with it. */
function takenBy({ plan, view }: Table, hit: ShellHit, start: Point): Dragged {
  if (hit.kind === "wall" || hit.kind === "boundary") {
    const line = plan.entities.get(hit.id) as Wall | Boundary;
    const thickness = line.type === "wall" ? line.thickness : 0;
    const near = (p: Point) => Math.hypot(p.x - start.x, p.y - start.y) < 14 / view().scale + thickness / 2;
    const [atStart, atEnd] = [near(line.start as Point), near(line.end as Point)];
    return atStart || atEnd ? { kind: "end", id: hit.id, atStart } : { kind: "whole", id: hit.id };
  }
  if (hit.kind === "thing") {
    const ids = [...plan.selected].filter((id) => plan.things.some((f) => f.id === id && !f.locked));
    return { kind: "thing", ids: ids.length ? ids : [hit.id] };
  }
  return { kind: hit.kind === "opening" ? "opening" : "whole", id: hit.id };
}
