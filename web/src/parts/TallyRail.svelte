<script lang="ts">
  import type { OpenPlan } from "../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const lines = $derived(plan.figures?.tallyLines ?? []);
  /** While many things move at once, what is said of walkways comes a little later. */
  const stale = $derived(plan.figures?.stale ?? false);
  /** What a line counts is selected: where it is looked at, else on the level that has some. */
  async function select(what: string) {
    const found = await plan.countedBy(what);
    const levelOf = (id: string) =>
      (plan.entities.get(id) as { levelId?: string } | undefined)?.levelId ?? "";
    const narrowest = what === "narrowest" ? plan.figures?.tally.narrowest : null;
    if (narrowest)
      plan.notice = `The way to ${narrowest.to}${narrowest.between ? `, between ${narrowest.between}` : ""}.`;
    else if (!found.length) plan.notice = "Nothing of it is placed.";
    if (!found.length) return;
    if (plan.stage === "shell" || plan.stage === "issue") plan.stage = "furnish";
    if (!found.some((id) => levelOf(id) === plan.levelId)) plan.lookAt(levelOf(found[0]!));
    plan.select(found.filter((id) => levelOf(id) === plan.levelId));
  }
  const must = $derived(plan.findings.filter((f) => f.weight === "Must" && !f.accepted).length);
  const advise = $derived(plan.findings.filter((f) => f.weight === "Advise" && !f.accepted).length);
</script>

<footer
  class="flex h-14 shrink-0 items-stretch border-t border-edge bg-paper"
  aria-label="Tally"
  data-testid="tally"
>
  <dl class="flex min-w-0 flex-1 items-stretch overflow-x-auto">
    {#each lines as line (line.name)}
      {@const behind = stale && line.what === "narrowest"}
      <div
        title={behind ? "From before this move; it follows when the hand rests" : undefined}
        class:opacity-50={behind}
        class="relative min-w-max flex-1 border-r border-edge {lines.length > 11 ? 'px-2' : 'px-3'} py-1.5"
      >
        <dt class="text-[11px] whitespace-nowrap text-soft">{line.name}</dt>
        <dd
          class="font-figure text-[17px] leading-6 font-semibold whitespace-nowrap"
          class:text-must={line.short}
        >
          {line.value}{behind ? " …" : ""}
          <span class="text-[12px]">{line.rest}{line.over ? `, ${line.over}` : ""}</span>
          {#if line.share != null}
            <span class="absolute right-3 bottom-1 left-3 block h-[3px] rounded bg-edge">
              <span
                class="block h-full rounded {line.short ? 'bg-must' : 'bg-moss'}"
                style:width="{line.share * 100}%"
              ></span>
            </span>
          {/if}
          {#if line.what}
            <button
              class="absolute inset-0 hover:bg-moss-wash/40"
              title="Select what this counts"
              aria-label="Select what this counts: {line.name}"
              onclick={() => select(line.what!)}
            ></button>
          {/if}
        </dd>
      </div>
    {/each}
  </dl>
  <button
    class="flex items-center gap-3 px-5 font-semibold"
    title="Findings: open Prove"
    aria-label="{must} must fix, {advise} advice; open Prove"
    onclick={() => (plan.stage = "prove")}
  >
    {#if stale}
      <span class="text-soft">Findings …</span>
    {:else if must + advise === 0}
      <span class="flex h-5 w-5 items-center justify-center rounded-full bg-moss-wash text-ok">✓</span> No findings
    {:else}
      <span class="flex h-5 w-5 items-center justify-center rounded bg-must text-[12px] text-white">!</span
      >{must}
      <span class="flex h-5 w-5 items-center justify-center rounded-full bg-advise-fill text-[12px] text-ink"
        >?</span
      >{advise}
    {/if}
  </button>
</footer>
