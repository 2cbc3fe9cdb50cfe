<script lang="ts">
  import { tick } from "svelte";
  import { newChain } from "../../canvas/chain";
  import { tools } from "../../canvas/tools.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { wallTypesOf } from "../../plan/usual";

  let { plan }: { plan: OpenPlan } = $props();

  const empty = $derived(
    plan.canEdit &&
      plan.stage === "shell" &&
      tools.tool.kind === "select" &&
      !plan.here("wall").length &&
      !plan.here("boundary").length &&
      !plan.here("backing").length &&
      !plan.things.length,
  );

  async function type() {
    plan.part = "Rooms";
    await tick();
    const field = document.querySelector<HTMLInputElement>("[data-first-figure] [data-figure]");
    field?.focus();
    field?.select();
  }

  function draw() {
    plan.part = "Walls";
    tools.aim = null;
    tools.tool = { kind: "chain", chain: newChain(plan, { wallType: wallTypesOf(plan)[0]![0] }) };
  }
</script>

{#if empty}
  <section
    class="absolute top-1/2 left-1/2 w-[340px] -translate-x-1/2 -translate-y-1/2 rounded-lg border border-edge bg-white p-5 text-center"
    aria-label="How to begin"
  >
    <h2 class="text-[15px] font-semibold">Begin with the space</h2>
    <p class="mt-1 text-soft">Everything else stands in it. You can go on in any of these ways later.</p>
    <div class="mt-4 space-y-2">
      <button class="action-main w-full" onclick={type}>Type the size of a room</button>
      <button class="action w-full" onclick={draw}>Draw its walls, length by length</button>
      <button class="action w-full" onclick={() => (plan.part = "Trace")}>Trace a picture or a PDF</button>
    </div>
  </section>
{/if}
