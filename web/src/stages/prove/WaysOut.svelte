<script lang="ts">
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { byWay, isShort, toggleWay } from "../../plan/waysOut";

  /** Who leaves by each way out when everybody goes the nearest way; a way out is shut and opened by a press. */
  let { plan, nameOf }: { plan: OpenPlan; nameOf: (bookId: string) => string } = $props();

  /** Each way out once, with what the books say of it. */
  const ways = $derived(byWay(plan.figures?.exits ?? []));
</script>

<h2 class="mt-5 text-[15px] font-semibold">Ways out</h2>
<p class="text-soft">Everybody goes the nearest way. Shut one and watch.</p>
<ul class="mt-1.5 space-y-2" aria-label="Ways out">
  {#each ways as loads (loads[0]!.subjectId)}
    {@const way = loads[0]!}
    <li class="border-t border-edge pt-1.5">
      <span class="flex items-start justify-between gap-2">
        <span class="min-w-0 font-medium" class:text-must={isShort(loads)}>{way.name}</span>
        {#if plan.all("opening").some((one) => one.id === way.subjectId)}
          <button
            class="action min-h-7 shrink-0"
            aria-pressed={way.shut}
            aria-label="{way.shut ? 'Open' : 'Shut'} {way.name}"
            disabled={!plan.canEdit}
            onclick={() => toggleWay(plan, way.subjectId)}>{way.shut ? "Open" : "Shut"}</button
          >
        {/if}
      </span>
      {#if way.shut}
        <span class="block text-[12px] text-soft">Shut: nobody leaves by it.</span>
      {:else}
        {#each loads as load (load.bookId)}
          <span class="flex justify-between gap-2 text-[12px]" title={load.source}>
            <span class="truncate text-soft">{load.bookId ? nameOf(load.bookId) : "Who has a seat"}</span>
            <span class="font-figure whitespace-nowrap" class:text-must={load.spare != null && load.spare < 0}
              >{load.people}{load.holds != null ? ` of ${load.holds}` : ""}</span
            >
          </span>
        {/each}
      {/if}
    </li>
  {:else}
    <li class="text-soft">No door leads out of the building yet.</li>
  {/each}
</ul>
