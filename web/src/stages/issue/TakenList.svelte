<script lang="ts">
  import { api, type TakenEntry } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Pictures in space that the register keeps, with the revision of the plan that each shows. */
  let { plan }: { plan: OpenPlan } = $props();

  let taken = $state.raw<TakenEntry[]>([]);
  $effect(() => {
    void [plan.pictureTaken, plan.id];
    void load();
  });
  async function load() {
    const { data } = await api.GET("/api/plans/{planId}/taken", { params: { path: { planId: plan.id } } });
    if (data) taken = data;
  }
  async function remove(id: string) {
    await api.DELETE("/api/plans/{planId}/taken/{pictureId}", {
      params: { path: { planId: plan.id, pictureId: id } },
    });
    await load();
  }
</script>

{#if taken.length}
  <h3 class="heading mt-4 mb-1">Pictures taken</h3>
  <ul aria-label="Pictures taken">
    {#each taken as one (one.id)}
      <li class="flex items-baseline gap-2 border-b border-edge py-1.5">
        <span class="min-w-0 flex-1">
          <span class="block truncate">{one.name} · {one.width} × {one.height}</span>
          <span class="block truncate text-soft">revision {one.planRevision} of the plan · {one.takenBy}</span
          >
        </span>
        <a class="text-moss underline" href="/api/plans/{plan.id}/taken/{one.id}.png" download>PNG</a>
        {#if plan.canEdit}
          <button class="text-[12px] text-soft underline" onclick={() => remove(one.id)}>remove</button>
        {/if}
      </li>
    {/each}
  </ul>
{/if}
