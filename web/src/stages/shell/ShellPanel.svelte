<script lang="ts">
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import FixedForm from "./FixedForm.svelte";
  import OpeningForm from "./OpeningForm.svelte";
  import RoomForm from "./RoomForm.svelte";
  import SetOutForm from "./SetOutForm.svelte";
  import TraceForm from "./TraceForm.svelte";
  import WallForm from "./WallForm.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const parts = ["Rooms", "Walls", "Openings", "Fixed", "Trace", "Set out"] as const;
  let part = $state<(typeof parts)[number]>("Rooms");
</script>

<div class="min-h-0 flex-1 overflow-y-auto p-3.5">
  <h2 class="text-[15px] font-semibold">Shell</h2>
  <p class="text-soft">The space as it stands. Locked while you furnish.</p>
  {#if plan.canEdit}
    <div class="mt-3 flex flex-wrap gap-1.5" role="group" aria-label="Parts of the shell">
      {#each parts as name (name)}
        <button class="pill" aria-pressed={part === name} onclick={() => (part = name)}>{name}</button>
      {/each}
    </div>
    {#if part === "Rooms"}<RoomForm {plan} />
    {:else if part === "Walls"}<WallForm {plan} />
    {:else if part === "Openings"}<OpeningForm {plan} />
    {:else if part === "Fixed"}<FixedForm {plan} />
    {:else if part === "Trace"}<TraceForm {plan} />
    {:else}<SetOutForm {plan} />{/if}
  {/if}
</div>
