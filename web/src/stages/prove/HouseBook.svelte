<script lang="ts">
  import { api, type MeasureView } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { bookText, chosenBooks, rulesOf } from "./books";

  /** Books that do not ship: the house's own, written here, and those brought as a file; each goes out as a file. */
  let { plan, shipped }: { plan: OpenPlan; shipped: string[] } = $props();

  const own = $derived(chosenBooks(plan).filter((book) => shipped.length && !shipped.includes(book.bookId)));
  let measures = $state.raw<MeasureView[]>([]);
  let writing = $state(false);
  let [title, measure, figure, way, of, weight] = $state(["", "doorway", "clear_mm", "least", "", "must"]);
  let limit = $state(900);
  const read = $derived(measures.find((one) => one.key === measure));
  const isLength = $derived(figure.endsWith("_mm"));
  const kinds = ["wc", "basin", "bath", "shower", "kitchen", "storage", "desk"];
  const may = $derived(
    read?.byKind === "use"
      ? (plan.catalogue?.uses.map((use) => use.name) ?? [])
      : read?.byKind === "kind"
        ? kinds
        : [],
  );

  $effect(() => {
    if (writing && !measures.length)
      void api.GET("/api/measures").then(({ data }) => (measures = data ?? []));
  });
  function choose(key: string) {
    measure = key;
    figure = measures.find((one) => one.key === key)?.figures[0]?.name ?? "";
    of = "";
  }
  async function bring(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (file) await plan.do({ do: "bring-book", id: plan.newId("book"), text: await file.text() });
    // The same file may be brought again.
    input.value = "";
  }
  function save(name: string, text: string) {
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([text], { type: "application/json" }));
    link.download = `${name.toLowerCase().replace(/[^a-z0-9]+/g, "-")}.rulebook.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  }
  async function write(e: SubmitEvent) {
    e.preventDefault();
    const done = await plan.do({
      do: "write-house-rule",
      id: plan.newId("book"),
      title,
      measure,
      figure,
      atLeast: way === "least",
      limit,
      of,
      advises: weight === "advise",
    });
    if (done) title = "";
  }
</script>

<section class="mt-3 border-t border-edge pt-3" aria-label="The house's own rulebooks">
  <div class="flex flex-wrap items-center gap-2">
    <h3 class="heading mr-auto">The house's own</h3>
    <label class="action cursor-pointer {plan.canEdit ? '' : 'opacity-50'}">
      Bring a rulebook file
      <input
        class="sr-only"
        type="file"
        accept=".json,application/json"
        aria-label="Bring a rulebook file"
        disabled={!plan.canEdit}
        onchange={(e) => void bring(e.currentTarget)}
      />
    </label>
    <button class="action" aria-expanded={writing} onclick={() => (writing = !writing)}>Write a rule</button>
  </div>
  <ul aria-label="Own rulebooks">
    {#each own as book (book.id)}
      <li class="mt-1.5">
        <span class="flex items-center gap-2">
          <span class="mr-auto font-medium">{book.name}</span>
          <button class="action" onclick={() => save(book.name, bookText(plan, book.id))}
            >Export {book.name}</button
          >
          <button
            class="action"
            disabled={!plan.canEdit}
            onclick={() => plan.do({ do: "leave-book", id: book.id })}>Remove {book.name}</button
          >
        </span>
        <ul class="text-[12px]">
          {#each rulesOf(plan, book.id) as rule (rule.id)}
            <li class="flex min-h-7 items-center gap-2">
              <span class="mr-auto">{rule.title} <span class="text-soft">{rule.metric}</span></span>
              {#if book.bookId === "house"}
                <button
                  class="action"
                  aria-label="Take out {rule.title}"
                  disabled={!plan.canEdit}
                  onclick={() => plan.do({ do: "drop-house-rule", ruleId: rule.id })}>Take out</button
                >
              {/if}
            </li>
          {/each}
        </ul>
      </li>
    {/each}
  </ul>
  {#if writing}
    <form class="mt-2 grid grid-cols-2 gap-2" onsubmit={write} aria-label="A rule of the house">
      <span class="field col-span-2"
        ><input
          class="w-full outline-none"
          aria-label="What the rule says"
          placeholder="What it says, as: Wide doors"
          bind:value={title}
        /></span
      >
      <Select
        label="What it measures"
        class="field w-full"
        options={measures.map((one) => [one.key, one.name] as const)}
        value={measure}
        onvalue={choose}
      />
      <Select
        label="Which figure"
        class="field w-full"
        options={(read?.figures ?? []).map((one) => [one.name, one.told] as const)}
        bind:value={figure}
      />
      <Select
        label="Least or most"
        class="field w-full"
        options={[
          ["least", "is at least"],
          ["most", "is at most"],
        ] as const}
        bind:value={way}
      />
      {#if isLength}
        <LengthField label="Limit" value={limit} units={plan.units} onvalue={(to) => (limit = to)} />
      {:else}
        <NumberField label="Limit" whole={false} value={limit} onvalue={(to) => (limit = to ?? 0)} />
      {/if}
      {#if may.length}
        <Select
          label="Only for"
          class="field w-full"
          options={[["", "for all"] as const, ...may.map((one) => [one, one] as const)]}
          bind:value={of}
        />
      {/if}
      <Select
        label="How it weighs"
        class="field w-full"
        options={[
          ["must", "must be kept"],
          ["advise", "is advice"],
        ] as const}
        bind:value={weight}
      />
      <button class="action col-span-2 justify-self-start" disabled={!plan.canEdit || !title.trim()}
        >Write it</button
      >
    </form>
  {/if}
</section>
