<script lang="ts">
  import type { Column, KeepClear, Opening } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import { writeArea } from "../../plan/figures";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const rooms = $derived(plan.view?.shell.rooms ?? []);
  const openings = $derived(plan.all("opening") as Opening[]);
  const columns = $derived(plan.all("column") as Column[]);
  const clear = $derived(plan.all("keep-clear") as KeepClear[]);
  let chosen = $state<string | null>(null);
  const kinds = { SingleDoor: "Door", DoubleDoor: "Double door", Window: "Window", Gap: "Opening" } as const;

  const put = (opening: Opening, change: Partial<Opening>) =>
    plan.do({
      do: "put-opening",
      opening: {
        ...opening,
        ...change,
        clearWidth: "width" in change ? 0 : (change.clearWidth ?? opening.clearWidth),
      },
      sure: false,
    });
  const column = (c: Column, change: Partial<Column>) =>
    plan.do({ do: "put-column", column: { ...c, ...change }, sure: false });
  const area = (k: KeepClear, change: Partial<KeepClear>) =>
    plan.do({ do: "put-keep-clear", keepClear: { ...k, ...change }, sure: false });
</script>

<section class="p-3.5">
  <h2 class="text-[15px] font-semibold">{plan.all("level")[0]?.name}</h2>
  <h3 class="heading mt-3 mb-1">Rooms found</h3>
  {#each rooms as room (room.id)}
    <div class="border-b border-edge py-1.5">
      <input
        class="w-full rounded border border-transparent bg-transparent px-1 font-semibold hover:border-edge focus:bg-white"
        aria-label="Name of the room"
        value={room.name}
        disabled={!plan.canEdit}
        onchange={(e) =>
          plan.do({
            do: "name-room",
            id: room.id,
            name: e.currentTarget.value,
            use: "",
            number: room.number,
          })}
      />
      <dl class="grid grid-cols-2 px-1 text-[12px]">
        <dt class="text-soft">Net internal</dt>
        <dd class="font-figure text-right font-semibold">{writeArea(room.netInternal, plan.units)}</dd>
        <dt class="text-soft">Gross internal</dt>
        <dd class="font-figure text-right font-semibold">{writeArea(room.grossInternal, plan.units)}</dd>
      </dl>
    </div>
  {:else}
    <p class="text-soft">No room yet. Type one by its size on the left.</p>
  {/each}
  <p class="mt-1 text-[11px] text-soft">
    Net and gross internal after the RICS Code of Measuring Practice, from memory; check against the adopted
    edition.
  </p>

  {#if openings.length}
    <h3 class="heading mt-4 mb-1">Doors and windows</h3>
    <ul>
      {#each openings as opening (opening.id)}
        <li>
          <button
            class="w-full rounded min-h-6 px-1.5 py-0.5 text-left hover:bg-moss-wash {chosen === opening.id
              ? 'bg-moss-wash font-semibold'
              : ''}"
            aria-expanded={chosen === opening.id}
            onclick={() => (chosen = chosen === opening.id ? null : opening.id)}
          >
            {opening.name || kinds[opening.kind as keyof typeof kinds]}
            {opening.mark !== "None"
              ? `· ${{ Entrance: "entrance", Exit: "exit", EntranceAndExit: "entrance and exit", Service: "service" }[opening.mark as string]}`
              : ""}
          </button>
          {#if chosen === opening.id && plan.canEdit}
            <div class="space-y-1.5 py-2 pl-1.5">
              <LengthField
                label="Along wall"
                value={opening.along}
                units={plan.units}
                onvalue={(along) => put(opening, { along })}
              />
              <LengthField
                label="Width"
                value={opening.width}
                units={plan.units}
                onvalue={(width) => put(opening, { width })}
              />
              {#if opening.kind !== "Window"}
                <LengthField
                  label="Clear width"
                  value={opening.clearWidth}
                  units={plan.units}
                  onvalue={(clearWidth) => put(opening, { clearWidth })}
                />
              {/if}
              <LengthField
                label="Head"
                value={opening.height}
                units={plan.units}
                onvalue={(height) => put(opening, { height })}
              />
              <div class="flex flex-wrap gap-1.5">
                {#if opening.kind === "SingleDoor"}
                  <button class="action" onclick={() => put(opening, { hingeAtEnd: !opening.hingeAtEnd })}
                    >Other hinge</button
                  >
                {/if}
                {#if opening.kind === "SingleDoor" || opening.kind === "DoubleDoor"}
                  <button class="action" onclick={() => put(opening, { swingsRight: !opening.swingsRight })}
                    >Other swing</button
                  >
                {/if}
                <button class="action text-must" onclick={() => plan.do({ do: "remove", ids: [opening.id] })}
                  >Remove</button
                >
              </div>
            </div>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}

  {#if columns.length + clear.length}
    <h3 class="heading mt-4 mb-1">Columns and keep clear</h3>
    <ul>
      {#each [...columns, ...clear] as thing (thing.id)}
        {@const set = (change: object) =>
          thing.type === "column" ? column(thing as Column, change) : area(thing as KeepClear, change)}
        <li>
          <button
            class="w-full rounded min-h-6 px-1.5 py-0.5 text-left hover:bg-moss-wash {chosen === thing.id
              ? 'bg-moss-wash font-semibold'
              : ''}"
            aria-expanded={chosen === thing.id}
            onclick={() => (chosen = chosen === thing.id ? null : thing.id)}
          >
            {thing.type === "column"
              ? `Column ${Math.round(thing.x)}, ${Math.round(thing.y)}`
              : (thing as KeepClear).name || "Keep clear"}
          </button>
          {#if chosen === thing.id && plan.canEdit}
            <div class="space-y-1.5 py-2 pl-1.5">
              <LengthField label="From west" value={thing.x} units={plan.units} onvalue={(x) => set({ x })} />
              <LengthField
                label="From south"
                value={thing.y}
                units={plan.units}
                onvalue={(y) => set({ y })}
              />
              <LengthField
                label="Width"
                value={thing.width}
                units={plan.units}
                onvalue={(width) => set({ width })}
              />
              <LengthField
                label="Depth"
                value={thing.depth}
                units={plan.units}
                onvalue={(depth) => set({ depth })}
              />
              <button class="action text-must" onclick={() => plan.do({ do: "remove", ids: [thing.id] })}
                >Remove</button
              >
            </div>
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</section>
