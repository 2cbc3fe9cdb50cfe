<script lang="ts">
  import HoldsPanel from "./HoldsPanel.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const finding = $derived(plan.findings.find((f) => f.id === plan.finding));

  const measured = {
    Walkway: "Clear width",
    Overlap: "Runs in by",
    Brief: "Has",
    Access: "Measured",
    Rule: "Has",
  };
  const weights = { Must: "Must fix", Advise: "Advice", Unjudged: "Could not be judged" };

  let reason = $state("");
  async function accept(e: SubmitEvent) {
    e.preventDefault();
    const { id, measured, needed } = finding!;
    const done = await plan.do({
      do: "accept-finding",
      acceptance: {
        id: plan.newId("acceptance"),
        schemeId: plan.schemeId,
        findingId: id,
        measured,
        needed,
        reason,
        // Filled in by the server.
        by: "",
        on: "",
      },
    });
    if (done) reason = "";
  }

  function goTo() {
    plan.select(finding!.entityIds.filter((id) => plan.item(id)));
    plan.stage = "furnish";
  }
</script>

{#if !finding}
  <HoldsPanel {plan} />
{:else}
  <section class="p-3.5" aria-label="Finding">
    <h2 class="text-[15px] font-semibold">
      {finding.kind}
    </h2>
    <p class="text-soft">{finding.accepted ? "Accepted" : weights[finding.weight]}</p>
    <h3 class="heading mt-4 mb-2">Measured</h3>
    <dl class="grid grid-cols-[96px_1fr] gap-y-1.5">
      {#if finding.measuredText}
        <dt class="text-soft">{measured[finding.kind]}</dt>
        <dd class="font-figure text-[15px] font-semibold text-must">{finding.measuredText}</dd>
      {/if}
      {#if finding.neededText}
        <dt class="text-soft">{finding.kind === "Brief" ? "Asked" : "Needed"}</dt>
        <dd class="font-figure text-[15px] font-semibold">{finding.neededText}</dd>
      {/if}
      {#if finding.between.length}
        <dt class="text-soft">{finding.between.length > 1 ? "Between" : "About"}</dt>
        <dd class="font-medium">{finding.between.join(" and ")}</dd>
      {/if}
      {#if finding.serves}
        <dt class="text-soft">Serves</dt>
        <dd class="font-medium">{finding.serves} seats</dd>
      {/if}
    </dl>
    <h3 class="heading mt-4 mb-1">Why it matters</h3>
    <p>{finding.why}</p>
    <p class="mt-2 text-soft">{finding.source}</p>
    {#if finding.accepted}
      <h3 class="heading mt-4 mb-1">Accepted</h3>
      <p>{finding.accepted.reason}</p>
      <p class="text-soft">{finding.accepted.by}, {finding.accepted.on}. It holds for these figures.</p>
      <button
        class="action mt-2"
        disabled={!plan.canEdit}
        onclick={() => plan.do({ do: "lift-acceptance", id: finding.accepted!.id })}
        >To be mended again</button
      >
    {:else if finding.weight === "Must"}
      <form class="mt-4 space-y-1.5" onsubmit={accept}>
        <h3 class="heading">Accept it as it is</h3>
        <span class="field"
          ><input
            class="w-full outline-none"
            aria-label="Why it is accepted"
            placeholder="Why; printed on the sheet"
            bind:value={reason}
          /></span
        >
        <button class="action" disabled={!plan.canEdit || !reason.trim()}>Accept</button>
      </form>
    {/if}
    {#if finding.entityIds.some((id) => plan.item(id))}
      <button class="action mt-4" onclick={goTo}>Go to it in Furnish</button>
    {/if}
    <button class="action mt-4" onclick={() => plan.show(null)}>What it can hold</button>
  </section>
{/if}
