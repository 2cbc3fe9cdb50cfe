<script lang="ts">
  import { ChevronDown, ChevronRight } from "@lucide/svelte";
  import { SvelteSet } from "svelte/reactivity";
  import type { Item } from "../../app/api";
  import { seatsOf } from "../../things/seating";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { writeArea } from "../../plan/figures";
  import LongList from "../../parts/LongList.svelte";
  import { grouped } from "./itemGroups";
  import BriefFields from "./BriefFields.svelte";
  import FinishPanel from "./FinishPanel.svelte";
  import ViewsPanel from "./ViewsPanel.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const called = (item: Item) => plan.itemViews.get(item.id)?.name ?? item.id;
  const kindOf = (item: Item) => plan.placeable.entry(item.catalogue)?.item.name ?? item.catalogue;
  const placed = $derived(plan.items.filter((item) => !item.setAside));
  const aside = $derived(plan.items.filter((item) => item.setAside));

  /** Groups somebody has folded or unfolded by hand; the others are folded where the list is long. */
  const turned = new SvelteSet<string>();
  const isOpen = (key: string) => placed.length <= 120 !== turned.has(key);

  const zones = $derived(
    plan.things.map((thing) => ({
      thing,
      figures: plan.figures?.areas.find((area) => area.thingId === thing.id),
      drawn: plan.figures?.drawn.find((way) => way.thingId === thing.id),
      seats:
        thing.type === "seating-block"
          ? seatsOf(
              plan,
              placed.filter((item) => item.parent === thing.id),
            )
          : null,
    })),
  );
  /** How deep a zone lies in others. */
  function depthOf(id: string | null | undefined, most = 6): number {
    const within = plan.figures?.areas.find((area) => area.thingId === id)?.within;
    return within && most ? 1 + depthOf(within, most - 1) : 0;
  }
</script>

{#snippet list(label: string, items: Item[])}
  <LongList
    {label}
    class="max-h-[420px]"
    items={grouped(items, kindOf, called, isOpen)}
    keyOf={(row) => row.item?.id ?? `kind ${row.kind}`}
  >
    {#snippet row({ kind, count, item, name })}
      {#if item}
        <button
          class="min-h-6 w-full rounded py-0.5 pr-1.5 pl-6 text-left hover:bg-moss-wash"
          onclick={(e) => plan.select([item.id], e.shiftKey)}>{name}</button
        >
      {:else}
        <div class="flex items-center hover:bg-moss-wash">
          <button
            class="grid size-6 shrink-0 place-items-center"
            aria-label="{isOpen(kind) ? 'Fold' : 'Unfold'} {kind}"
            aria-expanded={isOpen(kind)}
            onclick={() => (turned.has(kind) ? turned.delete(kind) : turned.add(kind))}
          >
            {#if isOpen(kind)}<ChevronDown size={13} />{:else}<ChevronRight size={13} />{/if}
          </button>
          <button
            class="flex min-h-6 min-w-0 flex-1 justify-between py-0.5 pr-1.5 text-left font-semibold"
            title="Select all {count} of these"
            aria-label="All {count} of {kind}"
            onclick={() => plan.select(items.filter((one) => kindOf(one) === kind).map((one) => one.id))}
            ><span class="truncate">{kind}</span><span class="font-figure">{count}</span></button
          >
        </div>
      {/if}
    {/snippet}
    {#snippet empty()}
      <p class="text-soft">Nothing is placed yet. Choose from the catalogue and press on the plan.</p>
    {/snippet}
  </LongList>
{/snippet}

<section class="p-3.5">
  <BriefFields {plan} />
  {#if zones.length}
    <h2 class="heading mt-4 mb-1">Zones, walkways and marks ({zones.length})</h2>
    <ul aria-label="Zones, walkways and marks">
      {#each zones as { thing, figures, drawn, seats } (thing.id)}
        <li>
          <button
            class="min-h-6 w-full rounded px-1.5 py-0.5 text-left hover:bg-moss-wash"
            style:padding-left="{6 + 12 * depthOf(thing.id)}px"
            onclick={(e) => plan.select([thing.id], e.shiftKey)}
            >{plan.thingName(thing.id)}{thing.text ? ` “${thing.text}”` : ""}
            {#if figures}<span class="block text-[12px] text-soft"
                >{figures.seats} seats · {figures.tables} tables{figures.workstations
                  ? ` · ${figures.workstations} workstations`
                  : ""} · {writeArea(figures.area, plan.units)}</span
              >{/if}{#if drawn}<span class="block text-[12px] {drawn.holds ? 'text-soft' : 'text-must'}"
                >{drawn.holds ? `${drawn.needed} clear` : `${drawn.clear} of ${drawn.needed} clear`}</span
              >{/if}{#if seats !== null}<span class="block text-[12px] text-soft">{seats} seats</span
              >{/if}</button
          >
        </li>
      {/each}
    </ul>
  {/if}
  <h2 class="heading mt-4 mb-1">Items ({placed.length})</h2>
  {@render list("List of items", placed)}
  {#if aside.length}
    <h2 class="heading mt-4 mb-1">Not placed ({aside.length})</h2>
    {@render list("Items not placed", aside)}
  {/if}
  <ViewsPanel {plan} />
  <FinishPanel {plan} />
</section>
