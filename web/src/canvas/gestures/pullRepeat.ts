import type { Item } from "../../app/api";
import type { Painted } from "../painter";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Draws a repeat out by its last member: the spacings follow, in a ring the radius. */
export class PullRepeat implements Gesture {
  readonly kind = "pull";

  private constructor(
    private readonly table: Table,
    private readonly id: string,
    readonly holds: ReadonlySet<string>,
    private readonly at: Hand["at"] | null,
  ) {}

  static begin(table: Table, id: string): PullRepeat {
    const holds = new Set(table.plan.groups.items(id));
    table.plan.inHand = holds;
    return new PullRepeat(table, id, holds, null);
  }

  move({ at }: Hand) {
    const next = new PullRepeat(this.table, this.id, this.holds, at);
    this.table.plan.ask(next.edit());
    return next;
  }

  private edit() {
    return { do: "pull-repeat" as const, id: this.id, to: this.table.view().toLevel(this.at!) };
  }

  up() {
    if (!this.at) return this.cancel();
    this.table.plan.inHand = nothing;
    this.table.plan.showUntil(this.table.plan.do(this.edit()));
  }

  cancel() {
    this.table.plan.inHand = nothing;
    this.table.plan.stopAsking();
  }

  shown(thing: Painted): Painted {
    const moved = this.table.plan.asMoved(thing.item.id);
    return moved ? { ...thing, item: moved as Item } : thing;
  }
}
