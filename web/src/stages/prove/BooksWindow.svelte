<script lang="ts">
  import { api, type BookView, type RuleView } from "../../app/api";
  import Select from "../../parts/Select.svelte";
  import Window from "../../parts/Window.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { chosenBooks } from "./books";
  import HouseBook from "./HouseBook.svelte";
  import ProjectBooks from "./ProjectBooks.svelte";
  import RuleCard from "./RuleCard.svelte";

  /** The books a plan may be held against, and the rules in one of them. */
  let { plan, open = $bindable() }: { plan: OpenPlan; open: boolean } = $props();

  let books = $state.raw<BookView[]>([]);
  let looked = $state("international-model-code");
  let rules = $state.raw<RuleView[]>([]);
  let words = $state("");
  let ruleId = $state("");

  const chosen = $derived(chosenBooks(plan));
  const found = $derived.by(() => {
    const asked = words.toLowerCase().split(/\s+/).filter(Boolean);
    return rules.filter((rule) => {
      const text = `${rule.id} ${rule.title} ${rule.source} ${rule.metric} ${rule.imperial}`.toLowerCase();
      return asked.every((word) => text.includes(word));
    });
  });
  const rule = $derived(rules.find((one) => one.id === ruleId));

  $effect(() => {
    if (open && !books.length) void api.GET("/api/rulebooks").then(({ data }) => (books = data ?? []));
  });
  $effect(() => {
    if (!open) return;
    const asked = looked;
    void api.GET("/api/rulebooks/{bookId}", { params: { path: { bookId: asked } } }).then(({ data }) => {
      if (asked === looked) rules = data ?? [];
    });
  });

  function choose(book: BookView, on: boolean) {
    const there = chosen.find((one) => one.bookId === book.id);
    if (on) void plan.do({ do: "choose-book", id: plan.newId("book"), bookId: book.id });
    else if (there) void plan.do({ do: "leave-book", id: there.id });
  }
</script>

<Window
  bind:open
  wide
  title="Rulebooks"
  text="What this plan is held against. Every value is recalled from memory: check it against the adopted edition. None of it is legal advice."
>
  <ul class="mt-3 grid grid-cols-2 gap-x-4" aria-label="Rulebooks">
    {#each books as book (book.id)}
      <li class="flex min-h-7 items-center gap-1.5">
        <label
          class="flex items-center gap-1.5 {book.judges ? '' : 'text-soft'}"
          title={book.sources.join("\n")}
        >
          <input
            type="checkbox"
            checked={chosen.some((one) => one.bookId === book.id)}
            disabled={!plan.canEdit || !book.judges}
            onchange={(e) => choose(book, e.currentTarget.checked)}
          />
          {book.name}
        </label>
        <span class="text-[12px] text-soft"
          >{book.judges
            ? `${book.edition ? `${book.edition}; ` : ""}${book.judges} of ${book.rules} judge plans`
            : `${book.rules}, to be asked by hand`}</span
        >
      </li>
    {/each}
  </ul>
  <ProjectBooks {plan} {open} />
  <HouseBook {plan} shipped={books.map((book) => book.id)} />
  <div class="mt-3 flex items-center gap-2 border-t border-edge pt-3">
    <Select
      label="Book to look into"
      class="field w-[250px]"
      options={books.map((book) => [book.id, book.name] as const)}
      bind:value={looked}
    />
    <span class="field flex-1"
      ><input
        class="w-full outline-none"
        aria-label="Search its rules"
        placeholder="Search its rules"
        bind:value={words}
      /></span
    >
    <span class="font-figure text-soft" aria-label="Rules found">{found.length}</span>
  </div>
  <div class="mt-2 grid h-[300px] grid-cols-[300px_1fr] gap-3">
    <ul class="overflow-y-auto border border-edge" aria-label="Rules">
      {#each found as one (one.id)}
        <li>
          <button
            class="block w-full border-b border-edge px-2 py-1.5 text-left {one.id === ruleId
              ? 'bg-moss-wash'
              : 'hover:bg-white'}"
            aria-pressed={one.id === ruleId}
            onclick={() => (ruleId = one.id)}
          >
            <span class="block font-medium">{one.title}</span>
            <span class="block text-[12px] text-soft">{one.metric}</span>
          </button>
        </li>
      {:else}
        <li class="p-2 text-soft">No rule has these words.</li>
      {/each}
    </ul>
    <div class="overflow-y-auto">
      {#if rule}
        {#key rule.id}<RuleCard {plan} {rule} isChosen={chosen.some((one) => one.bookId === looked)} />{/key}
      {:else}
        <p class="text-soft">Choose a rule to read it, and to try it with figures of your own.</p>
      {/if}
    </div>
  </div>
</Window>
