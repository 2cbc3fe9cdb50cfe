<script lang="ts">
  import { api, sendPlanFile, type ProjectView } from "./api";

  interface Props {
    plan: ProjectView["plans"][number];
    project: ProjectView;
    /** Says what went wrong, if anything, and shows what there is now. */
    settle: (error: unknown) => Promise<void>;
    /** Asks whether something is meant, and does it then. */
    ask: (title: string, done: () => void, text?: string, act?: string) => void;
  }
  let { plan, project, settle, ask }: Props = $props();

  const path = $derived({ planId: plan.id });
  /** Whether the title is being typed anew. */
  let renaming = $state(false);

  async function rename(to: string) {
    // Enter, Escape and leaving the field all take the field away: one of them is taken.
    if (!renaming) return;
    renaming = false;
    const opened = await api.GET("/api/plans/{planId}", { params: { path } });
    const details = opened.data?.entities.find((entity) => entity.type === "plan") as
      { title: string; units: "Metric" | "FeetInches"; north: number } | undefined;
    if (!details) return settle(opened.error ?? { message: "The plan could not be read." });
    if (details.title === to.trim()) return;
    const { error } = await api.POST("/api/plans/{planId}/edits", {
      params: { path },
      body: {
        baseRevision: opened.data!.revision,
        edit: { do: "set-details", title: to, units: details.units, north: details.north, sure: false },
      },
    });
    await settle(error);
  }

  /** A plan of its own with everything that is in another: its file, taken in again under another title. */
  async function duplicate() {
    const answer = await fetch(`/api/plans/${plan.id}/file`);
    if (!answer.ok) return settle({ message: "The plan could not be read." });
    const file = await answer.json();
    const copy = `${plan.title.slice(0, 72)} (copy)`;
    for (const entity of file.entities) if (entity.type === "plan") entity.title = copy;
    await settle((await sendPlanFile(project.id, JSON.stringify(file))).error);
  }

  const remove = async () => settle((await api.DELETE("/api/plans/{planId}", { params: { path } })).error);
  const archive = async () =>
    settle(
      (
        await (plan.archived
          ? api.POST("/api/plans/{planId}/unarchive", { params: { path } })
          : api.POST("/api/plans/{planId}/archive", { params: { path } }))
      ).error,
    );
  const putBack = async () =>
    settle((await api.POST("/api/plans/{planId}/put-back", { params: { path } })).error);
</script>

<li class="relative rounded-md border border-edge bg-white focus-within:border-moss hover:border-moss">
  <a class="block" href={`#/plan/${plan.id}`}>
    <img
      class="aspect-video w-full rounded-t-md border-b border-edge bg-paper object-contain"
      src={`/api/plans/${plan.id}/picture?revision=${plan.revision}`}
      alt=""
      loading="lazy"
    />
    <span class="block px-3 pt-2 font-semibold">{plan.title}</span>
    <span class="block px-3 text-soft"
      >Changed {new Date(plan.changedAt).toLocaleString("en-GB", {
        dateStyle: "medium",
        timeStyle: "short",
      })}</span
    >
  </a>
  {#if renaming}
    <form
      class="absolute inset-x-2 top-2 z-10"
      onsubmit={(e) => {
        e.preventDefault();
        void rename(new FormData(e.currentTarget).get("title") as string);
      }}
    >
      <span class="field bg-white"
        ><!-- svelte-ignore a11y_autofocus --><input
          class="w-full font-semibold outline-none"
          name="title"
          aria-label="New title of {plan.title}"
          value={plan.title}
          required
          maxlength="80"
          autofocus
          onblur={(e) => rename(e.currentTarget.value)}
          onkeydown={(e) => {
            if (e.key === "Escape") renaming = false;
          }}
        /></span
      >
    </form>
  {/if}
  {#if project.role !== "Viewer"}
    <p class="flex flex-wrap gap-x-2.5 gap-y-1 px-3 pt-1 pb-2 text-[12px] text-soft">
      <button
        class="underline hover:text-ink"
        aria-label="Rename {plan.title}"
        onclick={() => (renaming = true)}>Rename</button
      >
      <button class="underline hover:text-ink" aria-label="Duplicate {plan.title}" onclick={duplicate}
        >Duplicate</button
      >
      <button
        class="underline hover:text-ink"
        aria-label="{plan.archived ? 'Take out of the archive:' : 'Archive'} {plan.title}"
        onclick={archive}>{plan.archived ? "Take out of the archive" : "Archive"}</button
      >
      <button
        class="underline hover:text-must"
        aria-label="Delete {plan.title}"
        onclick={() => ask(`Delete “${plan.title}”?`, () => void remove())}>Delete</button
      >
      {#if plan.isDemo}
        <button
          class="underline hover:text-ink"
          aria-label="Put {plan.title} back as it was"
          onclick={() =>
            ask(
              `Put “${plan.title}” back as it was?`,
              () => void putBack(),
              "The demo's plan is made anew. What was changed in this one goes to the deleted plans and can be brought back for 30 days.",
              "Put back",
            )}>Put back as it was</button
        >
      {/if}
    </p>
  {/if}
</li>
