<script lang="ts">
  import type { SettingOutLine, Wall } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import Choice from "../../parts/Choice.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { formIsRead } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import MeterPanel from "./MeterPanel.svelte";
  import { nameOf } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  let out = $state({ wallId: "", distance: 1000, side: "Inside", count: 1, spacing: 1000 });
  let angle = $state(0);
  const walls = $derived(
    (plan.here("wall") as Wall[]).filter((w) => !w.bow).map((w) => [w.id, nameOf(plan, w.id)] as const),
  );
  const wall = $derived(
    walls.some(([id]) => id === out.wallId)
      ? out.wallId
      : ([...plan.selected].find((id) => walls.some((w) => w[0] === id)) ?? walls[0]?.[0] ?? ""),
  );
  const lines = $derived(plan.here("setting-out-line") as SettingOutLine[]);

  function left() {
    const view = plan.shell?.wallViews.find((w) => w.id === wall);
    return (view?.roomOnLeft ?? true) === (out.side === "Inside");
  }
</script>

<h3 class="heading mt-4 mb-2">Setting-out lines</h3>
{#if walls.length}
  <div class="space-y-1.5">
    <Choice label="From" value={wall} options={walls} onvalue={(id) => (out.wallId = id)} />
    <Choice
      label="On its"
      bind:value={out.side}
      options={[
        ["Inside", "inside"],
        ["Outside", "outside"],
      ]}
    />
    <LengthField
      label="Distance"
      value={out.distance}
      units={plan.units}
      onvalue={(v) => (out.distance = v)}
    />
    <NumberField label="How many" least={1} value={out.count} onvalue={(n) => (out.count = n!)} />
    <LengthField label="Spacing" value={out.spacing} units={plan.units} onvalue={(v) => (out.spacing = v)} />
    <button
      class="action-main w-full"
      onclick={async (e) => {
        if (!(await formIsRead(plan, e.currentTarget.parentElement))) return;
        await plan.do({
          do: "set-out-from-wall",
          wallId: wall,
          newId: plan.newId("line"),
          distance: out.distance,
          left: left(),
          count: out.count,
          spacing: out.spacing,
        });
      }}>Set out</button
    >
  </div>
{/if}
<div class="mt-4 space-y-1.5">
  <LengthField label="Angle" angle value={angle} units={plan.units} onvalue={(v) => (angle = v)} />
  <button
    class="action w-full"
    onclick={async (e) => {
      if (!(await formIsRead(plan, e.currentTarget.parentElement))) return;
      tools.ask(
        "Press where the line passes",
        1,
        ([p]) =>
          void plan.do({
            do: "set-out",
            line: {
              id: plan.newId("line"),
              levelId: plan.levelId,
              ...p!,
              angle,
              locked: false,
            },
          }),
      );
    }}>Line at this angle through a point</button
  >
</div>
{#if lines.length}
  <p class="mt-3 flex items-center justify-between text-soft">
    {lines.length} line{lines.length === 1 ? "" : "s"}
    <button class="action text-must" onclick={() => plan.do({ do: "remove", ids: lines.map((l) => l.id) })}
      >Remove all</button
    >
  </p>
{/if}
<MeterPanel {plan} />
