<script lang="ts">
  import Select from "../parts/Select.svelte";
  import Sure, { type Question } from "../parts/Sure.svelte";
  import { onMount } from "svelte";
  import Mark from "../parts/Mark.svelte";
  import Members from "./Members.svelte";
  import { api, messageOf, type ProjectView } from "./api";
  import { session } from "./session.svelte";

  let projects = $state<ProjectView[]>([]);
  let problem = $state<string | null>(null);
  let title = $state("");
  let units = $state<"Metric" | "FeetInches">("Metric");
  let projectName = $state("");

  onMount(load);

  async function load() {
    const { data, error } = await api.GET("/api/projects");
    const binned = await api.GET("/api/deleted-projects");
    deleted = binned.data ?? [];
    if (data) projects = data;
    else problem = messageOf(error);
  }

  async function addProject(event: SubmitEvent) {
    event.preventDefault();
    const { error } = await api.POST("/api/projects", { body: { name: projectName } });
    problem = error ? messageOf(error) : null;
    if (!error) projectName = "";
    await load();
  }

  let question = $state.raw<Question | null>(null);
  const ask = (title: string, done: () => void) =>
    (question = { title, text: "It can be brought back for 30 days.", act: "Delete", done });

  let deleted = $state<{ id: string; name: string }[]>([]);

  async function deletePlan(planId: string) {
    const { error } = await api.DELETE("/api/plans/{planId}", { params: { path: { planId } } });
    await settle(error);
  }

  async function restorePlan(projectId: string, deletedPlanId: string) {
    await api.POST("/api/projects/{projectId}/deleted-plans/{deletedPlanId}/restore", {
      params: { path: { projectId, deletedPlanId } },
    });
    await load();
  }

  async function deleteProject(projectId: string) {
    await api.DELETE("/api/projects/{projectId}", { params: { path: { projectId } } });
    await load();
  }

  async function restoreProject(projectId: string) {
    await api.POST("/api/projects/{projectId}/restore", { params: { path: { projectId } } });
    await load();
  }

  async function addPlan(event: SubmitEvent, projectId: string) {
    event.preventDefault();
    const { data, error } = await api.POST("/api/projects/{projectId}/plans", {
      params: { path: { projectId } },
      body: { title, units },
    });
    if (data) location.hash = `#/plan/${data.id}`;
    else problem = messageOf(error);
  }

  /** Takes a plan file in as a new plan of a project. */
  const sendPlanFile = (projectId: string, file: File | string) =>
    api.POST("/api/projects/{projectId}/plan-files", {
      params: { path: { projectId } },
      body: file as never,
      bodySerializer: (body) => body as never,
      headers: { "Content-Type": "application/json" },
    });

  async function importFile(input: HTMLInputElement, projectId: string) {
    const file = input.files?.[0];
    if (!file) return;
    const { data, error } = await sendPlanFile(projectId, file);
    input.value = "";
    if (data) location.hash = `#/plan/${(data as { id: string }).id}`;
    else problem = messageOf(error);
  }

  /** Says what went wrong, if anything, and shows what there is now. */
  async function settle(error: unknown) {
    problem = error ? messageOf(error) : null;
    await load();
  }

  let sought = $state("");
  const isSought = (text: string) => text.toLowerCase().includes(sought.trim().toLowerCase());

  /** The plan whose title is being typed anew. */
  let renaming = $state<string | null>(null);

  async function rename(planId: string, to: string) {
    // Enter, Escape and leaving the field all take the field away: one of them is taken.
    if (renaming !== planId) return;
    renaming = null;
    const opened = await api.GET("/api/plans/{planId}", { params: { path: { planId } } });
    const details = opened.data?.entities.find((entity) => entity.type === "plan") as
      { title: string; units: "Metric" | "FeetInches"; north: number } | undefined;
    if (!details) return void (problem = messageOf(opened.error));
    if (details.title === to.trim()) return;
    const { error } = await api.POST("/api/plans/{planId}/edits", {
      params: { path: { planId } },
      body: {
        baseRevision: opened.data!.revision,
        edit: { do: "set-details", title: to, units: details.units, north: details.north, sure: false },
      },
    });
    await settle(error);
  }

  /** A plan of its own with everything that is in another: its file, taken in again under another title. */
  async function duplicate(planId: string, projectId: string, title: string) {
    const answer = await fetch(`/api/plans/${planId}/file`);
    if (!answer.ok) return void (problem = "The plan could not be read.");
    const file = await answer.json();
    const copy = `${title.slice(0, 72)} (copy)`;
    for (const entity of file.entities) if (entity.type === "plan") entity.title = copy;
    await settle((await sendPlanFile(projectId, JSON.stringify(file))).error);
  }
</script>

<header class="flex h-13 items-center gap-3 bg-ink px-4 text-white">
  <Mark /><span class="text-[15px] font-semibold">Wellsedes</span>
  <span class="ml-auto text-white/80">{session.name}</span>
  <button
    class="rounded-md border border-white/30 px-2.5 py-1 hover:border-white"
    onclick={() => session.signOut()}>Sign out</button
  >
