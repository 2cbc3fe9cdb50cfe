<script lang="ts">
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { boxOf } from "./painter";
  import type { Viewport } from "./viewport";

  let { plan, view, size }: { plan: OpenPlan; view: Viewport; size: { width: number; height: number } } =
    $props();

  const most = 300;

  /** Transparent twins of the items in view: keyboard and screen reader work on these. */
  const twins = $derived.by(() => {
    void plan.changes;
    const found = [];
    for (const item of plan.items) {
      const facts = plan.itemViews.get(item.id);
      const form = facts && plan.forms.get(facts.form);
      if (!facts || !form) continue;
      const box = boxOf(item, form);
      const [a, b] = [
        view.toScreen({ x: box.minX, y: box.maxY }),
        view.toScreen({ x: box.maxX, y: box.minY }),
      ];
      if (b.x < 0 || b.y < 0 || a.x > size.width || a.y > size.height) continue;
      found.push({
        id: item.id,
        name: facts.name,
        seats: form.seats,
        x: a.x,
        y: a.y,
        w: b.x - a.x,
        h: b.y - a.y,
      });
      if (found.length === most) break;
    }
    return found;
  });

  function onkeydown(event: KeyboardEvent, id: string) {
    if (event.key !== "Enter" && event.key !== " ") return;
    event.preventDefault();
    event.stopPropagation();
    plan.select(plan.groups.around(id), event.shiftKey);
  }
</script>

<div
  class="pointer-events-none absolute inset-0"
  role="listbox"
  aria-label="Items on the plan"
  aria-multiselectable="true"
>
  {#each twins as twin (twin.id)}
    <div
      class="absolute"
      role="option"
      tabindex="-1"
      aria-selected={plan.selected.has(twin.id)}
      aria-label={twin.seats
        ? `${twin.name}, ${twin.seats} ${twin.seats === 1 ? "seat" : "seats"}`
        : twin.name}
      style:left="{twin.x}px"
      style:top="{twin.y}px"
      style:width="{twin.w}px"
      style:height="{twin.h}px"
      onkeydown={(e) => onkeydown(e, twin.id)}
    ></div>
  {/each}
</div>
