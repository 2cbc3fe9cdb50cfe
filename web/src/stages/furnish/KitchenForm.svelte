<script lang="ts">
  import { tools } from "../../canvas/tools.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import Select from "../../parts/Select.svelte";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Puts in a kitchen along walls: its shape and lengths are typed, then the wall is pressed. */
  let { plan }: { plan: OpenPlan } = $props();

  type Shape = "Straight" | "Corner" | "ThreeSided" | "Facing";
  let shape = $state<Shape>("Straight");
  let length = $state(3000);
  let second = $state(2400);
  let third = $state(1800);
  let wallUnits = $state(false);
  let island = $state(false);
  let gap = $state(1200);
  let form = $state<HTMLElement>();

  const shapes = [
    ["Straight", "One line"],
    ["Corner", "Two lines in a corner"],
    ["ThreeSided", "A wall and both beside it"],
    ["Facing", "Two lines facing"],
  ] as const;

  async function pick() {
    if (!(await formIsRead(plan, form))) return;
    tools.ask(
      "Press inside the room, near the wall",
      1,
      ([at]) => {
        const id = plan.newId("kitchen");
        tools.rest();
        void plan
          .do({
            do: "put-kitchen",
            id,
            schemeId: plan.schemeId,
            levelId: plan.levelId,
            x: at!.x,
            y: at!.y,
            shape,
            length,
            secondLength: second,
            thirdLength: third,
            depth: 620,
            wallUnits,
            islandGap: island ? gap : undefined,
          })
          .then((done) => {
            if (done) plan.select([id]);
          });
      },
      false,
    );
  }
</script>

<details class="border-t border-edge px-3.5 py-2">
  <summary class="cursor-pointer font-medium">Kitchen along walls</summary>
  <div class="mt-1.5 space-y-1.5" bind:this={form}>
    <Select label="Shape of the kitchen" class="field w-full" options={shapes} bind:value={shape} />
    {#if shape !== "ThreeSided"}
      <LengthField label="Length" value={length} units={plan.units} onvalue={(v) => (length = v)} />
    {/if}
    {#if shape === "Corner" || shape === "ThreeSided"}
      <LengthField label="Second line" value={second} units={plan.units} onvalue={(v) => (second = v)} />
    {/if}
    {#if shape === "ThreeSided"}
      <LengthField label="Third line" value={third} units={plan.units} onvalue={(v) => (third = v)} />
    {/if}
    <label class="flex items-center gap-2"
      ><input type="checkbox" bind:checked={wallUnits} /> Wall units above</label
    >
    <label class="flex items-center gap-2"
      ><input type="checkbox" bind:checked={island} /> Island before it</label
    >
    {#if island}
      <LengthField label="Between" value={gap} units={plan.units} onvalue={(v) => (gap = v)} />
    {/if}
    <button class="action-main w-full" disabled={!plan.canEdit} onclick={pick}>Press the wall</button>
  </div>
</details>
