import { api, messageOf, type Entity } from "../app/api";
import type { OpenPlan } from "./openPlan.svelte";

/** What is selected, as the text that goes to the clipboard (docs/plan-file.md); null where nothing that can be pasted is. */
export function clipOf(plan: OpenPlan): string | null {
  const items = plan.selectedItems;
  const things = plan.things.filter((thing) => thing.schemeId && plan.selected.has(thing.id));
  if (!items.length && !things.length) return null;
  const own = new Set(items.map((item) => item.catalogue));
  const entities = [
    ...items,
    ...plan.groups.wholeIn(items.map((item) => item.id)),
    ...things,
    ...[...own].map((key) => plan.entities.get(key)).filter((entity) => entity?.type === "own-item"),
  ];
  return JSON.stringify({ format: "wellsedes-clip", version: plan.catalogue?.format ?? 0, entities });
}

/** Pastes a text from the clipboard where it stood; what came is selected. */
export async function paste(plan: OpenPlan, text: string) {
  if (!text.trimStart().startsWith("{")) {
    plan.notice = "What is on the clipboard was not copied from a plan.";
    return;
  }
  const { data, error } = await api
    .POST("/api/plans/{planId}/clip", {
      params: { path: { planId: plan.id } },
      body: text as never,
      bodySerializer: (body: unknown) => body as string,
    })
    .catch(() => ({ data: undefined, error: "The server does not answer; paste again." }));
  if (!data) {
    plan.notice = messageOf(error);
    return;
  }
  const newId = plan.newId("paste");
  const entities = data.entities as Entity[];
  const { schemeId, levelId } = plan;
  if (!(await plan.do({ do: "paste", newId, schemeId, levelId, entities: entities as never, dx: 0, dy: 0 })))
    return;
  const came = [...plan.entities.values()].filter((entity) => entity.id.startsWith(`${newId}-`));
  const items = came.filter((entity) => entity.type === "item");
  plan.select((items.length ? items : came).map((entity) => entity.id));
}

/** The clipboard's events, for an open plan: what is typed into a field stays the field's own. */
export function clipboardFor(plan: OpenPlan) {
  const isPlans = (event: ClipboardEvent) => {
    const target = event.target as HTMLElement | null;
    if (target?.closest?.("input, textarea, [contenteditable], [role=dialog], [role=alertdialog]"))
      return false;
    return plan.stage === "furnish" && !document.getSelection()?.toString();
  };
  const copy = (event: ClipboardEvent): boolean => {
    const text = isPlans(event) ? clipOf(plan) : null;
    if (!text) return false;
    event.clipboardData?.setData("text/plain", text);
    event.preventDefault();
    return true;
  };
  return {
    oncopy(event: ClipboardEvent) {
      if (copy(event))
        plan.notice = `Copied ${plan.selected.size === 1 ? "one thing" : `${plan.selected.size} things`}.`;
    },
    oncut(event: ClipboardEvent) {
      if (plan.canEdit && copy(event)) void plan.do({ do: "remove", ids: [...plan.selected] });
    },
    onpaste(event: ClipboardEvent) {
      if (!plan.canEdit || !isPlans(event)) return;
      event.preventDefault();
      void paste(plan, event.clipboardData?.getData("text/plain") ?? "");
    },
  };
}
