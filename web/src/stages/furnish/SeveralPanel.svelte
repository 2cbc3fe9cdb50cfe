<script lang="ts">
  import type { Item } from "../../app/api";
  import { duplicate } from "../../plan/keys";
  import { seatsOf } from "../../things/seating";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import GroupStart from "./GroupStart.svelte";
  import OffsetFields from "./OffsetFields.svelte";
  import NumberFields from "./NumberFields.svelte";
  import LineUpFields from "./LineUpFields.svelte";
  import RepeatStart from "./RepeatStart.svelte";

  let { plan, items }: { plan: OpenPlan; items: Item[] } = $props();

  const ids = $derived(items.map((item) => item.id));
  function cluster() {
    const id = plan.newId("cluster");
    void plan.groups.make(id, { do: "make-cluster", id, ids, name: "" });
  }
  const seats = $derived(seatsOf(plan, items));
</script>

<section class="p-3.5" aria-label="Selected items">
  <h2 class="text-[15px] font-semibold">{items.length} items</h2>
  <p class="text-soft">{seats} seats</p>
  <ul class="mt-3 max-h-80 overflow-y-auto border-y border-edge">
    {#each items as item (item.id)}
      <li class="py-0.5">{plan.itemViews.get(item.id)?.name}</li>
    {/each}
  </ul>
  {#if plan.canEdit}
    <h3 class="heading mt-4 mb-2">Arrange</h3>
    <div class="flex flex-wrap gap-1.5">
      <button class="action" title="They move and count as one" onclick={cluster}>Make a cluster</button>
      <button class="action" onclick={() => duplicate(plan, ids)}>Duplicate</button>
      <button class="action" onclick={() => plan.do({ do: "mirror-items", ids, mirror: "LeftRight" })}
        >Mirror left and right</button
      >
      <button class="action" onclick={() => plan.do({ do: "mirror-items", ids, mirror: "UpDown" })}
        >Mirror up and down</button
      >
      <button class="action" onclick={() => plan.do({ do: "rotate-items", ids, degrees: 90 })}
        >Rotate 90°</button
      >
      <button
        class="action"
        onclick={() => plan.do({ do: "lock", ids, locked: !items.every((i) => i.locked) })}
        >{items.every((i) => i.locked) ? "Unlock" : "Lock"}</button
      >
      <button class="action" onclick={() => plan.do({ do: "set-items-aside", ids, setAside: true })}
        >Take off the plan</button
      >
      <button class="action text-must" onclick={() => plan.do({ do: "remove", ids })}>Remove</button>
    </div>
    <GroupStart {plan} {ids} />
    <OffsetFields {plan} {ids} />
    <RepeatStart {plan} {ids} />
    <NumberFields {plan} {items} />
    <LineUpFields {plan} {items} />
  {/if}
</section>
