<script lang="ts">
  import { writeRound } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { trueSize, type Point, type Viewport } from "./viewport";

  interface Props {
    plan: OpenPlan;
    view: Viewport;
    under: Point | null;
    fit: () => void;
    zoomBy: (factor: number) => void;
  }
  let { plan, view, under, fit, zoomBy }: Props = $props();

  const metric = [100, 200, 500, 1000, 2000, 5000, 10000, 20000, 50000];
  const feet = [1, 2, 5, 10, 20, 50, 100].map((f) => f * 304.8);
  const bar = $derived.by(() => {
    const steps = plan.units === "Metric" ? metric : feet;
    const step = steps.findLast((s) => s * view.scale <= 110) ?? steps[0]!;
    return {
      px: step * view.scale,
      text: plan.units === "Metric" ? `${step / 1000} m` : `${Math.round(step / 304.8)} ft`,
    };
  });
</script>

<div
  class="pointer-events-none absolute bottom-3 left-4 flex items-end gap-6 text-[12px] font-medium text-soft"
>
  <div>
    <div class="flex justify-between"><span>0</span><span>{bar.text}</span></div>
    <div class="h-1.5 border border-t-0 border-ink" style:width="{bar.px}px"></div>
  </div>
  {#if under}
    <span class="font-figure"
      >x {writeRound(under.x, plan.units)} &nbsp; y {writeRound(under.y, plan.units)}</span
    >
  {/if}
</div>
<div class="absolute right-3 bottom-3 flex items-center gap-2 text-[12px] font-medium text-soft">
  {#if plan.viewing.unseenCount}
    <span class="flex items-center gap-1.5 rounded-md border border-edge bg-white px-2 py-0.5"
      >{plan.viewing.unseenCount} hidden by “{plan.viewing.view?.name ?? ""}”
      <button
        class="underline"
        onpointerdown={(e) => e.stopPropagation()}
        onclick={() => plan.viewing.look("")}>Show all</button
      ></span
    >
  {/if}
  <span>1 : {Math.round(trueSize / view.scale)} on screen</span>
  <div
    class="flex rounded-md border border-edge bg-white"
    role="presentation"
    onpointerdown={(e) => e.stopPropagation()}
  >
    <button class="h-6 w-7" aria-label="Zoom out" onclick={() => zoomBy(1 / 1.3)}>−</button>
    <button class="h-6 px-1.5" onclick={fit}>fit</button>
    <button class="h-6 w-7" aria-label="Zoom in" onclick={() => zoomBy(1.3)}>+</button>
  </div>
</div>
