<script lang="ts">
  import { untrack } from "svelte";
  import type { Certainty } from "../../app/api";
  import { newChain } from "../../canvas/chain";
  import { tools, type Chain } from "../../canvas/tools.svelte";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { writeLength } from "../../plan/figures";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { usualSizes, wallTypesOf } from "../../plan/usual";
  import { certainties } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  // svelte-ignore state_referenced_locally
  let chain = $state<{ wallType: string; line: Chain["line"]; certainty: Certainty }>({
    wallType: wallTypesOf(plan)[0]![0],
    line: "InsideFace",
    certainty: "Surveyed",
  });
  let roomName = $state("");
  // svelte-ignore state_referenced_locally
  let wallType = $state({
    name: "",
    kind: "Stud",
    thickness: plan.units === "Metric" ? 120 : 127,
    height: usualSizes(plan).ceiling,
  });
  const drawing = $derived(tools.tool.kind === "chain");
  const loose = $derived(plan.shell?.unjoinedEnds ?? []);

  const draw = (what: Chain["what"]) => {
    plan.select([]);
    tools.aim = null;
    tools.tool = { kind: "chain", chain: newChain(plan, { ...chain, what, roomName }) };
  };
  // A choice made while drawing holds for the chain that is drawn.
  $effect(() => {
    const chosen = { ...chain };
    untrack(() => tools.chain(chosen));
  });
</script>

<h3 class="heading mt-4 mb-2">Walls by length</h3>
<div class="space-y-1.5">
  <Choice label="Wall type" bind:value={chain.wallType} options={wallTypesOf(plan)} />
  <Choice
    label="Drawn along"
    bind:value={chain.line}
    options={[
      ["InsideFace", "Inside face"],
      ["Centre", "Centre"],
      ["OutsideFace", "Outside face"],
    ]}
  />
  <Choice label="Lengths are" bind:value={chain.certainty} options={certainties} />
  <button class="action-main w-full" disabled={drawing} onclick={() => draw("walls")}>Draw walls</button>
</div>

<h3 class="heading mt-5 mb-2">Lines without walls</h3>
<div class="space-y-1.5">
  <div class="flex items-center gap-2">
    <label class="w-[88px] text-soft" for="outline-name">Room name</label>
    <span class="field flex-1"
      ><input
        id="outline-name"
        class="w-full outline-none"
        maxlength="60"
        placeholder="for a closed one"
        bind:value={roomName}
      /></span
    >
  </div>
  <button class="action w-full" disabled={drawing} onclick={() => draw("boundary")}>Draw a boundary</button>
  <p class="text-[12px] text-soft">
    Splits a space by use, or outlines a terrace. Its area shows once it is closed.
  </p>
</div>

{#if loose.length}
  <h3 class="heading mt-5 mb-2">Unjoined ends</h3>
  <ul class="space-y-1">
    {#each loose as end (end.wallId + end.atStart)}
      <li>
        <button
          class="action w-full"
          onclick={() => plan.do({ do: "extend-to-meet", id: end.wallId, atStart: end.atStart })}
          >Extend to meet, {writeLength(Math.round(end.gap), plan.units)}</button
        >
      </li>
    {/each}
  </ul>
{/if}

<details class="mt-5">
  <summary class="heading cursor-pointer">Add a wall type</summary>
  <div class="mt-2 space-y-1.5">
    <div class="flex items-center gap-2">
      <label class="w-[88px] text-soft" for="wall type-name">Name</label>
      <span class="field flex-1"
        ><input
          id="wall type-name"
          class="w-full outline-none"
          maxlength="40"
          bind:value={wallType.name}
        /></span
      >
    </div>
    <Choice
      label="Kind"
      bind:value={wallType.kind}
      options={[
        ["Masonry", "Masonry"],
        ["Stud", "Stud"],
        ["HalfHeight", "Half height"],
        ["Glass", "Glass"],
        ["Movable", "Movable"],
      ]}
    />
    <LengthField
      label="Thickness"
      value={wallType.thickness}
      units={plan.units}
      onvalue={(v) => (wallType.thickness = v)}
    />
    <LengthField
      label="Height"
      value={wallType.height}
      units={plan.units}
      onvalue={(v) => (wallType.height = v)}
    />
    <button
      class="action w-full"
      disabled={!wallType.name.trim()}
      onclick={async (e) => {
        if (!(await formIsRead(plan, e.currentTarget.parentElement))) return;
        const made = {
          type: "wall-type" as const,
          id: plan.newId("wall-type"),
          ...wallType,
          kind: wallType.kind as never,
        };
        if (await plan.do({ do: "put-wall-type", wallType: made })) chain.wallType = wallType.name.trim();
      }}>Add to the list</button
    >
  </div>
</details>
