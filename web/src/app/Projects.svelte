<script lang="ts">
  import Select from "../parts/Select.svelte";
  import Sure, { type Question } from "../parts/Sure.svelte";
  import { onMount } from "svelte";
  import Mark from "../parts/Mark.svelte";
  import Members from "./Members.svelte";
  import PlanCard from "./PlanCard.svelte";
  import { api, messageOf, sendPlanFile, type ProjectView } from "./api";
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
  const ask = (
    title: string,
    done: () => void,
    text = "It can be brought back for 30 days.",
    act = "Delete",
  ) => (question = { title, text, act, done });

  let deleted = $state<{ id: string; name: string }[]>([]);

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
  const found = (project: ProjectView) =>
    project.plans.filter((plan) => isSought(plan.title) || isSought(project.name));
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
        {#each found(project).filter((p) => !p.archived) as plan (plan.id)}
          <PlanCard {plan} {project} {settle} {ask} />
        {/each}
      </ul>
      {#if found(project).some((p) => p.archived)}
        <details class="mt-3" open={sought.trim() !== ""}>
          <summary class="cursor-pointer text-soft"
            >Archived ({found(project).filter((p) => p.archived).length})</summary
          >
          <ul class="mt-2 grid grid-cols-3 gap-3">
            {#each found(project).filter((p) => p.archived) as plan (plan.id)}
              <PlanCard {plan} {project} {settle} {ask} />
            {/each}
          </ul>
        </details>
      {/if}
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
