<script lang="ts">
  import { tools, type OpeningChoice } from "../../canvas/tools.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { figuresRead } from "../../parts/readFigure";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  let room = $state({ name: "Room", width: 6000, depth: 4000, wallThickness: 300, height: 3000 });
  let choice = $state<OpeningChoice>({ kind: "SingleDoor", width: 1010, mark: "None", name: "" });
  const usual = { SingleDoor: 1010, DoubleDoor: 1900, Window: 1400, Gap: 1200 };
  const names = { SingleDoor: "Door", DoubleDoor: "Double door", Window: "Window", Gap: "Opening" } as const;

  /** The next room stands beside what is built, to the east, sharing its wall's line. */
  const nextX = $derived(plan.view?.shell.box ? plan.view.shell.box[2]! + 2000 : 0);

  const make = async (sure: boolean, change: Partial<typeof room> = {}) => {
    await figuresRead();
    Object.assign(room, change);
    return plan.do({
      do: "make-room",
      id: plan.newId("room"),
      levelId: plan.view!.levelId,
      ...room,
      x: nextX,
      y: 0,
      sure,
    });
  };
  const likely = $derived(
    plan.refusal?.problem.likely != null && plan.refusal.problem.field in room ? plan.refusal.problem : null,
  );
</script>

<div class="min-h-0 flex-1 overflow-y-auto p-3.5">
  <h2 class="text-[15px] font-semibold">Shell</h2>
  <p class="text-soft">The space as it stands. Locked while you furnish.</p>
  {#if plan.canEdit}
    <h3 class="heading mt-4 mb-2">Room by size</h3>
    <form
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
      <LengthField
        label="Width inside"
        value={room.width}
        units={plan.units}
        onvalue={(v) => (room.width = v)}
      />
      <LengthField
        label="Depth inside"
        value={room.depth}
        units={plan.units}
        onvalue={(v) => (room.depth = v)}
      />
      <LengthField
        label="Wall"
        value={room.wallThickness}
        units={plan.units}
        onvalue={(v) => (room.wallThickness = v)}
      />
      <LengthField label="Height" value={room.height} units={plan.units} onvalue={(v) => (room.height = v)} />
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

    <h3 class="heading mt-5 mb-2">Put in</h3>
    <div class="flex flex-wrap gap-1.5" role="group" aria-label="Kind of opening">
      {#each Object.entries(names) as [kind, name] (kind)}
        <button
          class="pill"
          aria-pressed={choice.kind === kind}
          onclick={() =>
            (choice = {
              ...choice,
              kind: kind as OpeningChoice["kind"],
              width: usual[kind as OpeningChoice["kind"]],
            })}>{name}</button
        >
      {/each}
    </div>
    <div class="mt-2 space-y-1.5">
      <LengthField
        label="Width"
        value={choice.width}
        units={plan.units}
        onvalue={(width) => (choice = { ...choice, width })}
      />
      <div class="flex items-center gap-2">
        <label class="w-[88px] text-soft" for="mark">Marked</label>
        <select id="mark" class="field flex-1" disabled={choice.kind === "Window"} bind:value={choice.mark}>
          <option value="None">No mark</option>
          <option value="EntranceAndExit">Entrance and exit</option>
          <option value="Entrance">Entrance</option>
          <option value="Exit">Exit</option>
          <option value="Service">Service</option>
        </select>
      </div>
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
        disabled={!plan.all("wall").length}
        onclick={(e) => {
          tools.tool = {
            kind: "opening",
            opening: { ...choice, mark: choice.kind === "Window" ? "None" : choice.mark },
          };
          if (e.detail === 0) tools.inMiddle();
        }}
      >
        Put a {names[choice.kind].toLowerCase()} in a wall…
      </button>
      <div class="flex gap-1.5">
        <button
          class="action flex-1"
          onclick={() =>
            plan.do({
              do: "put-column",
              column: {
                id: plan.newId("column"),
                levelId: plan.view!.levelId,
                x: (plan.view!.shell.box?.[0] ?? 0) + 2000,
                y: (plan.view!.shell.box?.[1] ?? 0) + 2000,
                turn: 0,
                width: 350,
                depth: 350,
                round: false,
              },
              sure: false,
            })}>Column</button
        >
        <button
          class="action flex-1"
          onclick={() =>
            plan.do({
              do: "put-keep-clear",
              keepClear: {
                id: plan.newId("keep"),
                levelId: plan.view!.levelId,
                x: (plan.view!.shell.box?.[0] ?? 0) + 3000,
                y: (plan.view!.shell.box?.[1] ?? 0) + 1500,
                turn: 0,
                width: 1000,
                depth: 1000,
                name: "Keep clear",
              },
              sure: false,
            })}>Keep clear</button
        >
      </div>
    </div>
  {/if}
</div>
