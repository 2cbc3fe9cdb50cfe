<script lang="ts">
  import type { Edit, Fixture, Flight, Spot } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan, fixture }: { plan: OpenPlan; fixture: Fixture } = $props();

  // The panel is made anew for each thing: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = fixture.id;
  const put = (change: object) =>
    plan.do(
      () =>
        ({
          do: "put-thing",
          fixture: { ...plan.entities.get(id), ...change },
          sure: false,
        }) as Edit,
    );
  const walls = $derived(
    plan.near.map((n) => ({ ...n, wallId: plan.wallOf(n.otherId) })).filter((n) => n.wallId !== null),
  );
  let grid = $state({ columns: 2, rows: 1, columnSpacing: 3000, rowSpacing: 3000 });
  const towards = (from: Spot, to: Spot) =>
    Math.abs(from.x - to.x) < Math.abs(from.y - to.y)
      ? `to the ${to.y > from.y ? "north" : "south"}`
      : `to the ${to.x > from.x ? "east" : "west"}`;
  const round = $derived(fixture.type === "column" && fixture.round);
  const upper = $derived(
    plan.levels.filter((l) => l.elevation > (plan.level?.elevation ?? 0)).map((l) => [l.id, l.name] as const),
  );
</script>

{#each walls as near, i (i)}
  <LengthField
    label="From wall"
    value={near.width}
    units={plan.units}
    hint={towards(near.from as Spot, near.to as Spot)}
    onvalue={(distance) =>
      plan.do({
        do: "put-by-offsets",
        id,
        offsets: [{ wallId: near.wallId!, distance, toMiddle: false }],
      })}
  />
{/each}
<LengthField label="Middle x" value={fixture.x} units={plan.units} onvalue={(x) => put({ x })} />
<LengthField label="Middle y" value={fixture.y} units={plan.units} onvalue={(y) => put({ y })} />
<LengthField label="Rotation" angle value={fixture.rotation} units={plan.units} onvalue={(rotation) => put({ rotation })} />
<LengthField
  label={round ? "Diameter" : "Width"}
  value={fixture.width}
  units={plan.units}
  onvalue={(width) => put(round ? { width, depth: width } : { width })}
/>
{#if !round}
  <LengthField
    label={fixture.type === "flight" ? "Run" : "Depth"}
    value={fixture.depth}
    units={plan.units}
    onvalue={(depth) => put({ depth })}
  />
{/if}
{#if fixture.type === "flight"}
  {@const flight = fixture as Flight}
  <Choice
    label="Goes up to"
    value={flight.toLevelId ?? ""}
    options={[["", "this level's own step"], ...upper]}
    onvalue={(toLevelId) => put({ toLevelId })}
  />
  <LengthField
    label="Rise"
    value={flight.rise}
    units={plan.units}
    disabled={!!flight.toLevelId}
    onvalue={(rise) => put({ rise })}
  />
  {#if flight.kind === "Stair"}
    <div class="flex items-center gap-2">
      <label class="w-[88px] text-soft" for="risers">Risers</label>
      <input
        id="risers"
        class="field w-20"
        type="number"
        min="1"
        max="100"
        value={flight.risers}
        onchange={(e) => put({ risers: Number(e.currentTarget.value) })}
      />
    </div>
  {:else}
    <p class="text-[12px] text-soft">
      1 in {Math.round((flight.depth / flight.rise) * 10) / 10}; step-free from 1 in 12
    </p>
  {/if}
{:else if fixture.type === "platform"}
  <LengthField label="Rise" value={fixture.rise} units={plan.units} onvalue={(rise) => put({ rise })} />
{:else if fixture.type === "fitting"}
  <LengthField
    label="Height"
    value={fixture.height}
    units={plan.units}
    onvalue={(height) => put({ height })}
  />
{:else if fixture.type === "low-ceiling"}
  <LengthField
    label="Low side"
    value={fixture.lowHeight}
    units={plan.units}
    onvalue={(lowHeight) => put({ lowHeight })}
  />
  <LengthField
    label="High side"
    value={fixture.highHeight}
    units={plan.units}
    onvalue={(highHeight) => put({ highHeight })}
  />
{/if}
{#if "name" in fixture}
  <div class="flex items-center gap-2">
    <label class="w-[88px] text-soft" for="thing-name">Name</label>
    <input
      id="thing-name"
      class="field min-w-0 flex-1"
      maxlength="40"
      value={fixture.name}
      onchange={(e) => put({ name: e.currentTarget.value })}
    />
  </div>
{/if}
<details>
  <summary class="cursor-pointer text-soft">Repeat on a grid</summary>
  <div class="mt-1.5 space-y-1.5">
    {#each [["Columns", "columns"], ["Rows", "rows"]] as const as [label, key] (key)}
      <div class="flex items-center gap-2">
        <label class="w-[88px] text-soft" for="grid-{key}">{label}</label>
        <input id="grid-{key}" class="field w-20" type="number" min="1" max="200" bind:value={grid[key]} />
      </div>
    {/each}
    <LengthField
      label="Column spacing"
      value={grid.columnSpacing}
      units={plan.units}
      onvalue={(v) => (grid.columnSpacing = v)}
    />
    <LengthField label="Row spacing" value={grid.rowSpacing} units={plan.units} onvalue={(v) => (grid.rowSpacing = v)} />
    <button
      class="action w-full"
      onclick={() => plan.do({ do: "repeat-thing", id: fixture.id, newId: plan.newId("grid"), ...grid })}
      >Repeat</button
    >
  </div>
</details>
