<script lang="ts">
  import { tools, type OpeningChoice } from "../../canvas/tools.svelte";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { writeLength } from "../../plan/figures";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { widthsOf } from "../../plan/usual";
  import { marks, openingNames } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  let choice = $state<OpeningChoice>({
    kind: "SingleDoor",
    width: usualOf("SingleDoor"),
    mark: "None",
    name: "",
  });

  /** The third of the usual widths of a kind, or the last. */
  function usualOf(kind: string) {
    const offered = widthsOf(
      plan,
      plan.catalogue!.openings.find((o) => o.kind === kind)!,
    );
    return offered[Math.min(2, offered.length - 1)]!;
  }
  const size = $derived(plan.catalogue!.openings.find((o) => o.kind === choice.kind)!);
</script>

<h3 class="heading mt-4 mb-2">Put in an opening</h3>
<div class="flex flex-wrap gap-1.5" role="group" aria-label="Kind of opening">
  {#each Object.entries(openingNames) as [kind, name] (kind)}
    <button
      class="pill"
      aria-pressed={choice.kind === kind}
      onclick={() => {
        choice = { ...choice, kind: kind as OpeningChoice["kind"], width: usualOf(kind) };
      }}>{name}</button
    >
  {/each}
</div>
<div class="mt-2 space-y-1.5">
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Usual widths">
    {#each widthsOf(plan, size) as width (width)}
      <button
        class="pill"
        aria-pressed={choice.width === width}
        onclick={() => (choice = { ...choice, width })}>{writeLength(width, plan.units)}</button
      >
    {/each}
  </div>
  <LengthField
    label="Width"
    value={choice.width}
    units={plan.units}
    onvalue={(width) => (choice = { ...choice, width })}
  />
  <Choice label="Marked" bind:value={choice.mark} options={marks} disabled={choice.kind === "Window"} />
  <div class="flex items-center gap-2">
    <label class="w-[88px] text-soft" for="opening-name">Name</label>
    <span class="field flex-1"
      ><input
        id="opening-name"
        class="w-full outline-none"
        maxlength="40"
        placeholder="not named"
        bind:value={choice.name}
      /></span
    >
  </div>
  <button
    class="action-main w-full"
    disabled={!plan.here("wall").length}
    onclick={async (e) => {
      if (!(await formIsRead(plan, e.currentTarget.parentElement))) return;
      plan.select([]);
      tools.tool = {
        kind: "opening",
        opening: { ...choice, mark: choice.kind === "Window" ? "None" : choice.mark },
      };
      if (e.detail === 0) tools.inMiddle();
    }}
  >
    Put a {openingNames[choice.kind].toLowerCase()} in a wall…
  </button>
  <p class="text-[12px] text-soft">It opens to the side you press on. Usual widths are common practice.</p>
</div>
