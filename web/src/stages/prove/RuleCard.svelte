<script lang="ts">
  import { api, type AskView, type RuleView } from "../../app/api";
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { figureOf } from "./books";

  /** A rule of a book: what it says, asked with figures of one's own, and taken otherwise with a reason. */
  let { plan, rule, isChosen }: { plan: OpenPlan; rule: RuleView; isChosen: boolean } = $props();

  interface Change {
    id: string;
    ruleId: string;
    value: string;
    figure: number | null;
    reason: string;
  }
  let way = $state("0");
  let typed = $state<Record<string, string>>({});
  let answer = $state.raw<AskView | null>(null);
  let problem = $state("");
  let value = $state("");
  let figure = $state("");
  let reason = $state("");

  const asked = $derived(rule.asked[Number(way)]);
  const changes = $derived(
    (plan.all("rule-change") as unknown as Change[]).filter((change) => change.ruleId === rule.id),
  );

  async function ask(e: SubmitEvent) {
    e.preventDefault();
    const figures = Object.fromEntries(
      (asked?.with ?? []).map((name) => [name, figureOf(typed[name] ?? "")]),
    );
    [answer, problem] = [null, ""];
    const { data, error } = await api
      .POST("/api/rules/{ruleId}/ask", { params: { path: { ruleId: rule.id } }, body: { figures } })
      .catch(() => ({ data: undefined, error: { message: "The server does not answer; try again." } }));
    if (data) answer = data;
    else problem = (error as { message?: string } | undefined)?.message ?? "This could not be worked out.";
  }
  async function change(e: SubmitEvent) {
    e.preventDefault();
    const done = await plan.do({
      do: "change-rule",
      id: plan.newId("rule"),
      ruleId: rule.id,
      value,
      figure: value ? Number(figure) : undefined,
      reason,
    });
    if (done) [figure, reason] = ["", ""];
  }
  const undo = (one: Change) =>
    plan.do({ do: "change-rule", id: one.id, ruleId: one.ruleId, value: one.value, reason: "" });
</script>

<article aria-label="Rule">
  <h3 class="font-semibold">{rule.title}</h3>
  <p class="text-[12px] text-soft">
    {rule.source}. From memory, {rule.confidence.toLowerCase()} confidence; check against the adopted edition.
  </p>
  <dl class="mt-1.5 grid grid-cols-[64px_1fr] gap-y-0.5 text-[13px]">
    <dt class="text-soft">Metric</dt>
    <dd>{rule.metric}</dd>
    <dt class="text-soft">Imperial</dt>
    <dd>{rule.imperial}</dd>
  </dl>
  {#if rule.notes}<p class="mt-1 text-[12px] text-soft">{rule.notes}</p>{/if}
  {#if rule.asked.length}
    <form class="mt-2 space-y-1.5 border-t border-edge pt-2" onsubmit={ask}>
      <h4 class="heading">Try it</h4>
      {#if rule.asked.length > 1}
        <Select
          label="Asked with"
          class="field w-full"
          options={rule.asked.map((one, i) => [`${i}`, one.with.join(", ")] as const)}
          bind:value={way}
        />
      {/if}
      {#each asked?.with ?? [] as name (name)}
        <label class="flex items-center gap-2"
          ><span class="w-1/2 truncate text-[12px]" title={name}>{name}</span><span class="field flex-1"
            ><input
              class="w-full font-figure outline-none"
              bind:value={typed[name]}
              aria-label={name}
            /></span
          ></label
        >
      {/each}
      <button class="action">Work it out</button>
      {#if problem}<p class="text-[12px] text-must" role="alert">{problem}</p>{/if}
      {#if answer}
        <dl class="grid grid-cols-[1fr_auto] gap-x-3 font-figure" aria-label="Answers">
          {#each answer.answers as one (one.name)}
            <dt>{one.name}</dt>
            <dd class="font-semibold">{one.told}</dd>
          {/each}
        </dl>
        <p class="text-[12px] text-soft">{answer.working.join("; ")}</p>
      {/if}
    </form>
  {:else}
    <p class="mt-2 text-soft">It computes nothing.</p>
  {/if}
  {#if rule.confidence === "Low" && rule.judges}
    <p class="mt-2 border-t border-edge pt-2 text-[12px] text-soft">
      Nobody is sure of its value, so no book judges by it. It may be a rule of the house.
      <button
        class="action ml-1"
        disabled={!plan.canEdit}
        onclick={() => plan.do({ do: "take-house-rule", id: plan.newId("book"), ruleId: rule.id })}
        >Take it as a house rule</button
      >
    </p>
  {/if}
  {#if isChosen && rule.judges}
    <form class="mt-2 space-y-1.5 border-t border-edge pt-2" onsubmit={change}>
      <h4 class="heading">Taken otherwise here</h4>
      {#each changes as one (one.id)}
        <p class="text-[12px]">
          {one.value ? `${one.value} is ${one.figure}` : "Off"}: {one.reason}
          <button class="action ml-1" type="button" disabled={!plan.canEdit} onclick={() => undo(one)}
            >As the book</button
          >
        </p>
      {/each}
      <div class="flex items-center gap-2">
        <Select
          label="What is taken otherwise"
          class="field w-1/2"
          options={[
            ["", "The rule is off"] as const,
            ...rule.values.map((one) => [one.name, one.name] as const),
          ]}
          bind:value
        />
        {#if value}<span class="field flex-1"
            ><input
              class="w-full font-figure outline-none"
              aria-label="Its figure"
              bind:value={figure}
            /></span
          >{/if}
      </div>
      <span class="field"
        ><input
          class="w-full outline-none"
          aria-label="Reason"
          placeholder="Reason, printed with it"
          bind:value={reason}
        /></span
      >
      <button class="action" disabled={!plan.canEdit || !reason.trim()}>Take it so</button>
    </form>
  {/if}
</article>
