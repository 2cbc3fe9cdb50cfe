<script lang="ts">
  import type { Edit, Item, Spot, Thing } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  /** What a block holds now, and what can be done with it as a whole. */
  let { plan, thing }: { plan: OpenPlan; thing: Thing } = $props();

  const tables = $derived(
    [...plan.entities.values()].filter((e): e is Item => e.type === "item" && e.parent === thing.id),
  );
  const seats = $derived(tables.reduce((sum, item) => sum + (plan.formOf(item.id)?.seats ?? 0), 0));
  const wanted = $derived(thing.wanted as number | null | undefined);
  const kept = $derived((thing.kept as string[] | undefined) ?? []);
  const leftOut = $derived((thing.leftOut as Spot[] | undefined) ?? []);
  const again = (change: object) =>
    plan.do(
      () => ({ do: "put-thing", thing: { ...plan.entities.get(thing.id), ...change } }) as unknown as Edit,
    );
</script>

<p
  class={wanted && tables.length < wanted ? "font-semibold text-must" : "font-semibold"}
  role="status"
  aria-label="What the block holds"
>
  {tables.length}{wanted ? ` of ${wanted}` : ""} tables, {seats} seats
</p>
{#if kept.length}
  <div class="flex items-center gap-2">
    <span class="flex-1 text-soft">{kept.length} set by hand</span>
    <button class="action" onclick={() => again({ kept: [] })}>Lay them with the others</button>
  </div>
{/if}
{#if leftOut.length}
  <div class="flex items-center gap-2">
    <span class="flex-1 text-soft">{leftOut.length} left empty</span>
    <button class="action" onclick={() => again({ leftOut: [] })}>Fill them again</button>
  </div>
{/if}
<div class="flex flex-wrap gap-1.5">
  <button class="action" onclick={() => plan.select(tables.map((item) => item.id))}>Select its tables</button>
  <button class="action" onclick={() => plan.do({ do: "release-block", id: thing.id })}>Release</button>
</div>
