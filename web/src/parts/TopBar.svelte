<script lang="ts">
  import { Redo2, Undo2 } from "@lucide/svelte";
  import Hint from "./Hint.svelte";
  import Mark from "./Mark.svelte";
  import SchemesDialog from "./SchemesDialog.svelte";
  import Select from "./Select.svelte";
  import type { OpenPlan, Stage } from "../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();

  const stages: [Stage, string][] = [
    ["shell", "Shell"],
    ["furnish", "Furnish"],
    ["prove", "Prove"],
    ["issue", "Issue"],
  ];
  let schemesShown = $state(false);
  const waiting = $derived(plan.doing.waiting);
  const saving = $derived(
    waiting.why
      ? `${waiting.count === 1 ? "1 change waits" : `${waiting.count} changes wait`}: ${waiting.why}`
      : waiting.count
        ? "Saving…"
        : plan.offline
          ? "No link to the server"
          : "All changes saved",
  );
</script>

{#snippet step(
  name: string,
  keys: string,
  what: string | null | undefined,
  go: () => void,
  Icon: typeof Undo2,
)}
  <Hint text={what ? `${name}: ${what} (${keys})` : ""}>
    {#snippet children(props)}
      <button {...props} class="p-1.5 disabled:text-white/35" aria-label={name} disabled={!what} onclick={go}
        ><Icon size={18} /></button
      >
    {/snippet}
  </Hint>
{/snippet}

<header class="flex h-13 shrink-0 items-center gap-3 bg-ink px-3.5 text-white">
  <a href="#/" class="flex items-center gap-2.5 text-[15px] font-semibold" title="All projects"
    ><Mark /> Wellsedes</a
  >
  <p class="max-w-[190px] truncate text-white/75" title="{plan.view?.projectName} / {plan.details?.title}">
    {plan.view?.projectName} / <span class="font-semibold text-white">{plan.details?.title}</span>
  </p>
  <div class="flex items-center gap-1 rounded border border-white/30 px-1.5 text-[12px] text-white/85">
    <Select
      label="Level"
      class="flex max-w-[130px] items-center py-0.5 text-white"
      options={plan.levels.toReversed().map((level) => [level.id, level.name])}
      value={plan.levelId}
      onvalue={(id) => plan.lookAt(id)}
    />
    <span class="h-4 border-l border-white/30"></span>
    <Select
      label="Scheme"
      class="flex max-w-[130px] items-center py-0.5 text-white"
      options={[...plan.schemes.map((scheme) => [scheme.id, scheme.name] as const), ["all", "Schemes…"]]}
      bind:value={() => plan.schemeId, (id) => (id === "all" ? (schemesShown = true) : plan.lookAtScheme(id))}
    />
  </div>
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
    class="text-[12px] whitespace-nowrap {plan.offline || waiting.why
      ? 'font-semibold text-brass'
      : 'text-white/70'}"
    role="status"
    data-testid="saving"
  >
    {plan.view?.role === "Viewer" ? "View only" : saving}
  </span>
  {#if plan.canEdit}
    {@render step("Undo", "Ctrl+Z", plan.view?.undo.undo, plan.undo, Undo2)}
    {@render step("Redo", "Ctrl+Y", plan.view?.undo.redo, plan.redo, Redo2)}
  {/if}
</header>
<SchemesDialog {plan} bind:open={schemesShown} />
