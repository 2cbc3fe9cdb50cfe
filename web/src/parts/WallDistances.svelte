<script lang="ts">
  import { writeWidth } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import LengthField from "./LengthField.svelte";

  /** The clear distances from what is selected to the walls either side of it; typed, it moves straight there. */
  let { plan, id, disabled = false }: { plan: OpenPlan; id: string; disabled?: boolean } = $props();

  // West before east and south before north, as a plan is read.
  const order = ["West", "East", "South", "North"];
  const walls = $derived(plan.wallsAround.toSorted((a, b) => order.indexOf(a.side) - order.indexOf(b.side)));
</script>

{#each walls as ahead (ahead.side)}
  <LengthField
    label="To {ahead.side.toLowerCase()} wall"
    value={ahead.distance}
    units={plan.units}
    write={writeWidth}
    {disabled}
    onvalue={(distance) => plan.do({ do: "put-from-wall", id, side: ahead.side, distance })}
  />
{/each}
