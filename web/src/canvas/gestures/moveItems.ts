import type { Edit, Item } from "../../app/api";
import { noneHeld } from "../../plan/held";
import { paintItem, type Painted } from "../painter";
import { inFrame } from "../frames";
import type { Point } from "../viewport";
import { nothing, type Gesture, type Hand, type Table } from "./gesture";

/**
 * Moves items with the hand. What counts is where the held one is to be, not how far it went: when somebody else moves it
 * meanwhile, it still lands where the hand lets go.
 */
export class MoveItems implements Gesture {
  readonly kind = "move";

  /** @param before The items as they were when the hand took them. */
  private constructor(
    private readonly table: Table,
    private readonly start: Point,
    private readonly held: string,
    private readonly before: ReadonlyMap<string, Item>,
    readonly holds: ReadonlySet<string>,
    private readonly to: Point,
  ) {}

  /** Takes hold of one item and all that are selected with it; null when they are locked. */
  static begin(table: Table, start: Point, held: string): MoveItems | null {
    const items = table.plan.selectedItems.filter((item) => !item.locked);
    const first = items.find((item) => item.id === held) ?? items[0];
    if (!first) return null;
    const before = new Map(items.map((item) => [item.id, item]));
    const holds = new Set(before.keys());
    table.plan.inHand = holds;
    return new MoveItems(table, start, first.id, before, holds, first);
  }

  move(hand: Hand) {
    const { x, y } = this.before.get(this.held)!;
    const scale = this.table.view().scale;
    const to = { x: x + (hand.at.x - this.start.x) / scale, y: y - (hand.at.y - this.start.y) / scale };
    const next = new MoveItems(this.table, this.start, this.held, this.before, this.holds, to);
    const [dx, dy] = [to.x - x, to.y - y];
    this.table.plan.heldAway = {
      before: this.before,
      to: (from) => ({ ...from, x: from.x + dx, y: from.y + dy }),
    };
    // Somebody may have removed it meanwhile; then letting go says so.
    if (this.table.plan.entities.has(this.held)) this.table.plan.ask(next.edit(hand.free));
    return next;
  }

  /** How far the held one is from where it is to be, by what is known of it now. */
  private get way() {
    const now = this.table.plan.entities.get(this.held) as Item;
    return { dx: this.to.x - now.x, dy: this.to.y - now.y };
  }

  /** Where the one was taken hold of, in its own frame. */
  private get hold() {
    return inFrame(this.before.get(this.held)!, this.table.view().toLevel(this.start));
  }

  private edit(free: boolean): Edit {
    return {
      do: "move-items",
      ids: [...this.holds],
      ...this.way,
      catch: free ? 0 : this.table.catchDistance(),
      hold: this.holds.size === 1 ? this.hold : undefined,
    };
  }

  private caught(id: string): Item | undefined {
    const { plan } = this.table;
    return plan.probe?.caught ? (plan.asMoved(id) as Item | undefined) : undefined;
  }

  private at(item: Item): Item {
    const held = this.table.plan.item(this.held) ?? item;
    return (
      this.caught(item.id) ?? {
        ...item,
        x: item.x + this.to.x - held.x,
        y: item.y + this.to.y - held.y,
      }
    );
  }

  up(hand: Hand) {
    const { plan } = this.table;
    const put = [...this.holds].map((id) => plan.item(id)).filter((item): item is Item => !!item);
    plan.inHand = nothing;
    const shown = new Map(put.map((item) => [item.id, this.at(item)]));
    plan.heldAway = { before: this.before, to: (from) => shown.get(from.id) ?? from };
    plan.showUntil(plan.do(() => this.edit(hand.free), undefined, [...shown.values()]));
  }

  cancel() {
    this.table.plan.inHand = nothing;
    this.table.plan.heldAway = noneHeld;
    this.table.plan.stopAsking();
  }

  shown(thing: Painted): Painted {
    return { ...thing, item: this.at(thing.item) };
  }

  /** What somebody else has moved meanwhile, faint where it is now. */
  paint(ctx: CanvasRenderingContext2D, ratio: number) {
    for (const [id, before] of this.before) {
      const thing = this.table.painted(id);
      const now = this.table.plan.item(id);
      if (!thing || !now || (now.x === before.x && now.y === before.y && now.rotation === before.rotation))
        continue;
      ctx.globalAlpha = 0.4;
      paintItem(ctx, this.table.view(), ratio, { ...thing, item: now }, "rest");
      ctx.globalAlpha = 1;
    }
  }
}
