<script lang="ts">
  import { writeArea, writeWidth } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const tally = $derived(plan.figures?.tally ?? null);
  const must = $derived(plan.findings.filter((f) => f.weight === "Must").length);
  const advise = $derived(plan.findings.filter((f) => f.weight === "Advise").length);

  interface Cell {
    name: string;
    value: string;
    rest: string;
    /** Share of what is asked, for the bar beneath; null where nothing is asked. */
    share: number | null;
    short: boolean;
  }

  function counted(name: string, has: number, asked: number | null | undefined): Cell {
    if (asked == null) return { name, value: `${has}`, rest: "", share: null, short: false };
    const over = has > asked ? `, ${has - asked} over` : "";
    return {
      name,
      value: `${has}`,
      rest: `of ${asked}${over}`,
      share: asked ? Math.min(1, has / asked) : 1,
      short: has < asked,
    };
  }

  const cells = $derived.by((): Cell[] => {
    if (!tally) return [];
    const list: Cell[] = [
      counted("Seats", tally.seats, tally.seatsAsked),
      counted("Tables", tally.tables, tally.tablesAsked),
    ];
    if (tally.workstations || tally.workstationsAsked != null)
      list.push(counted("Workstations", tally.workstations, tally.workstationsAsked));
    if (tally.netArea != null)
      list.push({
        name: "Net internal area",
        value: writeArea(tally.netArea, plan.units),
        rest: "",
        share: null,
        short: false,
      });
    if (tally.grossArea != null)
      list.push({
        name: "Gross internal area",
        value: writeArea(tally.grossArea, plan.units),
        rest: "",
        share: null,
        short: false,
      });
    if (tally.areaPerSeat != null)
      list.push({
        name: "Area per seat",
        value:
          plan.units === "Metric"
            ? `${tally.areaPerSeat.toFixed(2)} m²`
            : writeArea(tally.areaPerSeat, plan.units),
        rest: tally.areaPerSeatAsked != null ? `of ${tally.areaPerSeatAsked}` : "",
        share: null,
        short: tally.areaPerSeatAsked != null && tally.areaPerSeat < tally.areaPerSeatAsked,
      });
    if (tally.narrowest) {
      const { width, needed } = tally.narrowest;
      const short = width < needed - 0.01;
      list.push({
        name: "Narrowest walkway",
        value: writeWidth(width, plan.units),
        rest: `of ${writeWidth(needed, plan.units)}${plan.units === "Metric" ? " mm" : ""}`,
        share: Math.min(1, width / needed),
        short,
      });
    }
    return list;
  });
</script>

<footer
  class="flex h-14 shrink-0 items-stretch border-t border-edge bg-paper"
  aria-label="Tally"
  data-testid="tally"
>
  <dl class="flex flex-1 items-stretch">
    {#each cells as cell (cell.name)}
      <div class="relative min-w-24 flex-1 border-r border-edge px-4 py-1.5">
        <dt class="text-[11px] whitespace-nowrap text-soft">{cell.name}</dt>
        <dd
          class="font-figure text-[17px] leading-6 font-semibold whitespace-nowrap"
          class:text-must={cell.short}
        >
          {cell.value} <span class="text-[12px]">{cell.rest}</span>
          {#if cell.share !== null}
            <span class="absolute right-4 bottom-1 left-4 block h-[3px] rounded bg-edge">
              <span
                class="block h-full rounded {cell.short ? 'bg-must' : 'bg-moss'}"
                style:width="{cell.share * 100}%"
              ></span>
            </span>
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
    {#if must + advise === 0}
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
