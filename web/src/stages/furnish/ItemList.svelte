<script lang="ts">
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { writeArea } from "../../plan/figures";
  import LongList from "../../parts/LongList.svelte";
  import { asRead, toldApart } from "../../plan/words";
  import BriefFields from "./BriefFields.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const sorted = $derived(
    toldApart(
      plan.items
        .toSorted(asRead)
        .map((item) => ({ item, name: plan.itemViews.get(item.id)?.name ?? item.id }))
        .sort((a, b) => a.name.localeCompare(b.name, "en", { numeric: true })),
    ),
  );
  const zones = $derived(
    plan.things.map((thing) => ({
      thing,
      figures: plan.figures?.areas.find((area) => area.thingId === thing.id),
    })),
  );
  const placed = $derived(sorted.filter(({ item }) => !item.setAside));
  const aside = $derived(sorted.filter(({ item }) => item.setAside));
</script>

{#snippet list(label: string, rows: typeof sorted)}
  <LongList {label} class="max-h-[420px]" items={rows} keyOf={({ item }) => item.id}>
    {#snippet row({ item, called })}
      <button
        class="min-h-6 w-full rounded px-1.5 py-0.5 text-left hover:bg-moss-wash"
        onclick={(e) => plan.select([item.id], e.shiftKey)}>{called}</button
      >
    {/snippet}
    {#snippet empty()}
      <p class="text-soft">Nothing is placed yet. Choose from the catalogue and press on the plan.</p>
    {/snippet}
  </LongList>
{/snippet}

<section class="p-3.5">
  <BriefFields {plan} />
  {#if zones.length}
    <h2 class="heading mt-4 mb-1">Zones and marks ({zones.length})</h2>
    <ul aria-label="Zones and marks">
      {#each zones as { thing, figures } (thing.id)}
        <li>
          <button
            class="min-h-6 w-full rounded px-1.5 py-0.5 text-left hover:bg-moss-wash"
            onclick={(e) => plan.select([thing.id], e.shiftKey)}
            >{plan.thingName(thing.id)}{thing.text ? ` “${thing.text}”` : ""}
            {#if figures}<span class="block text-[12px] text-soft"
                >{figures.seats} seats · {figures.tables} tables{figures.workstations
                  ? ` · ${figures.workstations} workstations`
                  : ""} · {writeArea(figures.area, plan.units)}</span
              >{/if}</button
          >
        </li>
      {/each}
    </ul>
  {/if}
  <h2 class="heading mt-4 mb-1">Items ({placed.length})</h2>
  {@render list("List of items", placed)}
  {#if aside.length}
    <h2 class="heading mt-4 mb-1">Set aside ({aside.length})</h2>
    {@render list("Items set aside", aside)}
  {/if}
</section>
