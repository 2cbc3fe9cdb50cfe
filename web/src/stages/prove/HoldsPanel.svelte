<script lang="ts">
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { chosenBooks } from "./books";
  import WaysOut from "./WaysOut.svelte";

  /** What a room may hold, as a stair of limits, and who leaves by what. */
  let { plan }: { plan: OpenPlan } = $props();

  const books = $derived(chosenBooks(plan));
  const holds = $derived(plan.figures?.tally.holds?.filter((hold) => hold.limits.length) ?? []);
  let roomId = $state("");
  const hold = $derived(
    holds.find((one) => one.roomId === roomId) ?? holds.toSorted((a, b) => b.seats - a.seats)[0],
  );
  const nameOf = (bookId: string) => books.find((book) => book.bookId === bookId)?.name ?? "The house";
  /** Each step is as long as its people are to the most of the first six. */
  const steps = $derived(hold?.limits.slice(0, 6) ?? []);
  const most = $derived(Math.max(1, hold?.seats ?? 0, ...steps.map((limit) => limit.people)));
</script>

<section class="p-3.5" aria-label="What it can hold">
  <h2 class="text-[15px] font-semibold">What it can hold</h2>
  {#if hold}
    {#if holds.length > 1}
      <Select
        label="Room"
        class="field mt-1.5 w-full"
        options={holds.map((one) => [one.roomId, one.name] as const)}
        value={hold.roomId}
        onvalue={(id) => (roomId = id)}
      />
    {:else}<p class="text-soft">{hold.name}</p>{/if}
    <ol class="mt-2 space-y-1.5" aria-label="Limits">
      <li>
        <span class="flex justify-between text-[12px]"
          ><span>Seats that stand there</span><span class="font-figure font-semibold">{hold.seats}</span
          ></span
        >
        <span class="block h-1.5 bg-pencil" style:width="{(hold.seats / most) * 100}%"></span>
      </li>
      {#each steps as limit, i (`${limit.bookId}/${limit.ruleId}/${limit.says}/${i}`)}
        <li title={limit.source}>
          <span class="flex justify-between gap-2 text-[12px]"
            ><span class="min-w-0">{limit.says}</span><span
              class="font-figure font-semibold"
              class:text-must={limit.people < hold.seats}>{limit.people}</span
            ></span
          >
          <span
            class="block h-1.5 {limit.people < hold.seats ? 'bg-must' : i ? 'bg-edge' : 'bg-moss'}"
            style:width="{(limit.people / most) * 100}%"
          ></span>
          <span class="block truncate text-[11px] text-soft"
            >{nameOf(limit.bookId)}{limit.ruleId ? `, ${limit.ruleId}` : ""}</span
          >
        </li>
      {/each}
    </ol>
    {#if hold.limits.length > steps.length}
      <p class="mt-1 text-[11px] text-soft">
        {hold.limits.length - steps.length} higher limits are in the report.
      </p>
    {/if}
  {:else}
    <p class="mt-1 text-soft">Choose a rulebook and say what the rooms are for.</p>
  {/if}
  <WaysOut {plan} {nameOf} />
</section>
