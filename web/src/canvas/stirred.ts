import type { Item, ProbeView } from "../app/api";
import { boxOf, paintItem, paintLabel, type Painted } from "./painter";
import type { OpenPlan } from "../plan/openPlan.svelte";
import type { Viewport } from "./viewport";

const none: ReadonlySet<string> = new Set();

/**
 * What an edit that is only asked about would move, bring or take away beside what a hand holds: the tables of a block, what stands on a
 * table. While the hand moves they are shown as they would be, and left out of the picture at rest.
 */
export class Stirred {
  /** Items that rest elsewhere, or not at all, as long as it is asked about. */
  ids: ReadonlySet<string> = none;
  private shown: Item[] = [];
  /** Those that stand as they did and would only be called otherwise, as they are called and as they would be. */
  private renamed: (readonly [Item, Item])[] = [];

  /** Takes an answer over; the ids of items whose rest has to be painted anew. */
  take(probe: ProbeView | null, held: ReadonlySet<string>, now: (id: string) => Item | undefined): string[] {
    const before = this.ids;
    this.shown = [];
    this.renamed = [];
    for (const item of probe?.moved ?? []) {
      if (item.type !== "item" || held.has(item.id) || item.setAside) continue;
      const was = now(item.id);
      if (was && isCalledOtherwise(was, item)) this.renamed.push([was, item]);
      else this.shown.push(item);
    }
    const gone = (probe?.gone ?? []).filter((id) => !held.has(id));
    this.ids = this.shown.length || gone.length ? new Set([...this.shown.map((i) => i.id), ...gone]) : none;
    return [...new Set([...before, ...this.ids])].filter((id) => before.has(id) !== this.ids.has(id));
  }

  paint(
    ctx: CanvasRenderingContext2D,
    view: Viewport,
    ratio: number,
    plan: OpenPlan,
    painted: ReadonlyMap<string, Painted>,
  ) {
    for (const item of this.shown) {
      const like = painted.get(item.id) ?? [...painted.values()].find((one) => isAlike(one.item, item));
      const form = like?.form;
      if (!form || item.levelId !== plan.levelId) continue;
      const thing = { ...like, item, box: boxOf(item, form) };
      paintItem(ctx, view, ratio, thing, "rest");
      ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
      paintLabel(ctx, view, thing, "#21302D");
    }
  }

  /** What would only be called otherwise: its new label over the old one. */
  paintNames(ctx: CanvasRenderingContext2D, view: Viewport, painted: ReadonlyMap<string, Painted>) {
    for (const [was, item] of this.renamed) {
      const thing = painted.get(item.id);
      if (!thing) continue;
      // The old one is covered first: it may be the longer one.
      paintLabel(ctx, view, { ...thing, item: was }, "#FFFFFF");
      paintLabel(ctx, view, { ...thing, item }, "#21302D");
    }
  }
}

/** Whether nothing but the label differs. */
const isCalledOtherwise = (was: Item, item: Item) =>
  JSON.stringify({ ...was, label: "" }) === JSON.stringify({ ...item, label: "" });

/** Whether one looks as the other. */
const isAlike = (one: Item, other: Item) =>
  one.catalogue === other.catalogue &&
  one.width === other.width &&
  JSON.stringify(one.seats) === JSON.stringify(other.seats);
