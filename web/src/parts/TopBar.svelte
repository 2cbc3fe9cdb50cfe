<script lang="ts">
  import { Redo2, Undo2 } from "@lucide/svelte";
  import Mark from "./Mark.svelte";
  import SchemesDialog from "./SchemesDialog.svelte";
  import type { OpenPlan, Stage } from "../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const stages: [Stage, string][] = [
    ["shell", "Shell"],
    ["furnish", "Furnish"],
    ["prove", "Prove"],
    ["issue", "Issue"],
  ];
  let schemesShown = $state(false);
  const saving = $derived(
    plan.offline
      ? "No link to the server"
      : { saved: "All changes saved", saving: "Saving…", failed: "Last change not saved" }[plan.saving],
  );
</script>

<header class="flex h-13 shrink-0 items-center gap-3 bg-ink px-3.5 text-white">
  <a href="#/" class="flex items-center gap-2.5 text-[15px] font-semibold" title="All projects"
    ><Mark /> Wellsedes</a
  >
  <p class="max-w-[190px] truncate text-white/75" title="{plan.view?.projectName} / {plan.details?.title}">
    {plan.view?.projectName} / <span class="font-semibold text-white">{plan.details?.title}</span>
  </p>
  <p class="flex items-center gap-1 rounded border border-white/30 px-1 text-[12px] text-white/85">
    <select
      aria-label="Level"
      class="bg-ink py-0.5 text-white"
      value={plan.levelId}
      onchange={(e) => plan.lookAt(e.currentTarget.value)}
    >
      {#each plan.levels.toReversed() as level (level.id)}<option value={level.id}>{level.name}</option
        >{/each}
    </select>
    <select
      aria-label="Scheme"
      class="max-w-[130px] border-l border-white/30 bg-ink py-0.5 pl-1 text-white"
      value={plan.schemeId}
      onchange={(e) => {
        if (e.currentTarget.value) plan.lookAtScheme(e.currentTarget.value);
        else {
          e.currentTarget.value = plan.schemeId;
          schemesShown = true;
        }
      }}
    >
      {#each plan.schemes as scheme (scheme.id)}<option value={scheme.id}>{scheme.name}</option>{/each}
      <option value="">Schemes…</option>
    </select>
  </p>
  <nav class="mx-auto flex h-full" aria-label="Stages">
    {#each stages as [key, name], i (key)}
      <button
        class="flex h-full items-center gap-2 border-b-[3px] px-3.5 font-semibold {plan.stage === key
          ? 'border-brass text-white'
          : 'border-transparent text-white/70 hover:text-white'}"
        aria-current={plan.stage === key ? "step" : undefined}
        onclick={() => (plan.stage = key)}
      >
        <span
          class="flex h-[18px] w-[18px] items-center justify-center rounded-full border text-[11px] {plan.stage ===
          key
            ? 'border-brass bg-brass text-ink'
            : 'border-current'}"
        >
          {i + 1}
        </span>
        {name}
      </button>
    {/each}
  </nav>
  <span
    class="text-[12px] whitespace-nowrap {plan.offline || plan.saving === 'failed'
      ? 'font-semibold text-brass'
      : 'text-white/70'}"
    role="status"
    data-testid="saving"
  >
    {plan.view?.role === "Viewer" ? "View only" : saving}
  </span>
  {#if plan.canEdit}
    <button
      class="p-1.5 disabled:text-white/35"
      title={plan.view?.undo.undo ? `Undo: ${plan.view.undo.undo} (Ctrl+Z)` : "Nothing of yours to undo"}
      aria-label="Undo"
      disabled={!plan.view?.undo.undo}
      onclick={plan.undo}><Undo2 size={18} /></button
    >
    <button
      class="p-1.5 disabled:text-white/35"
      title={plan.view?.undo.redo ? `Redo: ${plan.view.undo.redo} (Ctrl+Y)` : "Nothing to redo"}
      aria-label="Redo"
      disabled={!plan.view?.undo.redo}
      onclick={plan.redo}><Redo2 size={18} /></button
    >
  {/if}
</header>
<SchemesDialog {plan} bind:open={schemesShown} />
