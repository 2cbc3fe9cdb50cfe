import {
  api,
  type Cluster,
  type Edit,
  type GroupFigures,
  type Item,
  type Repeat,
  type RepeatFigures,
} from "../app/api";
import { Asked } from "./latestAnswer";
import type { OpenPlan } from "./openPlan.svelte";

export type Group = Cluster | Repeat;

/** What is asked of a repeat; all that is not said stays as it is. */
export const repeatFigures = (change: Partial<RepeatFigures>): RepeatFigures => ({
  toWall: false,
  regular: false,
  path: [],
  ...change,
});

/** The clusters and repeats of the scheme: what belongs together, which of it is opened, and what the selected one can be changed by. */
export class Groups {
  /** The cluster or repeat that is opened to edit inside; "" for none. */
  opened = $state("");
  /** What the selected one holds; null until it is known. */
  figures = $state.raw<GroupFigures | null>(null);
  private readonly asked = new Asked();

  constructor(private readonly plan: OpenPlan) {}

  of(id: string | null | undefined): Group | undefined {
    const entity = id ? this.plan.entities.get(id) : undefined;
    return entity?.type === "cluster" || entity?.type === "repeat" ? entity : undefined;
  }

  /** The ids of items by the cluster or repeat they belong to directly, and of groups likewise. */
  private readonly members = $derived.by(() => {
    // Made anew and only looked up.
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    const byParent = new Map<string, string[]>();
    for (const entity of this.plan.entities.values()) {
      if (entity.type !== "item" && entity.type !== "cluster" && entity.type !== "repeat") continue;
      if (!entity.parent || entity.schemeId !== this.plan.schemeId) continue;
      const known = byParent.get(entity.parent);
      if (known) known.push(entity.id);
      else byParent.set(entity.parent, [entity.id]);
    }
    return byParent;
  });

  get any() {
    return this.members.size > 0;
  }

  /** The items of a cluster or repeat, however deep. */
  items(id: string): string[] {
    const found: string[] = [];
    const open = [id];
    for (let at = open.pop(); at !== undefined; at = open.pop())
      for (const member of this.members.get(at) ?? [])
        if (this.plan.entities.get(member)?.type === "item") found.push(member);
        else open.push(member);
    return found;
  }

  /** The groups an item or group is part of, the innermost first. */
  private above(id: string): string[] {
    const found: string[] = [];
    for (let at = this.parentOf(id); at && found.length < 10; at = this.parentOf(at)) found.push(at);
    return found;
  }

  private parentOf(id: string): string | undefined {
    const entity = this.plan.entities.get(id);
    const member = entity?.type === "item" || entity?.type === "cluster" || entity?.type === "repeat";
    return member && entity.parent && this.of(entity.parent) ? entity.parent : undefined;
  }

  /** What stands for an item when it is pressed: the outermost group it is part of, within the one that is opened. */
  standsFor(item: string): string {
    const above = this.above(item);
    const inside = this.opened ? above.indexOf(this.opened) : -1;
    const within = inside >= 0 ? above.slice(0, inside) : above;
    return within[within.length - 1] ?? item;
  }

  /** Whether an item belongs to the group that is opened. */
  isInside(item: string) {
    return !!this.opened && this.above(item).includes(this.opened);
  }

  /** All items that move and count as one with an item. */
  around(item: string): string[] {
    return this.itemsOf(this.standsFor(item));
  }

  /** The items of a cluster or repeat; of an item itself. */
  itemsOf(id: string): string[] {
    return this.of(id) ? this.items(id) : [id];
  }

  /** The clusters and repeats all of whose items are among some. */
  wholeIn(ids: string[]): Group[] {
    // Only looked up.
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    const [chosen, asked] = [new Set(ids), new Set(ids.flatMap((id) => this.above(id)))];
    return [...asked]
      .filter((id) => this.items(id).every((item) => chosen.has(item)))
      .map((id) => this.of(id)!);
  }

  whole(ids: Iterable<string>): string[] {
    if (!this.any) return [...ids];
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    return [...new Set([...ids].map((id) => this.standsFor(id)))].flatMap((id) => this.itemsOf(id));
  }

  /** The group that is selected as one: all its items are, and nothing else. */
  readonly selected = $derived.by((): Group | null => {
    const ids = this.plan.selectedItems.map((item) => item.id);
    if (!ids.length || !this.any) return null;
    const above = this.above(ids[0]!);
    for (const id of above) {
      if (id === this.opened) return null;
      const items = this.items(id);
      if (items.length === ids.length && items.every((item) => this.plan.selected.has(item)))
        // Of a cluster that is the whole of its parent the outer one stands for both.
        return this.of(
          above.findLast((outer) => this.items(outer).length === ids.length && outer !== this.opened) ?? id,
        )!;
    }
    return null;
  });

  /** Opens a group to edit inside it: the first of its members is selected. */
  open(id: string) {
    this.opened = id;
    const first = this.items(id)[0];
    this.plan.select(first ? this.around(first) : []);
  }

  /** Closes what is opened, and selects it as one. */
  close() {
    const id = this.opened;
    this.opened = this.parentOf(id) ?? "";
    this.plan.select(this.of(id) ? this.items(id) : []);
  }

  /** Does an edit that makes or changes a group, and selects what it has become. */
  async make(id: string, edit: Edit | (() => Edit)) {
    if (await this.plan.do(edit)) this.plan.select(this.items(id));
  }

  name(group: Group): string {
    if (group.type === "cluster") return (group as Cluster).name || "Cluster";
    const what = { Rows: "Repeat in rows", Ring: "Repeat in a ring", Path: "Repeat along a path" };
    return what[(group as Repeat).form ?? "Rows"];
  }

  /** Asks what the selected group holds. */
  async renew() {
    const id = this.selected?.id;
    const newest = this.asked.newest();
    if (!id) {
      this.figures = null;
      return;
    }
    const { data } = await api
      .GET("/api/plans/{planId}/group", { params: { path: { planId: this.plan.id }, query: { id } } })
      .catch(() => ({ data: undefined }));
    if (data && newest()) this.figures = data;
  }

  /** Where the last member of a repeat stands, by which it is drawn out. */
  lastOf(repeat: Repeat): Item | undefined {
    const last = this.bySlot(repeat.id).at(-1);
    return last ? this.leader(last) : undefined;
  }

  /** The direct members of a group in the order of their slots. */
  private bySlot(id: string): string[] {
    const slot = (one: string) => (this.plan.entities.get(one) as { slot?: number } | undefined)?.slot ?? 0;
    return [...(this.members.get(id) ?? [])].sort((a, b) => slot(a) - slot(b));
  }

  private leader(id: string): Item | undefined {
    const entity = this.plan.entities.get(id);
    if (entity?.type === "item") return this.plan.item(id);
    const first = this.bySlot(id)[0];
    return first ? this.leader(first) : undefined;
  }
}
