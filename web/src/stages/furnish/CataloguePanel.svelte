<script lang="ts">
  import type { CatalogueEntry } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import LongList from "../../parts/LongList.svelte";
  import SymbolPicture from "../../parts/SymbolPicture.svelte";
  import { writeLength } from "../../plan/figures";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import ThingButtons from "../../things/ThingButtons.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const all = $derived(plan.catalogue?.items ?? []);
  const kinds = $derived([...new Set(all.map((entry) => entry.item.kind))]);
  let kind = $state<string | null>("Tables");
  let search = $state("");

  const shown = $derived.by(() => {
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    return all.filter((entry) =>
      words.length
        ? words.every((word) =>
            `${entry.item.name} ${entry.item.kind} ${entry.item.size.width}`.toLowerCase().includes(word),
          )
        : !kind || entry.item.kind === kind,
    );
  });
  const counts = $derived.by(() => {
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    const found = new Map<string, number>();
    for (const item of plan.items)
      if (!item.setAside) found.set(item.catalogue, (found.get(item.catalogue) ?? 0) + 1);
    return found;
  });

  function facts({ item, round }: CatalogueEntry) {
    const { width, depth } = item.size as { width: number; depth: number };
    const size = round
      ? `Ø ${writeLength(width, plan.units)}`
      : `${writeLength(width, plan.units)} × ${writeLength(depth, plan.units)}`;
    const p = item.seats ?? {};
    const seats = (p.around ?? 0) + (p.front ?? 0) + (p.back ?? 0) + (p.left ?? 0) + (p.right ?? 0);
    return seats
      ? `${size} · ${seats}${item.mostSeats > seats ? ` to ${item.mostSeats}` : ""} ${item.mostSeats === 1 ? "seat" : "seats"}`
      : size;
  }

  function take(entry: CatalogueEntry) {
    if (!plan.canEdit) return;
    plan.select([]);
    tools.tool = { kind: "place", entry, rotation: 0 };
  }

  /** Dragging an entry onto the plan takes it along; letting go there puts it down. */
  function drag(event: PointerEvent, entry: CatalogueEntry) {
    if (event.button !== 0 || !plan.canEdit) return;
    const start = { x: event.clientX, y: event.clientY };
    const row = event.currentTarget as HTMLElement;
    const move = (e: PointerEvent) => {
      if (tools.tool.kind !== "place" && Math.hypot(e.clientX - start.x, e.clientY - start.y) > 6)
        take(entry);
      const host = document.querySelector("[data-testid=plan]");
      if (tools.tool.kind === "place" && e.target !== host)
        host?.dispatchEvent(
          new PointerEvent("pointermove", {
            bubbles: true,
            clientX: e.clientX,
            clientY: e.clientY,
          }),
        );
    };
    const up = (e: PointerEvent) => {
      removeEventListener("pointermove", move);
      removeEventListener("pointerup", up);
      const host = document.querySelector("[data-testid=plan]");
      const over = document.elementFromPoint(e.clientX, e.clientY);
      if (tools.tool.kind === "place" && host && over && host.contains(over))
        host.dispatchEvent(
          new PointerEvent("pointerdown", {
            bubbles: true,
            clientX: e.clientX,
            clientY: e.clientY,
            button: 0,
            shiftKey: e.shiftKey,
          }),
        );
    };
    row.releasePointerCapture?.(event.pointerId);
    addEventListener("pointermove", move);
    addEventListener("pointerup", up);
  }
</script>

<div class="p-3.5 pb-2">
  <h2 class="text-[15px] font-semibold">Catalogue</h2>
  <label class="field mt-2">
    <span class="sr-only">Search the catalogue</span>
    <input
      id="catalogue-search"
      class="w-full outline-none"
      placeholder="Search {all.length} items ( / )"
      bind:value={search}
    />
  </label>
  <div class="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Kinds">
    {#each kinds as name (name)}
      <button
        class="pill"
        aria-pressed={!search && kind === name}
        onclick={() => ((kind = name), (search = ""))}>{name}</button
      >
    {/each}
  </div>
</div>
<LongList
  label="Catalogue items"
  class="min-h-0 flex-1 border-t border-edge"
  items={shown}
  keyOf={(entry) => entry.item.key}
>
  {#snippet row(entry)}
    {@const chosen = tools.tool.kind === "place" && tools.tool.entry === entry}
    <button
      class="flex w-full items-center gap-3 border-b border-edge px-3.5 py-1.5 text-left hover:bg-moss-wash disabled:opacity-60 {chosen
        ? 'bg-moss-wash'
        : ''}"
      disabled={!plan.canEdit}
      title="{entry.item.name}: {entry.item.source.title}; from memory"
      onpointerdown={(e) => drag(e, entry)}
      onclick={(e) => {
        take(entry);
        // A click without a pointer comes from the keyboard: it goes into the middle of the view.
        if (e.detail === 0) tools.inMiddle();
      }}
    >
      <SymbolPicture form={entry.form} />
      <span class="min-w-0 flex-1">
        <span class="block font-semibold">{entry.item.name}</span>
        <span class="font-figure block text-[12px] text-soft">{facts(entry)}</span>
      </span>
      {#if counts.get(entry.item.key)}
        <span class="text-[12px] font-semibold text-soft" title="Placed">{counts.get(entry.item.key)}</span>
      {/if}
    </button>
  {/snippet}
  {#snippet empty()}
    <p class="p-3.5 text-soft">Nothing is called that. Try a shorter word.</p>
  {/snippet}
</LongList>
<div class="flex items-center gap-1.5 border-t border-edge p-3.5">
  <span class="mr-auto text-soft">On the plan</span>
  <ThingButtons {plan} stage="Furnish" />
</div>
