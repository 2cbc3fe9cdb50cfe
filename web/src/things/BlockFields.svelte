<script lang="ts">
  import { api, type BlockOffer, type Edit, type Item, type Spot, type Thing } from "../app/api";
  import { tools } from "../canvas/tools.svelte";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { isOfChairs, seatsOf } from "./seating";

  /** What a block holds now, and what can be done with it as a whole. */
  let { plan, thing }: { plan: OpenPlan; thing: Thing } = $props();

  const tables = $derived(
    [...plan.entities.values()].filter((e): e is Item => e.type === "item" && e.parent === thing.id),
  );
  const seats = $derived(seatsOf(plan, tables));
  /** How many stand at its high tables; 0 where people sit. */
  const standing = $derived(
    tables.reduce((sum, item) => sum + (plan.placeable.entry(item.catalogue)?.item.standAt ?? 0), 0),
  );
  const source = $derived(
    plan.kindOf(thing)?.ready.find((one) => (one.template as unknown as Thing).style === thing.style)?.source,
  );
  const wanted = $derived(thing.wanted as number | null | undefined);
  const guests = $derived(thing.guests as number | null | undefined);
  const ofChairs = $derived(isOfChairs(thing.style));
  const asked = $derived(guests ?? wanted);
  const kept = $derived((thing.kept as string[] | undefined) ?? []);
  const leftOut = $derived((thing.leftOut as Spot[] | undefined) ?? []);
  /** How it would hold more, as the server has found by trying. */
  let offers = $state.raw<readonly BlockOffer[]>([]);
  let looked = $state(false);
  async function look() {
    const asked = { path: { planId: plan.id }, query: { blockId: thing.id } };
    const { data } = await api
      .GET("/api/plans/{planId}/offers", { params: asked })
      .catch(() => ({ data: undefined }));
    offers = data ?? [];
    looked = data !== undefined;
  }
  // What was offered holds for the plan as it was.
  $effect(() => {
    void plan.view?.revision;
    looked = false;
  });

  const lookAtPoint = () =>
    tools.ask("Press what those seated look at", 1, ([at]) => {
      if (at) void plan.do({ do: "look-at", id: thing.id, x: at.x, y: at.y });
    });

  const again = (change: object) =>
    plan.do(
      () => ({ do: "put-thing", thing: { ...plan.entities.get(thing.id), ...change } }) as unknown as Edit,
    );
</script>

<p
  class={(wanted && tables.length < wanted) || (guests && seats + standing < guests)
    ? "font-semibold text-must"
    : "font-semibold"}
  role="status"
  aria-label="What the block holds"
>
  {#if ofChairs}{seats}{asked ? ` of ${asked}` : ""} seats{:else}{tables.length}{wanted
      ? ` of ${wanted}`
      : ""} tables, {standing || seats}{guests ? ` of ${guests}` : ""}
    {standing ? "standing" : "seats"}{/if}
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
  <button class="action" onclick={() => plan.select(tables.map((item) => item.id))}
    >Select its {ofChairs ? "chairs" : "tables"}</button
  >
  <button class="action" onclick={lookAtPoint}>Look to a point</button>
  <button class="action" onclick={() => plan.do({ do: "release-block", id: thing.id })}>Ungroup</button>
</div>
<p class="text-[11.5px] leading-snug text-soft" aria-label="Where its usual gaps come from">{source}</p>
<button class="action w-full" onclick={look}>How could it hold more?</button>
{#if looked}
  <ul aria-label="It would hold more with">
    {#each offers as offer (offer.words)}
      <li>
        <button
          class="min-h-6 w-full rounded px-1.5 py-0.5 text-left hover:bg-moss-wash"
          disabled={!offer.edit}
          onclick={() => offer.edit && plan.do(offer.edit as Edit)}
          >{offer.words}: {ofChairs ? "" : `${offer.tables} tables,`}
          <span class="font-semibold">{offer.morePlaces} {standing ? "standing" : "seats"} more</span></button
        >
      </li>
    {:else}
      <li class="text-soft">Neither layout, smaller gaps nor the next smaller table hold more.</li>
    {/each}
  </ul>
{/if}
