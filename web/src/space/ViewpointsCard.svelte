<script lang="ts">
  import { api, messageOf, type SeenView } from "../app/api";
  import BackgroundWork from "../parts/BackgroundWork.svelte";
  import NumberField from "../parts/NumberField.svelte";
  import type { Looking } from "./looking.svelte";

  /** Looks that are kept under a name, pictures from them, and what is seen in words. */
  let { looking }: { looking: Looking } = $props();

  const plan = $derived(looking.plan);
  let name = $state("");
  let width = $state(1920);
  let height = $state(1200);
  let titled = $state(true);

  async function keep(e: SubmitEvent) {
    e.preventDefault();
    if (await looking.keep(plan.newId("viewpoint"), name)) name = "";
  }

  /** The register keeps what editors take. */
  async function keepPicture(file: string) {
    if (!plan.canEdit) return "";
    const { error } = await api.POST("/api/plans/{planId}/taken", {
      params: { path: { planId: plan.id } },
      body: { file },
    });
    if (error) return typeof error === "string" ? error : messageOf(error);
    plan.pictureTaken++;
    return "The register keeps it.";
  }

  let seen = $state.raw<SeenView | null>(null);
  let asked = 0;
  async function list() {
    const from = looking.asViewpoint("now", "Now");
    if (!from) return;
    const mine = ++asked;
    const of = plan.selectedItems[0]?.id;
    const { data } = await api.POST("/api/plans/{planId}/seen", {
      params: { path: { planId: plan.id } },
      body: { from, of },
    });
    if (mine === asked && data) seen = data;
  }
  const side = (aside: number) => (aside < -0.33 ? "left" : aside > 0.33 ? "right" : "ahead");
  const metres = (mm: number) => `${(mm / 1000).toFixed(1)} m`;
  const seats = $derived(looking.here?.seats ?? []);
  let seat = $state("");
  function sit() {
    const chosen = seats.find((one) => one.name.toLowerCase() === seat.trim().toLowerCase());
    if (chosen) looking.sitOn(chosen);
  }
</script>

<ul class="space-y-0.5" aria-label="Viewpoints">
  {#each looking.viewpoints as one (one.id)}
    <li class="flex items-center gap-1">
      <button
        class="min-w-0 flex-1 truncate rounded-md px-1.5 py-1 text-left hover:bg-moss-wash"
        onclick={() => looking.go(one)}>{one.name}</button
      >
      {#if plan.canEdit}
        <button
          class="text-[12px] text-soft underline"
          title="Look so from now on"
          aria-label="Set {one.name} to the look now"
          onclick={() => looking.keep(one.id, one.name)}>set</button
        >
        <button
          class="text-[12px] text-soft underline"
          aria-label="Remove {one.name}"
          onclick={() => plan.do({ do: "remove", ids: [one.id] })}>remove</button
        >
      {/if}
    </li>
  {:else}
    <li class="text-[12px] text-soft">None is kept yet.</li>
  {/each}
</ul>
{#if plan.canEdit}
  <form class="mt-1.5 flex gap-1.5" onsubmit={keep}>
    <span class="field min-w-0 flex-1"
      ><input
        class="w-full outline-none"
        placeholder="From the entrance"
        aria-label="Name of the viewpoint"
        maxlength="40"
        bind:value={name}
      /></span
    >
    <button class="action" disabled={!name.trim()}>Keep</button>
  </form>
{/if}
{#if seats.length}
  <h3 class="heading mt-3 mb-1">From a seat</h3>
  <form
    class="flex gap-1.5"
    onsubmit={(e) => {
      e.preventDefault();
      sit();
    }}
  >
    <span class="field min-w-0 flex-1"
      ><input
        class="w-full outline-none"
        list="seats-in-space"
        placeholder={seats[0]!.name}
        aria-label="Seat to look from"
        bind:value={seat}
      /></span
    >
    <datalist id="seats-in-space">
      {#each seats.slice(0, 2000) as one, i (i)}<option value={one.name}></option>{/each}
    </datalist>
    <button class="action">Sit</button>
  </form>
{/if}
<h3 class="heading mt-3 mb-1">Pictures</h3>
<div class="space-y-1.5">
  <NumberField label="Wide" unit="px" least={16} value={width} onvalue={(to) => (width = to ?? width)} />
  <NumberField label="High" unit="px" least={16} value={height} onvalue={(to) => (height = to ?? height)} />
</div>
<label class="flex min-h-7 items-center gap-1.5"
  ><input type="checkbox" bind:checked={titled} /> Title and revision below</label
>
<BackgroundWork
  {plan}
  order={() => {
    const from = looking.asViewpoint("now", looking.seat.slice(0, 40) || "As seen");
    return from && { kind: "picture", schemeId: plan.schemeId, picture: { width, height, titled, from } };
  }}
  label="Take a picture"
  file="The picture"
  onfile={keepPicture}
/>
{#if looking.viewpoints.length}
  <BackgroundWork
    {plan}
    order={() => ({ kind: "picture-set", schemeId: plan.schemeId, picture: { width, height, titled } })}
    label="One from each viewpoint"
    file="The set of pictures"
  />
{/if}
<details class="mt-3" ontoggle={(e) => e.currentTarget.open && list()}>
  <summary class="heading cursor-pointer">What is seen, in words</summary>
  <button class="action mt-1" onclick={list}>From here</button>
  {#if seen}
    {#if seen.share !== null && seen.share !== undefined}
      <p class="mt-1">Of what is selected {Math.round(seen.share * 100)} % is seen.</p>
    {/if}
    <ol class="mt-1 text-[12px]" aria-label="What is seen" aria-live="polite">
      {#each seen.things as thing (thing.id)}
        <li>{thing.name}, {metres(thing.distance)}, {side(thing.aside)}</li>
      {:else}
        <li class="text-soft">Nothing but walls and floor.</li>
      {/each}
    </ol>
  {/if}
</details>
