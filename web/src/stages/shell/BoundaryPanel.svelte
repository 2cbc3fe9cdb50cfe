<script lang="ts">
  import type { Boundary } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import WallDistances from "../../parts/WallDistances.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { endLies } from "./words";

  let { plan, boundary }: { plan: OpenPlan; boundary: Boundary } = $props();

  let stays = $state<"Start" | "End" | "Middle">("Start");
  const straight = $derived(!boundary.bow);
  const length = $derived(plan.shell?.boundaryViews.find((b) => b.id === boundary.id)?.length ?? 0);
  // The panel is made anew for each thing: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = boundary.id;
  const bow = (through: { x: number; y: number }) => plan.do({ do: "bow-boundary", id, through });
</script>

<LengthField
  label="Length"
  value={length}
  units={plan.units}
  disabled={!straight}
  onvalue={(value) => plan.do({ do: "set-boundary-length", id, length: value, stays })}
/>
<Choice
  label="Stays"
  bind:value={stays}
  options={[
    ["Start", `its ${endLies(boundary, true)} end`],
    ["End", `its ${endLies(boundary, false)} end`],
    ["Middle", "its middle"],
  ]}
/>
<WallDistances {plan} {id} />
<button class="action w-full" onclick={() => tools.ask("Press where it is to pass", 1, ([p]) => void bow(p!))}
  >Curve through a point</button
>
{#if !straight}
  <button
    class="action w-full"
    onclick={() =>
      bow({ x: (boundary.start.x! + boundary.end.x!) / 2, y: (boundary.start.y! + boundary.end.y!) / 2 })}
    >Make it straight</button
  >
{/if}
