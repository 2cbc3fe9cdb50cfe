<script lang="ts">
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import ThingButtons from "../../things/ThingButtons.svelte";

  let { plan }: { plan: OpenPlan } = $props();
</script>

<h3 class="heading mt-4 mb-2">Fixed to the building</h3>
<div class="grid grid-cols-2 gap-1.5">
  <ThingButtons {plan} stage="Shell" without={["fitting"]} />
</div>
<h3 class="heading mt-5 mb-2">Fittings</h3>
<div class="grid grid-cols-2 gap-1.5">
  <ThingButtons {plan} stage="Shell" only="fitting" />
</div>
<p class="mt-2 text-[12px] text-soft">
  Press where it goes; then type its size and its distances from two walls on the right.
</p>
