<script lang="ts">
  import type { Certainty } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import Choice from "../../parts/Choice.svelte";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { usualSizes, wallTypesOf } from "../../plan/usual";
  import { certainties } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  // svelte-ignore state_referenced_locally
  const usual = usualSizes(plan);
  // svelte-ignore state_referenced_locally
  let room = $state({
    name: "Room",
    width: usual.roomWidth,
    depth: usual.roomDepth,
    height: plan.level?.height ?? usual.ceiling,
    wallType: wallTypesOf(plan)[0]![0],
    certainty: "Surveyed" as Certainty,
  });
  let shape = $state<"Rectangle" | "L-shape" | "Outline">("Rectangle");
  let notch = $state({ notchWidth: 2000, notchDepth: 1500, notchAt: "NorthEast" as const });
  let at = $state<{ x: number; y: number } | null>(null);
  let form = $state<HTMLFormElement>();

  /** Unless it is said, the next room stands beside what is built, to the east, so that it shares the wall there. */
  const place = $derived(
    at ?? {
      x: plan.shell?.box ? plan.shell.box[2]! : 0,
      y: beside(plan.shell?.rooms.map((r) => r.outline) ?? []),
    },
  );
  function beside(outlines: { x?: number; y?: number }[][]) {
    const right = Math.max(...outlines.flat().map((p) => p.x!));
    return outlines.length
      ? Math.min(
          ...outlines
            .flat()
            .filter((p) => right - p.x! < 1)
            .map((p) => p.y!),
        )
      : 0;
  }

  const make = async (sure: boolean, change: Partial<typeof room> = {}) => {
    if (!(await formIsRead(plan, form))) return;
    Object.assign(room, change);
    const made = await plan.do({
      do: "make-room",
      id: plan.newId("room"),
      levelId: plan.levelId,
      ...room,
      wallThickness: 0,
      ...place,
      notchWidth: 0,
      notchDepth: 0,
      notchAt: "NorthEast",
      ...(shape === "L-shape" ? notch : {}),
      outline: shape === "Outline",
      sure,
    });
    if (made) at = null;
  };
  const likely = $derived(
    plan.refusal?.problem.likely != null && plan.refusal.problem.field in room ? plan.refusal.problem : null,
  );
</script>

<h3 class="heading mt-4 mb-2">Room by size</h3>
<form
  bind:this={form}
  class="space-y-1.5"
  onsubmit={(e) => {
    e.preventDefault();
    void make(false);
  }}
>
  <div class="flex items-center gap-2">
    <label class="w-[88px] text-soft" for="room-name">Name</label>
    <span class="field flex-1"
      ><input id="room-name" class="w-full outline-none" maxlength="60" bind:value={room.name} /></span
    >
  </div>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Shape">
    {#each ["Rectangle", "L-shape", "Outline"] as const as name (name)}
      <button type="button" class="pill" aria-pressed={shape === name} onclick={() => (shape = name)}
        >{name}</button
      >
    {/each}
  </div>
  <div data-first-figure>
    <LengthField
      label="Width inside"
      value={room.width}
      units={plan.units}
      onvalue={(v) => (room.width = v)}
    />
  </div>
  <LengthField label="Depth inside" value={room.depth} units={plan.units} onvalue={(v) => (room.depth = v)} />
  {#if shape === "L-shape"}
    <LengthField
      label="Notch width"
      value={notch.notchWidth}
      units={plan.units}
      onvalue={(v) => (notch.notchWidth = v)}
    />
    <LengthField
      label="Notch depth"
      value={notch.notchDepth}
      units={plan.units}
      onvalue={(v) => (notch.notchDepth = v)}
    />
    <Choice
      label="Notch at"
      bind:value={notch.notchAt}
      options={[
        ["NorthEast", "North-east"],
        ["NorthWest", "North-west"],
        ["SouthEast", "South-east"],
        ["SouthWest", "South-west"],
      ]}
    />
  {/if}
  {#if shape !== "Outline"}
    <Choice label="Wall" bind:value={room.wallType} options={wallTypesOf(plan)} />
    <Choice label="Lengths are" bind:value={room.certainty} options={certainties} />
  {/if}
  <LengthField label="Height" value={room.height} units={plan.units} onvalue={(v) => (room.height = v)} />
  <details>
    <summary class="cursor-pointer text-soft">Where its south-west corner lies</summary>
    <div class="mt-1.5 space-y-1.5">
      <LengthField
        label="Corner x"
        value={place.x}
        units={plan.units}
        onvalue={(x) => (at = { ...place, x })}
      />
      <LengthField
        label="Corner y"
        value={place.y}
        units={plan.units}
        onvalue={(y) => (at = { ...place, y })}
      />
    </div>
  </details>
  {#if likely}
    <button
      type="button"
      class="action w-full"
      onclick={() => make(false, { [likely.field]: likely.likely! })}
    >
      Yes, make it {Math.round(likely.likely!)} mm
    </button>
  {/if}
  <button class="action-main w-full">Make the room</button>
</form>
<p class="mt-2 text-[12px] text-soft">
  Any other room: draw its walls under Walls. A room made beside another shares its wall.
</p>
