<script lang="ts">
  import { PencilLine, Star } from "@lucide/svelte";
  import type { CatalogueEntry } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import LongList from "../../parts/LongList.svelte";
  import Select from "../../parts/Select.svelte";
  import SymbolPicture from "../../parts/SymbolPicture.svelte";
  import { writeLength } from "../../plan/figures";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import ThingButtons from "../../things/ThingButtons.svelte";
  import ExchangePanel from "./ExchangePanel.svelte";
  import KitchenForm from "./KitchenForm.svelte";
  import ReadyForm from "./ReadyForm.svelte";
  import OwnItemsPanel from "./OwnItemsPanel.svelte";
  import OwnItemWindow from "./OwnItemWindow.svelte";
  import SeatPeople from "./seating/SeatPeople.svelte";
  import PlacingPanel from "./PlacingPanel.svelte";
  import { dragOntoPlan, factsOf, kindNames } from "./catalogue";

  let { plan }: { plan: OpenPlan } = $props();

  const placeable = $derived(plan.placeable);
  $effect(() => {
    void plan.placeable.openLibrary();
  });

  /** Whether an area is being seated instead of things chosen. */
  let seating = $state(false);
  let kind = $state("Tables");
  let setting = $state("");
  let group = $state<"" | "used" | "recent" | "favourites" | "own">("");
  let search = $state("");
  const settings = [
    "office",
    "venue",
    "home",
    "kitchen",
    "bathroom",
    "classroom",
    "small spaces",
    "outdoors",
    "care",
  ];

  const counts = $derived.by(() => {
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    const found = new Map<string, number>();
    for (const item of plan.items)
      if (!item.setAside) found.set(item.catalogue, (found.get(item.catalogue) ?? 0) + 1);
    return found;
  });
  const stock = $derived(new Map((plan.figures?.tally.stock ?? []).map((use) => [use.catalogue, use])));

  /** The whole catalogue, or one of its groups: what is used here, what was placed lately, what somebody likes, what is one's own. */
  const grouped = $derived.by(() => {
    const byKeys = (keys: Iterable<string>) =>
      [...keys].map((key) => placeable.entry(key)).filter((e): e is CatalogueEntry => !!e);
    return group === "used"
      ? byKeys(counts.keys())
      : group === "recent"
        ? byKeys(placeable.recent.keys)
        : group === "favourites"
          ? byKeys(placeable.favourites.keys)
          : group === "own"
            ? [...placeable.own.values()]
            : placeable.all;
  });
  const answers = $derived(placeable.found && search.trim() ? placeable.found : null);
  const entries = $derived.by(() => {
    if (answers) {
      const among = new Set(grouped.map((entry) => entry.item.key));
      return answers
        .filter((key) => among.has(key))
        .map((key) => placeable.entry(key)!)
        .filter((entry) => fits(entry));
    }
    return grouped.filter((entry) => (group || !kind || entry.item.kind === kind) && fits(entry));
  });
  const fits = (entry: CatalogueEntry) => !setting || (entry.item.settings ?? "").includes(setting);

  /** Entries under what they are told apart by, where a kind is shown in its order. */
  type Row = { head: string; entry?: undefined } | { head?: undefined; entry: CatalogueEntry };
  const rows = $derived.by((): Row[] => {
    if (answers || group === "recent") return entries.map((entry) => ({ entry }));
    // Own items come first and may be of any sub-kind: each heading stands once.
    // eslint-disable-next-line svelte/prefer-svelte-reactivity
    const under = new Map<string, CatalogueEntry[]>();
    for (const entry of entries) {
      const head = entry.item.subKind ?? "";
      const among = under.get(head);
      if (among) among.push(entry);
      else under.set(head, [entry]);
    }
    return [...under].flatMap(([head, among]) => [
      ...(head ? [{ head }] : []),
      ...among.map((entry) => ({ entry })),
    ]);
  });
  const kinds = $derived([...new Set((plan.catalogue?.items ?? []).map((entry) => entry.item.kind))]);

  function look(text: string) {
    search = text;
    void placeable.search(text);
  }

  function take(entry: CatalogueEntry) {
    if (!plan.canEdit || placeable.exchanged) return;
    plan.select([]);
    tools.tool = { kind: "place", entry, form: null, rotation: 0, size: {} };
  }

  function pickSpace() {
    tools.tool = {
      kind: "space",
      done: (width, depth) => {
        // What was shown is what is looked among.
        const among = search.replace(/\s*\bfits .*$/i, "").trim() || (group ? "" : kind);
        look(`${among} fits ${writeLength(width, plan.units)} x ${writeLength(depth, plan.units)}`.trim());
      },
    };
  }
</script>

