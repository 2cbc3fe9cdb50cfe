<script lang="ts">
  import type { Opening } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { orBack } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { marks, openingNames } from "./words";

  let { plan, opening }: { plan: OpenPlan; opening: Opening } = $props();

  // The panel is made anew for each thing: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = opening.id;
  const view = $derived(plan.shell?.openings.find((o) => o.id === opening.id));
  /** The side of the wall it is measured on: as chosen, else that of a room, else its left. */
  let side = $state<"Left" | "Right" | null>(null);
  const left = $derived(side ? side === "Left" : view ? view.roomOnLeft || !view.roomOnRight : true);
  const door = $derived(opening.kind !== "Window" && opening.kind !== "Gap");
  const put = (change: Partial<Opening>) =>
    plan.do(() => {
      const now = plan.entities.get(id) as Opening;
      const clearWidth = "width" in change || "kind" in change ? 0 : (change.clearWidth ?? now.clearWidth);
      return { do: "put-opening", opening: { ...now, ...change, clearWidth }, sure: false };
    });
  const from = (corner: "Start" | "End" | "Middle", distance = 0) =>
    plan.do({ do: "set-opening-from", id, corner, distance, left });
  const compass = ["east", "north", "west", "south"];
  /** The way the wall runs, to name its corners and faces. */
  const quarter = $derived(Math.round((view?.rotation ?? 0) / 90) + 4);
  const way = $derived([compass[(quarter + 2) % 4]!, compass[quarter % 4]!]);
  /** The rooms on its two sides; where both are the same one, by where they lie. */
  const faces = $derived.by((): ["Left" | "Right", string][] => {
    const same = view?.onLeft === view?.onRight;
    const called = (name = "", turn: number) => (same ? `${name}, ${compass[(quarter + turn) % 4]}` : name);
    return [
      ["Left", called(view?.onLeft, 1)],
      ["Right", called(view?.onRight, 3)],
    ];
  });
</script>

<Choice
  label="Measured in"
  value={left ? "Left" : "Right"}
  options={faces}
  onvalue={(chosen) => (side = chosen as "Left" | "Right")}
/>
<LengthField
  label="From {way[0]} corner"
  value={view ? (left ? view.leftToStart : view.rightToStart) : 0}
  units={plan.units}
  onvalue={(v) => from("Start", v)}
/>
<LengthField
  label="From {way[1]} corner"
  value={view ? (left ? view.leftToEnd : view.rightToEnd) : 0}
  units={plan.units}
  onvalue={(v) => from("End", v)}
/>
<button class="action w-full" onclick={() => from("Middle")}>Centre between the corners</button>
<Choice
  label="Kind"
  value={opening.kind}
  options={Object.entries(openingNames)}
  onvalue={(kind) => put({ kind: kind as Opening["kind"] })}
/>
<LengthField label="Width" value={opening.width} units={plan.units} onvalue={(width) => put({ width })} />
{#if opening.kind === "DoubleDoor"}
  <LengthField
    label="Main leaf"
    value={opening.mainLeaf ?? opening.width / 2}
    units={plan.units}
    onvalue={(mainLeaf) => put({ mainLeaf })}
  />
{/if}
{#if opening.kind !== "Window"}
  <LengthField
    label="Clear width"
    value={opening.clearWidth}
    units={plan.units}
    onvalue={(clearWidth) => put({ clearWidth })}
  />
{/if}
{#if opening.kind === "Window"}
  <LengthField label="Sill" value={opening.sill} units={plan.units} onvalue={(sill) => put({ sill })} />
{/if}
<LengthField
  label={opening.kind === "Window" ? "Height" : "Head"}
  value={opening.height}
  units={plan.units}
  onvalue={(height) => put({ height })}
/>
{#if door}
  <div class="flex flex-wrap gap-1.5">
    <button class="action" onclick={() => put({ hingeAtEnd: !opening.hingeAtEnd })}>Flip hinge</button>
    <button class="action" onclick={() => put({ swingsRight: !opening.swingsRight })}>Flip swing</button>
  </div>
{/if}
{#if opening.kind !== "Window"}
  <Choice
    label="Marked"
    value={opening.mark as string}
    options={marks}
    onvalue={(mark) => put({ mark: mark as Opening["mark"] })}
  />
{/if}
<div class="flex items-center gap-2">
  <label class="w-[88px] text-soft" for="thing-name">Name</label>
  <input
    id="thing-name"
    class="field min-w-0 flex-1"
    maxlength="40"
    value={opening.name}
    onchange={(e) => orBack(e.currentTarget, opening.name, put({ name: e.currentTarget.value }))}
  />
</div>
