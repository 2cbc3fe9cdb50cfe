<script lang="ts">
  import type { Edit, Item } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import type { Point } from "../../canvas/viewport";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Setting several items out against each other: in line, spaced, along a line or a wall, swapped, turned alike. */
  let { plan, items }: { plan: OpenPlan; items: Item[] } = $props();

  let stays = $state("");
  let withSeats = $state(false);
  let turned = $state(true);
  let along = $state<"Across" | "Up">("Across");
  let gap = $state<number | null>(null);

  const ids = $derived(items.map((item) => item.id));
  const locked = $derived(items.find((item) => item.locked));
  /** The one that stays: as chosen, else one that is locked, else the first. */
  const staysId = $derived(ids.includes(stays) ? stays : (locked ?? items[0]!).id);
  const byWhat = [
    ["WestEdges", "Left edges"],
    ["UprightMiddles", "Middles upright"],
    ["EastEdges", "Right edges"],
    ["NorthEdges", "Upper edges"],
    ["LevelMiddles", "Middles level"],
    ["SouthEdges", "Lower edges"],
  ] as const;

  const act = (edit: Edit) => void plan.do(edit);
  const spread = (more: { gap?: number; pitch?: number }) =>
    act({ do: "spread-items", ids, along, withSeats, ...more });
  const onto = (title: string, count: number) =>
    tools.ask(title, count, (path: Point[]) => act({ do: "set-along", ids, path, turned }));

  const face = () =>
    tools.ask("Press where they are to look", 1, ([at]) => act({ do: "face-items", ids, at: at! }));

  const toWall = () =>
    tools.ask("Press the wall they are to stand along", 1, ([at]) =>
      act({ do: "set-along-wall", ids, wallId: "", gap: gap ?? undefined, at: at! }),
    );
</script>

<h3 class="heading mt-4 mb-2">Line up</h3>
<div class="space-y-1.5" role="group" aria-label="Line up">
  <Choice
    label="This stays"
    value={staysId}
    options={items.map((item) => [item.id, plan.itemViews.get(item.id)?.name ?? item.id] as const)}
    onvalue={(id) => (stays = id)}
  />
  <div class="grid grid-cols-3 gap-1">
    {#each byWhat as [by, name] (by)}
      <button
        class="pill h-auto py-1 leading-tight"
        onclick={() => act({ do: "line-up", ids, by, staysId, withSeats })}>{name}</button
      >
    {/each}
  </div>
  <label class="flex items-center gap-2"
    ><input type="checkbox" bind:checked={withSeats} /> With the people seated</label
  >
</div>
{#if items.length > 2}
  <h3 class="heading mt-4 mb-2">Space</h3>
  <div class="space-y-1.5" role="group" aria-label="Space">
    <Choice
      label="They go"
      options={[
        ["Across", "across the plan"],
        ["Up", "up the plan"],
      ]}
      bind:value={along}
    />
    <button class="action w-full" onclick={() => spread({})}>Evenly between the two ends</button>
    <LengthField label="Clear gap" value={null} units={plan.units} onvalue={(gap) => spread({ gap })} />
    <LengthField label="Pitch" value={null} units={plan.units} onvalue={(pitch) => spread({ pitch })} />
  </div>
{/if}
<h3 class="heading mt-4 mb-2">Set along</h3>
<div class="space-y-1.5" role="group" aria-label="Set along">
  <div class="flex flex-wrap gap-1.5">
    <button class="action" onclick={() => onto("Press where the first stands, and the last", 2)}
      >A line</button
    >
    <button class="action" onclick={() => onto("Press the first, a point between, and the last", 3)}
      >An arc</button
    >
    <button class="action" onclick={toWall}>A wall</button>
  </div>
  <label class="flex items-center gap-2"
    ><input type="checkbox" bind:checked={turned} /> Turned with the line</label
  >
  <LengthField label="Gap at a wall" value={gap} units={plan.units} onvalue={(v) => (gap = v)} />
</div>
<div class="mt-3 flex flex-wrap gap-1.5">
  {#if items.length === 2}
    <button class="action" onclick={() => act({ do: "swap-items", id: ids[0]!, otherId: ids[1]! })}
      >Swap the two</button
    >
  {/if}
  <button class="action" onclick={() => act({ do: "match-rotation", ids, toId: staysId })}
    >Turn like the one that stays</button
  >
  <button class="action" onclick={face}>Look to a point</button>
  <button class="action" onclick={() => act({ do: "order-items", ids, toFront: true })}
    >Bring to the front</button
  >
  <button class="action" onclick={() => act({ do: "order-items", ids, toFront: false })}>Put behind</button>
</div>