{#if seating && plan.canEdit}
  <SeatPeople {plan} onclose={() => (seating = false)} />
{:else}
  <div class="p-3.5 pb-2">
    <div class="flex items-center">
      <h2 class="flex-1 text-[15px] font-semibold">Catalogue</h2>
      {#if plan.canEdit && plan.shell?.rooms.length}
        <button class="action" onclick={() => ((seating = true), tools.rest())}>Seat people…</button>
      {/if}
    </div>
    <label class="field mt-2">
      <span class="sr-only">Search the catalogue</span>
      <input
        id="catalogue-search"
        class="w-full outline-none"
        placeholder="Search {placeable.all.length} items ( / )"
        title="A word, a size, seats, a bound: desk 1400, 8 seats, under 600 deep, fits 1800 x 900"
        bind:value={() => search, (text) => look(text)}
      />
    </label>
    <div class="mt-2 flex gap-1.5">
      <Select
        label="Kind"
        class="field flex-1"
        options={[["", "All kinds"], ...kinds.map((name) => [name, kindNames[name] ?? name] as const)]}
        bind:value={
          () => (search.trim() || group ? "" : kind), (next) => ((kind = next), (group = ""), look(""))
        }
      />
      <Select
        label="For"
        class="field flex-1"
        options={[
          ["", "Everywhere"],
          ...settings.map((name) => [name, name[0]!.toUpperCase() + name.slice(1)] as const),
        ]}
        bind:value={setting}
      />
    </div>
    <div class="mt-1.5 flex flex-wrap gap-1" role="group" aria-label="Of these">
      {#each [["used", "Used"], ["recent", "Recent"], ["favourites", "Liked"], ["own", "Own"]] as const as [key, name] (key)}
        <button
          class="pill h-6 px-2"
          aria-pressed={group === key}
          onclick={() => (group = group === key ? "" : key)}>{name}</button
        >
      {/each}
      <button
        class="pill h-6 px-2"
        title="Drag a box over a free part of the plan: what fits it is found"
        aria-pressed={tools.tool.kind === "space"}
        onclick={() => (tools.tool.kind === "space" ? tools.rest() : pickSpace())}>For a space</button
      >
    </div>
  </div>
  {#if placeable.exchanged}<ExchangePanel {plan} />{/if}
  <LongList
    label="Catalogue items"
    class="min-h-0 flex-1 border-t border-edge"
    items={rows}
    keyOf={(row) => row.entry?.item.key ?? `head ${row.head}`}
  >
    {#snippet row({ head, entry })}
      {#if entry}
        {@const { item } = entry}
        {@const chosen = tools.tool.kind === "place" && tools.tool.entry.item.key === item.key}
        {@const form = placeable.form(item.key)}
        {@const use = stock.get(item.key)}
        <div class="group relative border-b border-edge hover:bg-moss-wash {chosen ? 'bg-moss-wash' : ''}">
          <button
            class="flex w-full items-center gap-3 py-1.5 pr-9 pl-3.5 text-left disabled:opacity-60"
            disabled={!plan.canEdit}
            title="{item.name}: {item.source.title}; from memory"
            onpointerdown={(e) => plan.canEdit && !placeable.exchanged && dragOntoPlan(e, () => take(entry))}
            onclick={(e) => {
              if (placeable.exchanged) return void placeable.become(item.key);
              take(entry);
              // A click without a pointer comes from the keyboard: it goes into the middle of the view.
              if (e.detail === 0) tools.inMiddle();
            }}
          >
            {#if form}<SymbolPicture {form} picture={placeable.pictureOf(item.key)} />{:else}<span
                class="size-11"
              ></span>{/if}
            <span class="min-w-0 flex-1">
              <span class="block font-semibold">{item.name}</span>
              <span class="font-figure block text-[12px] text-soft">{factsOf(entry, plan.units)}</span>
              {#if use}
                <span class="block text-[12px] {use.short ? 'font-semibold text-must' : 'text-soft'}"
                  >{use.used} of {use.has} in stock{use.short ? `, ${use.short} short` : ""}</span
                >
              {/if}
            </span>
            {#if counts.get(item.key)}
              <span class="text-[12px] font-semibold text-soft" title="Placed">{counts.get(item.key)}</span>
            {/if}
          </button>
          {#if placeable.own.has(item.key)}
            <button
              class="absolute right-1.5 bottom-1 grid size-6 place-items-center rounded text-soft hover:bg-white"
              aria-label="Change {item.name}"
              title="Everything that is said of it"
              onclick={() => (placeable.edited = item.key)}><PencilLine size={13} /></button
            >
          {/if}
          <button
            class="absolute {placeable.own.has(item.key)
              ? 'top-1'
              : 'top-1/2 -translate-y-1/2'} right-1.5 grid size-6 place-items-center rounded {placeable.favourites.keys.has(
              item.key,
            )
              ? 'text-brass'
              : 'text-faint opacity-0 group-hover:opacity-100 focus-visible:opacity-100'}"
            aria-label="Like {item.name}"
            aria-pressed={placeable.favourites.keys.has(item.key)}
            onclick={() => placeable.favourites.toggle(item.key)}
            ><Star
              size={14}
              fill={placeable.favourites.keys.has(item.key) ? "currentColor" : "none"}
            /></button
          >
        </div>
      {:else}
        <h3 class="heading px-3.5 pt-2.5 pb-1">{head}</h3>
      {/if}
    {/snippet}
    {#snippet empty()}
      <p class="p-3.5 text-soft">
        {search.trim()
          ? "Nothing answers to that. Try fewer words, or another size."
          : group === "favourites"
            ? "Nothing is liked yet: press the star of an entry."
            : group === "own"
              ? "No own items yet: draw one, bring in a picture, or keep a placed item under a name."
              : "Nothing here yet."}
      </p>
    {/snippet}
  </LongList>
  {#if tools.tool.kind === "place"}<PlacingPanel {plan} tool={tools.tool} />{/if}
  {#if group !== "own"}<ReadyForm {plan} /><KitchenForm {plan} />{/if}
  {#if group === "own"}<OwnItemsPanel {plan} onkept={() => look("")} />{/if}
  <OwnItemWindow {plan} />
  <div class="border-t border-edge p-3.5">
    <span class="mb-1.5 block text-soft">On the plan</span>
    <div class="flex flex-wrap items-center gap-1.5">
      <ThingButtons {plan} stage="Furnish" />
    </div>
  </div>
{/if}
