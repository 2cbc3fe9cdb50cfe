<script lang="ts">
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** What else can be selected from one item, and which of those that lie on each other is drawn before the other. */
  let { plan, id }: { plan: OpenPlan; id: string } = $props();

  let said = $state("");
  const ways = [
    ["OfKind", "All of its kind", "no others of its kind"],
    ["OfRoom", "All in its room", "in no room"],
    ["OfZone", "All in its zone", "in no zone"],
    ["Beneath", "What lies beneath", "nothing lies beneath it"],
  ] as const;

  async function select(which: (typeof ways)[number][0], none: string) {
    const found = await plan.selectionOf(id, which);
    said = found.length ? "" : `Selected none: ${none}.`;
    if (found.length) plan.select(found);
  }

  /** The opposite: everything here that is not this. */
  const others = () =>
    plan.select(plan.items.filter((item) => !item.setAside && item.id !== id).map((item) => item.id));
</script>

<details class="mt-3">
  <summary class="cursor-pointer text-soft">Select more, order</summary>
  <div class="mt-1.5 flex flex-wrap gap-1.5">
    {#each ways as [which, name, none] (which)}
      <button class="pill" onclick={() => select(which, none)}>{name}</button>
    {/each}
    <button class="pill" onclick={others}>All but this</button>
  </div>
  {#if plan.canEdit}
    <div class="mt-1.5 flex flex-wrap gap-1.5">
      <button class="action" onclick={() => plan.do({ do: "order-items", ids: [id], toFront: true })}
        >Bring to the front</button
      >
      <button class="action" onclick={() => plan.do({ do: "order-items", ids: [id], toFront: false })}
        >Put behind</button
      >
    </div>
  {/if}
  {#if said}<p class="mt-1 text-[12px] text-soft" role="status">{said}</p>{/if}
</details>
