import type { Edit, FormView, Item } from "../../app/api";
import { boxForm } from "../../plan/placeable.svelte";
import { tools } from "../tools.svelte";
import type { Hand, Table } from "../gestures/gesture";
import type { Tooling, ToolOf } from "./tooling";

function edit(table: Table, tool: ToolOf<"place">, hand: Hand, id: string) {
  const { plan } = table;
  return {
    do: "place-item",
    id,
    schemeId: plan.schemeId,
    levelId: plan.levelId,
    catalogue: tool.entry.item.key,
    ...table.view().toLevel(hand.at),
    rotation: tool.rotation,
    catch: hand.free ? 0 : table.catchDistance(),
    setAside: false,
    ...tool.size,
  } satisfies Edit;
}

/** Places an item of the catalogue; with Shift the next of the same follows. */
export const placeItem: Tooling<ToolOf<"place">> = {
  follow(table, tool, hand) {
    table.plan.ask(edit(table, tool, hand, "probe-item"));
  },
  press(table, tool, hand) {
    const { plan } = table;
    const id = plan.newId("item");
    if (!hand.more) tools.rest();
    plan.stopAsking();
    const placing = edit(table, tool, hand, id);
    plan.placeable.recent.add(placing.catalogue);
    const work = plan.placeable.bringIn(placing.catalogue).then((there) => there && plan.do(placing));
    void plan.selectWhen(work, [id]);
  },
};

/** How what is being placed looks: at the size that was typed, else at its usual one; a box until that is known. */
export const formPlaced = ({ placeable }: Table["plan"], { entry, form }: ToolOf<"place">): FormView =>
  form ?? placeable.form(entry.item.key) ?? boxForm(entry.item.size);

/** Where the item that is being placed would come to stand. */
export function placingAt(table: Table, tool: ToolOf<"place">, hand: Hand): Item {
  const { probe } = table.plan;
  const settled = probe?.moved.find((e) => e.type === "item") as Item | undefined;
  const item = { ...table.view().toLevel(hand.at), rotation: tool.rotation, label: "" } as Item;
  if (settled && probe?.caught)
    Object.assign(item, { x: settled.x, y: settled.y, rotation: settled.rotation });
  return item;
}
