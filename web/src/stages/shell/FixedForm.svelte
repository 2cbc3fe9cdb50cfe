<script lang="ts">
  import type { Thing } from "../../app/api";
  import { tools } from "../../canvas/tools.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import ThingButtons from "../../things/ThingButtons.svelte";
  import { fittings } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  const above = $derived(plan.levels.find((l) => l.elevation > (plan.level?.elevation ?? 0)));

  function put(thing: object, event: MouseEvent) {
    tools.aim = null;
    tools.tool = {
      kind: "thing",
      thing: { id: "", levelId: plan.levelId, x: 0, y: 0, rotation: 0, locked: false, ...thing } as Thing,
    };
    if (event.detail === 0) tools.inMiddle();
  }

  const things: [string, () => object][] = [
    ["Square column", () => ({ type: "column", width: 350, depth: 350, round: false })],
    ["Round column", () => ({ type: "column", width: 350, depth: 350, round: true })],
    [
      "Stair",
      () => ({
        type: "flight",
        kind: "Stair",
        width: 1000,
        depth: 3900,
        rise: 2700,
        risers: above ? Math.max(2, Math.round((above.elevation - plan.level!.elevation) / 175)) : 16,
        toLevelId: above?.id ?? "",
        name: "",
      }),
    ],
    [
      "Ramp",
      () => ({
        type: "flight",
        kind: "Ramp",
        width: 1200,
        depth: 3600,
        rise: 300,
        risers: 0,
        toLevelId: "",
        name: "",
      }),
    ],
    ["Platform", () => ({ type: "platform", width: 3000, depth: 2000, rise: 150, name: "" })],
  ];
</script>

<h3 class="heading mt-4 mb-2">Fixed to the building</h3>
<div class="grid grid-cols-2 gap-1.5">
  {#each things as [name, make] (name)}
    <button class="action" onclick={(e) => put(make(), e)}>{name}</button>
  {/each}
  <ThingButtons {plan} stage="Shell" without={["column", "flight", "platform", "fitting"]} />
</div>
<h3 class="heading mt-5 mb-2">Fittings</h3>
<div class="grid grid-cols-2 gap-1.5">
  {#each fittings as [kind, name, width, depth, height] (kind)}
    <button class="action" onclick={(e) => put({ type: "fitting", kind, width, depth, height, name: "" }, e)}
      >{name}</button
    >
  {/each}
</div>
<p class="mt-2 text-[12px] text-soft">
  Press where it goes; then type its size and its distances from two walls on the right.
</p>
