<script lang="ts">
  import { api, type Edit } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Changes all placed items of one kind for another; says first what that would bring. */
  let { plan }: { plan: OpenPlan } = $props();

  const placeable = $derived(plan.placeable);
  const from = $derived(placeable.entry(placeable.exchanged ?? "")?.item);
  const to = $derived(placeable.becoming ? placeable.entry(placeable.becoming)?.item : undefined);
  const count = $derived(
    plan.all("item").filter((i) => i.catalogue === from?.key && i.schemeId === plan.schemeId).length,
  );
  const edit = $derived<Edit | null>(
    from && to ? { do: "change-kind", schemeId: plan.schemeId, from: from.key, to: to.key, ids: [] } : null,
  );

  const foreseen = $derived.by(async () => {
    if (!edit) return null;
    const { data } = await api
      .POST("/api/plans/{planId}/foresight", {
        params: { path: { planId: plan.id } },
        body: {
          baseRevision: plan.view?.revision ?? 0,
          edit,
          schemeId: plan.schemeId,
          levelId: plan.levelId,
        },
      })
      .catch(() => ({ data: undefined }));
    return data ?? null;
  });

  async function change() {
    if (!edit || !to || !(await placeable.bringIn(to.key))) return;
    if (await plan.do(edit)) placeable.endExchange();
  }
</script>

<section class="border-t border-edge bg-pencil-wash p-3.5" aria-label="Change for another kind">
  <p>
    <span class="font-semibold">{count} {from?.name}</span> become: {to ? to.name : "choose from the list"}
  </p>
  {#await foreseen then seen}
    {#if seen?.problem}
      <p class="mt-1 text-must" role="alert">{seen.problem.message}</p>
    {:else if seen}
      <p class="mt-1">
        Seats {seen.seatsBefore} → {seen.seatsAfter}.
        {seen.noLongerFit.length
          ? `${seen.noLongerFit.length} would no longer fit: ${seen.noLongerFit.slice(0, 6).join(", ")}${seen.noLongerFit.length > 6 ? " …" : ""}.`
          : "All of them fit."}
      </p>
    {/if}
  {/await}
  <div class="mt-2 flex gap-1.5">
    <button class="action-main" disabled={!to} onclick={change}>Change them</button>
    <button class="action" onclick={() => placeable.endExchange()}>Leave them</button>
  </div>
</section>
