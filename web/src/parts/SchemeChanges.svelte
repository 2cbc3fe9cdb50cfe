<script lang="ts">
  import { api, type SchemesCompared } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import Select from "./Select.svelte";

  /** What a crew does to make one scheme of another: as a list, as a file, and drawn on the plan. */
  let { plan, done }: { plan: OpenPlan; done: () => void } = $props();

  let fromId = $state("");
  let compared = $state.raw<SchemesCompared | null>(null);
  const others = $derived(plan.schemes.filter((scheme) => scheme.id !== plan.schemeId));
  const from = $derived(others.find((scheme) => scheme.id === fromId) ?? others[0]);
  const here = $derived(plan.schemes.find((scheme) => scheme.id === plan.schemeId));
  const path = $derived({
    path: { planId: plan.id },
    query: { from: from?.id ?? "", to: plan.schemeId },
  });

  $effect(() => {
    void plan.view?.revision;
    const asked = path;
    void api.GET("/api/plans/{planId}/compared", { params: asked }).then(({ data }) => {
      if (data && asked === path) compared = data;
    });
  });

  const file = $derived(
    `/api/plans/${plan.id}/compared.csv?from=${encodeURIComponent(from?.id ?? "")}&to=${encodeURIComponent(plan.schemeId)}`,
  );
  const sheet = $derived(
    `/api/plans/${plan.id}/changes.pdf?from=${encodeURIComponent(from?.id ?? "")}&to=${encodeURIComponent(plan.schemeId)}&levelId=${encodeURIComponent(plan.levelId)}`,
  );
  function draw() {
    plan.faintSchemeId = from!.id;
    plan.compared = compared;
    done();
  }
</script>

{#if from && here}
  <div class="mt-4 border-t border-edge pt-3">
    <h3 class="heading mb-2">What changes</h3>
    <div class="flex items-center gap-2">
      <span class="text-soft">From</span>
      <Select
        label="The scheme it changes from"
        class="field w-[190px]"
        options={others.map((scheme) => [scheme.id, scheme.name] as const)}
        bind:value={() => from.id, (id) => (fromId = id)}
      />
      <span class="text-soft">to {here.name}</span>
    </div>
    {#if compared}
      <div class="mt-2 max-h-56 overflow-y-auto">
        <table class="w-full text-left" aria-label="What changes">
          <thead class="text-[11px] text-soft">
            <tr
              ><th class="font-normal">Item</th><th class="pl-2 text-right font-normal">stay</th><th
                class="pl-2 text-right font-normal">are moved</th
              ><th class="pl-2 text-right font-normal">come</th><th class="pl-2 text-right font-normal">go</th
              ></tr
            >
          </thead>
          <tbody class="font-figure">
            {#each compared.kinds as row, i (i)}
              <tr class="border-t border-edge"
                ><td class="py-0.5 font-sans">{row.name}</td><td class="pl-2 text-right">{row.stay}</td><td
                  class="pl-2 text-right">{row.move || "–"}</td
                ><td class="pl-2 text-right">{row.come || "–"}</td><td class="pl-2 text-right"
                  >{row.go || "–"}</td
                ></tr
              >
            {:else}
              <tr><td class="py-1 text-soft" colspan="5">Nothing is placed in either.</td></tr>
            {/each}
          </tbody>
        </table>
      </div>
      <div class="mt-2 flex flex-wrap gap-1.5">
        <button class="action" onclick={draw}>Draw it on the plan</button>
        <a class="action" href={file} download>As a list (CSV)</a>
        <a class="action" href={sheet} download>As a sheet (PDF)</a>
      </div>
    {/if}
  </div>
{/if}
