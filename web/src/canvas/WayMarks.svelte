<script lang="ts">
  import type { ExitLoad } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { byWay, isShort, tightest, toggleWay } from "../plan/waysOut";
  import type { Viewport } from "./viewport";

  /** At each way out of the level, who leaves by it; a press shuts it, or opens it again. */
  let { plan, view }: { plan: OpenPlan; view: Viewport } = $props();

  /** From the middle of the wall to the middle of a mark, on the screen. */
  const off = 40;

  const marks = $derived.by(() => {
    const shell = plan.shell;
    if (!shell) return [];
    const box = shell.box;
    const middle = box && { x: (box[0]! + box[2]!) / 2, y: (box[1]! + box[3]!) / 2 };
    return byWay(plan.figures?.exits ?? []).flatMap((loads) => {
      const place = shell.openings.find((one) => one.id === loads[0]!.subjectId);
      if (!place) return [];
      const angle = (place.rotation * Math.PI) / 180;
      const normal = { x: -Math.sin(angle), y: Math.cos(angle) };
      // Towards the outside, where nothing of the room is drawn.
      const out = middle && (place.x - middle.x) * normal.x + (place.y - middle.y) * normal.y < 0 ? -1 : 1;
      const at = view.toScreen(place);
      return [{ loads, x: at.x + out * normal.x * off, y: at.y - out * normal.y * off }];
    });
  });

  const told = (loads: ExitLoad[]) => {
    if (loads[0]!.shut) return "shut";
    const one = tightest(loads);
    return `${one.people}${one.holds != null ? ` of ${one.holds}` : ""}`;
  };
</script>

{#each marks as { loads, x, y } (loads[0]!.subjectId)}
  {@const way = loads[0]!}
  <button
    class="font-figure absolute -translate-x-1/2 -translate-y-1/2 rounded border bg-white px-1.5 text-[12px] whitespace-nowrap shadow-sm {way.shut
      ? 'border-dashed border-must text-must'
      : isShort(loads)
        ? 'border-must text-must'
        : 'border-edge'}"
    style:left="{x}px"
    style:top="{y}px"
    aria-pressed={way.shut}
    aria-label="On the plan: {way.shut ? 'open' : 'shut'} {way.name}, {told(loads)}"
    title="{way.name}: {told(loads)}. Press to {way.shut ? 'open it again' : 'shut it'}."
    disabled={!plan.canEdit}
    onpointerdown={(e) => e.stopPropagation()}
    onclick={() => toggleWay(plan, way.subjectId)}>{told(loads)}</button
  >
{/each}
