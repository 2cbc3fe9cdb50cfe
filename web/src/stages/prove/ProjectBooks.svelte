<script lang="ts">
  import { api, type ProjectBooksView } from "../../app/api";
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { bookOf, chosenBooks } from "./books";

  /** The books that the project keeps for its plans, and those of its other plans. */
  let { plan, open }: { plan: OpenPlan; open: boolean } = $props();

  let kept = $state.raw<ProjectBooksView>();
  const path = $derived({ params: { path: { planId: plan.id } } });
  /** What is still on its way to the server is not in what it keeps. */
  const saved = $derived(plan.doing.waiting.count === 0);
  const load = () => api.GET("/api/plans/{planId}/project-books", path).then(({ data }) => (kept = data));
  // What the plan is held against says whether these are the same.
  $effect(() => {
    void plan.all("rulebook");
    void plan.all("rule-change");
    if (open && saved) void load();
  });

  async function keep() {
    await api.PUT("/api/plans/{planId}/project-books", path);
    await load();
  }
  function take() {
    const { books, changes } = kept!;
    void plan.do({
      do: "take-books",
      books: books.map((book) => ({ ...book, id: plan.newId("book") })),
      changes: changes.map((change) => ({ ...change, id: plan.newId("rule") })),
    });
  }

  let others = $state.raw<{ id: string; title: string }[]>([]);
  let asIn = $state("");
  $effect(() => {
    if (!open || others.length) return;
    void api.GET("/api/projects").then(({ data }) => {
      const project = data?.find((one) => one.plans.some((other) => other.id === plan.id));
      others = project?.plans.filter((other) => other.id !== plan.id) ?? [];
    });
  });
  async function takeFrom(planId: string) {
    const { data } = await api.GET("/api/plans/{planId}", { params: { path: { planId } } });
    const theirs = (data?.entities ?? []).filter((one) => one.type === "rulebook") as unknown as {
      id: string;
      text: string;
    }[];
    for (const book of theirs)
      if (!chosenBooks(plan).some((one) => one.bookId === bookOf(book).bookId))
        await plan.do({ do: "bring-book", id: plan.newId("book"), text: book.text });
    asIn = "";
  }
  const day = (at: string) => at.slice(0, 10);
</script>

<section
  class="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-edge pt-2"
  aria-label="Books of the project"
>
  {#if kept}
    <p class="w-full">
      {#if kept.books.length}
        <span title={kept.names.join("\n")}
          >The project keeps {kept.names.length === 1 ? kept.names[0] : `${kept.names.length} books`} for its plans
          ({kept.keptBy}, {day(kept.keptAt!)}).</span
        >
        {kept.areOfPlan ? "This plan is held against these." : "This plan is held against others."}
      {:else}
        The project keeps no books for its plans yet.
      {/if}
    </p>
    {#if !kept.areOfPlan}
      {#if kept.books.length}
        <button class="action" disabled={!plan.canEdit} onclick={take}>Take the project’s</button>
      {/if}
      <button class="action" disabled={!plan.canEdit || !saved || !chosenBooks(plan).length} onclick={keep}
        >Keep this plan’s for the project</button
      >
    {/if}
  {/if}
  {#if others.length}
    <div class="flex items-center gap-2">
      <span>Add the books of another plan</span>
      <Select
        label="Take the books of another plan"
        class="field w-[250px]"
        options={[["", "none"] as const, ...others.map((one) => [one.id, one.title] as const)]}
        bind:value={asIn}
        disabled={!plan.canEdit}
        onvalue={(id) => id && void takeFrom(id)}
      />
    </div>
  {/if}
</section>
