<script lang="ts">
  import { writeRound } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { tools } from "./tools.svelte";
  import type { Point, Viewport } from "./viewport";

  let { plan, view, under }: { plan: OpenPlan; view: Viewport; under: Point } = $props();

  const taking = $derived(tools.tool.kind === "measure" && tools.tool.from ? tools.tool : null);
  const length = (a: Point, b: Point) => writeRound(Math.hypot(b.x - a.x, b.y - a.y), plan.units);
  const middle = (a: Point, b: Point) => view.toScreen({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

  async function keep(from: Point, to: Point) {
    const { schemeId, levelId } = plan;
    await plan.do({ do: "keep-measure", id: plan.newId("measure"), schemeId, levelId, from, to });
    tools.rest();
  }
</script>

{#if taking?.from}
  {@const from = taking.from}
  {@const to = taking.to ?? under}
  {@const at = middle(from, to)}
  <div
    class="absolute flex -translate-x-1/2 -translate-y-1/2 items-center gap-1"
    style:left="{at.x}px"
    style:top="{at.y}px"
  >
    <span class="rounded-full bg-pencil px-2.5 py-0.5 font-semibold text-white" data-testid="measure"
      >{length(from, to)}</span
    >
    {#if taking.to && plan.canEdit}
      <button
        class="action h-6 px-2"
        onpointerdown={(e) => e.stopPropagation()}
        onclick={() => keep(from, to)}>Keep</button
      >
    {/if}
  </div>
{/if}
{#each plan.all("dimension") as kept (kept.id)}
  {@const at = middle(kept.from as Point, kept.to as Point)}
  <button
    class="absolute -translate-x-1/2 -translate-y-1/2 rounded bg-paper px-1 font-semibold text-pencil"
    style:left="{at.x}px"
    style:top="{at.y}px"
    title="Kept measure. Press to select, Delete to remove."
    onpointerdown={(e) => e.stopPropagation()}
    onclick={() => plan.select([kept.id])}
  >
    {length(kept.from as Point, kept.to as Point)}
  </button>
{/each}
