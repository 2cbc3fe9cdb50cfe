<script lang="ts">
  import type { Finding } from "../../app/api";
  import Select from "../../parts/Select.svelte";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import LongList from "../../parts/LongList.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { chosenBooks } from "./books";
  import BooksWindow from "./BooksWindow.svelte";
  import PeopleWindow from "./PeopleWindow.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const kinds: [Finding["kind"], string][] = [
    ["Walkway", "Walkways"],
    ["Overlap", "Overlaps"],
    ["Access", "Access"],
    ["Brief", "Brief"],
    ["Rule", "Rules"],
  ];
  let booksShown = $state(false);
  let peopleShown = $state(false);
  const books = $derived(chosenBooks(plan));
  const proving = $derived(plan.proving);
  const shown = $derived(proving.listed);
  const since = $derived(proving.since);
  let clearedShown = $state(false);
  $effect(() => void plan.proving.load(plan.schemeId));
  const checks = $derived(plan.checks);

  function figures(finding: Finding) {
    if (!finding.measuredText) return finding.why;
    return finding.kind === "Walkway"
      ? `${finding.measuredText} clear · needs ${finding.neededText}`
      : finding.kind === "Rule"
        ? `${finding.measuredText} · ${finding.neededText} by the rule`
        : finding.why;
  }
  const set = (change: object) =>
    plan.do(() => ({ do: "set-checks", checks: { ...plan.checks, ...change } }));
</script>

