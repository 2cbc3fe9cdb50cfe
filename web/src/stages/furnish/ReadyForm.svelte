<script lang="ts">
  import { tools } from "../../canvas/tools.svelte";
  import type { ReadyKind } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Clusters that can be had ready: chosen here, pressed into the plan, their figures typed on them afterwards. */
  let { plan }: { plan: OpenPlan } = $props();

  const place = (kind: ReadyKind) =>
    tools.ask(`Press where the ${kind.name.toLowerCase()} goes`, 1, ([at]) => {
      const id = plan.newId("cluster");
      const ready = { kind: kind.key, count: kind.count, distance: kind.distance };
      void plan.groups.make(id, {
        do: "put-ready",
        id,
        schemeId: plan.schemeId,
        levelId: plan.levelId,
        ready,
        x: at!.x,
        y: at!.y,
        rotation: 0,
      });
    });
</script>

{#if plan.canEdit}
  <details class="border-t border-edge px-3.5 py-2.5">
    <summary class="cursor-pointer font-medium">Ready-made clusters</summary>
    <div class="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Ready-made clusters">
      {#each plan.catalogue?.ready ?? [] as kind (kind.key)}
        <button class="pill" title={kind.source} onclick={() => place(kind)}>{kind.name}</button>
      {/each}
    </div>
  </details>
{/if}