</header>
<main class="mx-auto max-w-5xl p-6">
  <div class="flex items-center">
    <h1 class="text-[20px] font-semibold">Projects</h1>
    <span class="field ml-auto"
      ><input
        class="w-56 outline-none"
        type="search"
        placeholder="Search plans"
        aria-label="Search plans"
        bind:value={sought}
      /></span
    >
  </div>
  {#if problem}<p class="mt-2 text-must" role="alert">{problem}</p>{/if}
  {#each projects as project (project.id)}
    <section class="mt-4 rounded-lg border border-edge bg-panel p-4">
      <div class="flex items-baseline gap-3">
        <h2 class="text-[16px] font-semibold">{project.name}</h2>
        {#if project.role === "Owner"}
          <button
            class="order-last ml-auto text-[12px] text-soft underline hover:text-must"
            onclick={() =>
              ask(
                `Delete the project “${project.name}” with all its plans?`,
                () => void deleteProject(project.id),
              )}>Delete project</button
          >
        {/if}
        <span class="text-soft"
          >{project.members.map((m) => `${m.name} (${m.role.toLowerCase()})`).join(", ")}</span
        >
      </div>
      <ul class="mt-3 grid grid-cols-3 gap-3">
        {#each project.plans.filter((p) => isSought(p.title) || isSought(project.name)) as plan (plan.id)}
          <li class="relative">
            {#if project.role !== "Viewer"}
              <span class="absolute right-2 bottom-2 flex gap-1.5 text-[12px] text-soft">
                <button
                  class="underline hover:text-ink"
                  aria-label="Rename {plan.title}"
                  onclick={() => (renaming = plan.id)}>Rename</button
                >
                <button
                  class="underline hover:text-ink"
                  aria-label="Duplicate {plan.title}"
                  onclick={() => duplicate(plan.id, project.id, plan.title)}>Duplicate</button
                >
                <button
                  class="underline hover:text-must"
                  aria-label="Delete {plan.title}"
                  onclick={() => ask(`Delete “${plan.title}”?`, () => void deletePlan(plan.id))}
                  >Delete</button
                >
              </span>
            {/if}
            {#if renaming === plan.id}
              <form
                class="absolute inset-x-2 top-2 z-10"
                onsubmit={(e) => {
                  e.preventDefault();
                  void rename(plan.id, new FormData(e.currentTarget).get("title") as string);
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
                    onblur={(e) => rename(plan.id, e.currentTarget.value)}
                    onkeydown={(e) => {
                      if (e.key === "Escape") renaming = null;
                    }}
                  /></span
                >
              </form>
            {/if}
            <a
              class="block rounded-md border border-edge bg-white p-3 pb-8 hover:border-moss"
              href={`#/plan/${plan.id}`}
            >
              <span class="font-semibold">{plan.title}</span>
              <span class="mt-1 block text-soft"
                >Changed {new Date(plan.changedAt).toLocaleString("en-GB", {
                  dateStyle: "medium",
                  timeStyle: "short",
                })}</span
              >
            </a>
          </li>
        {/each}
      </ul>
      {#if project.role !== "Viewer" && project.deletedPlans.length}
        <p class="mt-3 text-soft">
          Deleted, kept for 30 days:
          {#each project.deletedPlans as plan (plan.id)}
            <span class="mr-3"
              >{plan.title}
              <button class="underline" onclick={() => restorePlan(project.id, plan.id)}>Bring back</button
              ></span
            >
          {/each}
        </p>
      {/if}
      {#if project.role !== "Viewer"}
        <div class="mt-4 flex flex-wrap items-center gap-2 border-t border-edge pt-3">
          <form class="flex items-center gap-2" onsubmit={(e) => addPlan(e, project.id)}>
            <span class="field"
              ><input
                class="w-44 outline-none"
                placeholder="Title of a new plan"
                aria-label="Title of a new plan"
                required
                maxlength="80"
                bind:value={title}
              /></span
            >
            <Select
              label="Units"
              options={[
                ["Metric", "Metric"],
                ["FeetInches", "Feet and inches"],
              ]}
              bind:value={units}
            />
            <button class="action-main">New plan</button>
          </form>
          <label class="action">
            Open a plan file…
            <input
              class="sr-only"
              type="file"
              accept=".json,application/json"
              onchange={(e) => importFile(e.currentTarget, project.id)}
            />
          </label>
          {#if project.role === "Owner"}
            <Members {project} {settle} />
          {/if}
        </div>
      {/if}
    </section>
  {/each}
  {#if deleted.length}
    <p class="mt-4 text-soft">
      Deleted projects, kept for 30 days:
      {#each deleted as project (project.id)}
        <span class="mr-3"
          >{project.name}
          <button class="underline" onclick={() => restoreProject(project.id)}>Bring back</button></span
        >
      {/each}
    </p>
  {/if}
  <form class="mt-6 flex items-center gap-2" onsubmit={addProject}>
    <span class="field"
      ><input
        class="w-56 outline-none"
        placeholder="Name of a new project"
        aria-label="Name of a new project"
        required
        maxlength="80"
        bind:value={projectName}
      /></span
    >
    <button class="action">New project</button>
  </form>
</main>
<Sure bind:question />
