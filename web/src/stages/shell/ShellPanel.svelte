<script lang="ts">
  import { Tabs } from "bits-ui";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import FixedForm from "./FixedForm.svelte";
  import OpeningForm from "./OpeningForm.svelte";
  import RoomForm from "./RoomForm.svelte";
  import SetOutForm from "./SetOutForm.svelte";
  import TraceForm from "./TraceForm.svelte";
  import WallForm from "./WallForm.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const parts = {
    Rooms: RoomForm,
    Walls: WallForm,
    Openings: OpeningForm,
    Fixed: FixedForm,
    Trace: TraceForm,
    "Set out": SetOutForm,
  };
</script>

<div class="min-h-0 flex-1 overflow-y-auto p-3.5" data-form>
  <h2 class="text-[15px] font-semibold">Shell</h2>
  <p class="text-soft">The space as it stands. Locked while you furnish.</p>
  {#if plan.canEdit}
    <Tabs.Root bind:value={plan.part}>
      <Tabs.List class="mt-3 flex flex-wrap gap-1.5" aria-label="Parts of the shell">
        {#each Object.keys(parts) as name (name)}
          <Tabs.Trigger
            value={name}
            class="pill data-[state=active]:border-moss data-[state=active]:bg-moss data-[state=active]:text-white"
            >{name}</Tabs.Trigger
          >
        {/each}
      </Tabs.List>
      {#each Object.entries(parts) as [name, Part] (name)}
        <Tabs.Content value={name}
          >{#if plan.part === name}<Part {plan} />{/if}</Tabs.Content
        >
      {/each}
    </Tabs.Root>
  {/if}
</div>
