import { hits as isHit } from "../painter";
import { looseAt, shellAt, type ShellHit } from "../shellHits";
import { shellThings } from "../shellThings";
import type { Point } from "../viewport";
import { Band } from "./band";
import { DragShell } from "./dragShell";
import { apart, nothing, type Gesture, type Hand, type Table } from "./gesture";
import { MoveItems } from "./moveItems";

/** Something beneath a press. */
type Hit = ShellHit | { kind: "item"; id: string };

/** What lies beneath a place of the screen, uppermost first: of the shell in its stage, else items, and zones and marks. */
function beneath({ plan, view, picture }: Table, at: Point): Hit[] {
  const p = view().toLevel(at);
  if (plan.stage === "shell")
    return plan.shell ? shellAt(p, 4 / view().scale, plan.shell, shellThings(plan)) : [];
  const reach = 3 / view().scale;
  const items = picture()
    .within({ minX: p.x - reach, minY: p.y - reach, maxX: p.x + reach, maxY: p.y + reach })
    .filter((thing) => isHit(thing, p))
    .sort((a, b) => Number(a.form.flat) - Number(b.form.flat))
    .map(({ item }): Hit => ({ kind: "item", id: item.id }));
  return items.length || plan.stage !== "furnish"
    ? items
    : looseAt(p, 4 / view().scale, shellThings(plan).standing, (id) => plan.outlinesOf(id));
}

/** A press that may yet become a drag; let go at once it selects what is on top, in the same place again what lies beneath. */
export class Press implements Gesture {
  readonly kind = "press";
  readonly holds = nothing;
  private readonly hits: Hit[];
  private readonly base: number;

  constructor(
    private readonly table: Table,
    private readonly start: Point,
    private readonly more: boolean,
  ) {
    this.hits = beneath(table, start);
    this.base = table.plan.view?.revision ?? 0;
  }

  move(hand: Hand): Gesture {
    return apart(hand.at, this.start) > 4 ? this.drag().move(hand) : this;
  }

  private drag(): Gesture {
    const { plan } = this.table;
    const top = this.hits.find((hit) => plan.selected.has(hit.id)) ?? this.hits[0];
    const band = new Band(this.table, this.start, this.more);
    if (!top || !plan.canEdit) return band;
    if (top.kind === "item" && plan.stage !== "furnish") return band;
    if (!plan.selected.has(top.id)) plan.select(plan.groups.around(top.id), this.more && top.kind === "item");
    if (top.kind !== "item") return DragShell.begin(this.table, top, this.start, this.base);
    const moving = MoveItems.begin(this.table, this.start, top.id);
    if (!moving) plan.notice = "This is locked; unlock it first.";
    return moving ?? band;
  }

  up(hand: Hand) {
    const { plan } = this.table;
    // What belongs together is one thing to press.
    const ids = [...new Set(this.hits.map((hit) => plan.groups.standsFor(hit.id)))];
    // Who presses beside what is opened is done with it.
    if (plan.groups.opened && !this.hits.some((hit) => plan.groups.isInside(hit.id))) plan.groups.opened = "";
    if (!ids.length) {
      this.table.cycle = null;
      if (!hand.more) plan.select([]);
    } else if (hand.more) {
      const pressed = plan.groups.itemsOf(ids[0]!);
      const has = pressed.every((id) => plan.selected.has(id));
      for (const id of pressed)
        if (has) plan.selected.delete(id);
        else plan.selected.add(id);
      void plan.renewNear();
    } else {
      const last = this.table.cycle;
      const again = last?.key === ids.join() && apart(last.at, this.start) < 4;
      const index = again ? (last.index + 1) % ids.length : 0;
      this.table.cycle = { at: this.start, key: ids.join(), index };
      plan.select(plan.groups.itemsOf(ids[index]!));
    }
  }
  cancel() {}
}