<div class="p-3.5 pb-2">
  <h2 class="text-[15px] font-semibold">Prove</h2>
  <p class="text-soft" title={books.map((book) => book.name).join(", ")}>
    Held against {books.length
      ? `the checks below, the brief and ${books.length === 1 ? books[0]!.name : `${books.length} rulebooks`}`
      : "the checks below and the brief"}.
  </p>
  <div class="mt-2 flex gap-1.5">
    <button class="action" onclick={() => (booksShown = true)}>Rulebooks</button>
    <button class="action" onclick={() => (peopleShown = true)}>People</button>
  </div>
  <div class="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Kinds of findings">
    {#each kinds as [kind, name] (kind)}
      <button
        class="pill"
        aria-pressed={proving.only === kind}
        onclick={() => (proving.only = proving.only === kind ? null : kind)}
      >
        {name}
        {plan.findings.filter((f) => f.kind === kind).length}
      </button>
    {/each}
  </div>
  <div class="mt-2 flex items-center gap-1.5">
    <Select
      label="Put together by"
      class="field flex-1"
      options={[
        ["kind", "As they are found"],
        ["room", "By room"],
        ["rule", "By rule"],
        ["thing", "By thing"],
      ] as const}
      bind:value={proving.by}
    />
    <button
      class="action"
      aria-label="The finding before"
      title="The finding before: ["
      disabled={!shown.length}
      onclick={() => proving.step(-1)}>‹</button
    >
    <button
      class="action"
      aria-label="The next finding"
      title="The next finding: ]"
      disabled={!shown.length}
      onclick={() => proving.step(1)}>›</button
    >
  </div>
  {#if since && proving.issued}
    <p class="mt-2 text-[12px]" aria-label="Since the last revision">
      Since revision {proving.issued.letter}: {since.isNew.size} new,
      <button
        class="underline decoration-dotted disabled:no-underline"
        disabled={!since.cleared.length}
        aria-expanded={clearedShown}
        onclick={() => (clearedShown = !clearedShown)}>{since.cleared.length} cleared</button
      >.
    </p>
    {#if clearedShown}
      <ul class="max-h-28 overflow-y-auto text-[12px] text-soft" aria-label="Cleared since the last revision">
        {#each since.cleared as one (one.id)}<li class="line-through">{one.title}</li>{/each}
      </ul>
    {/if}
  {/if}
</div>
<LongList
  label="Findings"
  class="min-h-[190px] flex-1 border-t border-edge"
  items={shown}
  keyOf={(one) => one.finding.id}
  shown={plan.finding}
>
  {#snippet row({ finding, heading })}
    {#if heading}
      <h3 class="border-b border-edge bg-wash px-3.5 py-1 text-[12px] font-semibold text-soft">{heading}</h3>
    {/if}
    <button
      class="flex w-full gap-3 border-b border-edge px-3.5 py-2.5 text-left {plan.finding === finding.id
        ? 'bg-must-wash'
        : 'hover:bg-white'}"
      aria-pressed={plan.finding === finding.id}
      onclick={() => plan.show(plan.finding === finding.id ? null : finding.id)}
    >
      {#if finding.accepted}
        <span
          class="flex h-5 w-5 shrink-0 items-center justify-center rounded-full bg-moss-wash text-[12px] text-ok"
          aria-label="Accepted">✓</span
        >
      {:else if finding.weight === "Must"}
        <span
          class="flex h-5 w-5 shrink-0 items-center justify-center rounded bg-must text-[12px] font-semibold text-white"
          aria-label="Must fix">!</span
        >
      {:else if finding.weight === "Advise"}
        <span
          class="flex h-5 w-5 shrink-0 items-center justify-center rounded-full bg-advise-fill text-[12px] font-semibold"
          aria-label="Advice">?</span
        >
      {:else}
        <span
          class="flex h-5 w-5 shrink-0 items-center justify-center rounded-full border border-dashed border-soft text-[12px] font-semibold"
          aria-label="Could not be judged">…</span
        >
      {/if}
      <span>
        <span class="block font-semibold"
          >{finding.title}
          {#if since?.isNew.has(finding.id)}<span
              class="ml-1 rounded bg-moss-wash px-1 text-[11px] font-medium text-ok">new</span
            >{/if}</span
        >
        <span class="block text-[12px] font-medium">{figures(finding)}</span>
        <span class="block text-[12px] text-soft"
          >{finding.accepted ? `Accepted: ${finding.accepted.reason}` : finding.source}</span
        >
      </span>
    </button>
  {/snippet}
  {#snippet empty()}
    <p class="flex items-center gap-3 px-3.5 py-3" role="listitem">
      <span class="flex h-5 w-5 items-center justify-center rounded-full bg-moss-wash text-ok">✓</span> Nothing
      to clear.
    </p>
  {/snippet}
</LongList>
{#if checks}
  <div class="max-h-[186px] shrink-0 space-y-1.5 overflow-y-auto border-t border-edge p-3.5">
    <h3 class="heading">Checks</h3>
    <LengthField
      label="Main aisles"
      value={checks.mainAisle}
      units={plan.units}
      disabled={!plan.canEdit}
      onvalue={(mainAisle) => set({ mainAisle })}
    />
    <LengthField
      label="Seat access"
      value={checks.seatAccess}
      units={plan.units}
      disabled={!plan.canEdit}
      onvalue={(seatAccess) => set({ seatAccess })}
    />
    <Choice
      label="Chairs"
      value={checks.chairs}
      options={[
        ["Occupied", "Occupied"],
        ["PulledOut", "Pulled out"],
      ]}
      disabled={!plan.canEdit}
      onvalue={(chairs) => set({ chairs })}
    />
    {#if checks.chairs === "Occupied"}
      <LengthField
        label="Depth"
        value={checks.occupiedDepth}
        units={plan.units}
        disabled={!plan.canEdit}
        onvalue={(occupiedDepth) => set({ occupiedDepth })}
      />
    {:else}
      <LengthField
        label="Depth"
        value={checks.pulledOutDepth}
        units={plan.units}
        disabled={!plan.canEdit}
        onvalue={(pulledOutDepth) => set({ pulledOutDepth })}
      />
    {/if}
    <p class="text-[11px] text-soft">
      {plan.catalogue?.houseRules.find(
        (r) => r.key === (checks.chairs === "Occupied" ? "occupied-chair" : "pulled-out-chair"),
      )?.source}. From memory; check against the adopted edition.
    </p>
  </div>
{/if}
<BooksWindow {plan} bind:open={booksShown} />
<PeopleWindow {plan} bind:open={peopleShown} />
