<script lang="ts">
  import type { Wall } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import Choice from "../../parts/Choice.svelte";
  import FinishFields from "../furnish/FinishFields.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { wallTypesOf } from "../../plan/usual";
  import { certainties, endLies } from "./words";

  let { plan, wall }: { plan: OpenPlan; wall: Wall } = $props();

  const view = $derived(plan.shell?.wallViews.find((w) => w.id === wall.id));
  let stays = $state<"Start" | "End" | "Middle">("Start");
  let split = $state<number | null>(null);
  const straight = $derived(!wall.bow);

  // The panel is made anew for each thing: a figure still being typed when another is selected goes to its own.
  // svelte-ignore state_referenced_locally
  const id = wall.id;
  const length = (along: "Left" | "Right" | "Centre", value: number) =>
    plan.do({ do: "set-wall-length", id, length: value, stays, along, certainty: "Surveyed" });
  const change = (to: object) =>
    plan.do({ do: "change-walls", ids: [id], sure: false, ...to } as Parameters<typeof plan.do>[0]);
  /** What a face's length is called: of two rooms each by its name, so that they are told apart. */
  const called = (inside: boolean, room: string) =>
    !inside
      ? "Outside"
      : view!.roomOnLeft && view!.roomOnRight && view!.onLeft !== view!.onRight
        ? `In ${room}`
        : "Inside";
  const faces = $derived(
    view
      ? (
          [
            ["Left", called(view.roomOnLeft, view.onLeft), view.left, view.roomOnLeft],
            ["Right", called(view.roomOnRight, view.onRight), view.right, view.roomOnRight],
          ] as const
        ).toSorted((a, b) => Number(b[3]) - Number(a[3]))
      : [],
  );
</script>

{#each faces as [side, label, value] (side)}
  <LengthField {label} {value} units={plan.units} disabled={!straight} onvalue={(v) => length(side, v)} />
{/each}
<LengthField
  label="Centre line"
  value={view?.length ?? 0}
  units={plan.units}
  disabled={!straight}
  onvalue={(v) => length("Centre", v)}
/>
<Choice
  label="Stays"
  bind:value={stays}
  options={[
    ["Start", `its ${endLies(wall, true)} end`],
    ["End", `its ${endLies(wall, false)} end`],
    ["Middle", "its middle"],
  ]}
/>
<Choice
  label="Length is"
  value={wall.certainty ?? "Surveyed"}
  options={certainties}
  onvalue={(certainty) => change({ certainty })}
/>
<Choice
  label="Wall type"
  value={wall.wallType}
  options={wallTypesOf(plan).some(([name]) => name === wall.wallType)
    ? wallTypesOf(plan)
    : [[wall.wallType, wall.wallType], ...wallTypesOf(plan)]}
  onvalue={(wallType) => change({ wallType })}
/>
<LengthField
  label="Thickness"
  value={wall.thickness}
  units={plan.units}
  onvalue={(thickness) => change({ thickness })}
/>
<LengthField label="Height" value={wall.height} units={plan.units} onvalue={(height) => change({ height })} />
<LengthField
  label="Split at"
  value={split ?? Math.round((view?.length ?? 0) / 2)}
  units={plan.units}
  hint="from its {endLies(wall, true)} end, along the centre"
  onvalue={(v) => (split = v)}
/>
<button
  class="action w-full"
  onclick={() =>
    plan.do({
      do: "split-wall",
      id: wall.id,
      along: split ?? Math.round((view?.length ?? 0) / 2),
      newId: plan.newId("wall"),
    })}>Split here</button
>
<button
  class="action w-full"
  onclick={() =>
    tools.ask(
      "Press a point the wall is to pass",
      1,
      ([p]) => void plan.do({ do: "bow-wall", id: wall.id, through: p! }),
    )}>Curve through a point</button
>
{#if !straight}
  <button
    class="action w-full"
    onclick={() =>
      plan.do({
        do: "bow-wall",
        id: wall.id,
        through: { x: (wall.start.x! + wall.end.x!) / 2, y: (wall.start.y! + wall.end.y!) / 2 },
      })}>Make it straight</button
  >
{/if}
<details>
  <summary class="cursor-pointer text-soft">Tint in this scheme</summary>
  <div class="mt-1"><FinishFields {plan} of="Wall" targetId={wall.id} label="this wall" /></div>
</details>
