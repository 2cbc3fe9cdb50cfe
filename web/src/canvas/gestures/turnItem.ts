import type { Item } from "../../app/api";
import type { Painted } from "../painter";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

/** Turns one item by the grip on its front: by steps of 15 degrees, or freely. */
export class TurnItem implements Gesture {
  readonly kind = "turn";

  private constructor(
    private readonly table: Table,
    private readonly item: Item,
    private readonly base: number,
    readonly holds: ReadonlySet<string>,
    private readonly rotation: number,
  ) {}

  static begin(table: Table, item: Item): TurnItem {
    const holds = new Set([item.id]);
    table.plan.inHand = holds;
    return new TurnItem(table, item, table.plan.view!.revision, holds, item.rotation);
  }

  move({ at, free }: Hand) {
    const centre = this.table.view().toScreen(this.item);
    const pointed = (Math.atan2(-(at.y - centre.y), at.x - centre.x) * 180) / Math.PI + 90;
    const step = free ? 1 : 15;
    const rotation = (((Math.round(pointed / step) * step) % 360) + 360) % 360;
    const next = new TurnItem(this.table, this.item, this.base, this.holds, rotation);
    this.table.plan.ask(next.edit());
    return next;
  }

  private edit() {
    const { id, x, y } = this.item;
    return { do: "put-item-at" as const, id, x, y, rotation: this.rotation };
  }

  up() {
    // What somebody else has done to it since it was taken is not turned away.
    const { plan } = this.table;
    if (this.rotation === this.item.rotation) return this.cancel();
    plan.inHand = nothing;
    plan.showUntil(plan.do(this.edit(), this.base, [{ ...this.item, rotation: this.rotation }]));
  }

  cancel() {
    this.table.plan.inHand = nothing;
    this.table.plan.stopAsking();
  }

  shown(thing: Painted): Painted {
    return { ...thing, item: { ...thing.item, rotation: this.rotation } };
  }
}
