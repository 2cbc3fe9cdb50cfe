<script lang="ts">
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  /** The picture is asked for anew with every revision of the plan. */
  const source = $derived(
    `/api/plans/${plan.id}/sheets/${plan.sheet?.id}/draft.png?revision=${plan.view?.revision ?? 0}`,
  );
  let failed = $state(false);
</script>

<div class="flex h-full items-center justify-center overflow-auto bg-[#e4dfd2] p-6">
  {#if failed}
    <p class="text-must" role="alert">The sheet could not be drawn. Look at the messages on the left.</p>
  {/if}
  <img
    class="max-h-full max-w-full bg-white shadow-[4px_4px_0_#c9c3b2]"
    class:hidden={failed}
    src={source}
    alt="The sheet as it would be issued"
    onload={() => (failed = false)}
    onerror={() => (failed = true)}
  />
</div>
