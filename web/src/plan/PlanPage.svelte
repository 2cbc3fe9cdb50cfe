<script lang="ts">
  import { onDestroy, onMount, tick, untrack } from "svelte";
  import PlanCanvas from "../canvas/PlanCanvas.svelte";
  import { tools } from "../canvas/tools.svelte";
  import { keepFocus } from "../parts/focus";
  import KeysDialog from "../parts/KeysDialog.svelte";
  import LostChanges from "../parts/LostChanges.svelte";
  import TallyRail from "../parts/TallyRail.svelte";
  import TopBar from "../parts/TopBar.svelte";
  import CataloguePanel from "../stages/furnish/CataloguePanel.svelte";
  import GroupPanel from "../stages/furnish/GroupPanel.svelte";
  import ItemList from "../stages/furnish/ItemList.svelte";
  import ItemPanel from "../stages/furnish/ItemPanel.svelte";
  import SeveralPanel from "../stages/furnish/SeveralPanel.svelte";
  import IssuePanel from "../stages/issue/IssuePanel.svelte";
  import SheetView from "../stages/issue/SheetView.svelte";
  import FindingPanel from "../stages/prove/FindingPanel.svelte";
  import ProvePanel from "../stages/prove/ProvePanel.svelte";
  import SpaceView from "../space/SpaceView.svelte";
  import Invitation from "../stages/shell/Invitation.svelte";
  import RoomsPanel from "../stages/shell/RoomsPanel.svelte";
  import SelectedPanel from "../stages/shell/SelectedPanel.svelte";
  import ShellPanel from "../stages/shell/ShellPanel.svelte";
  import { clipboardFor } from "./clip";
  import { writeLength } from "./figures";
  import { keysFor } from "./keys";
  import { OpenPlan } from "./openPlan.svelte";

  let { planId }: { planId: string } = $props();

  // svelte-ignore state_referenced_locally
  const plan = new OpenPlan(planId);
  let canvas = $state<PlanCanvas>();
  let keysShown = $state(false);
  /** Whether the scheme is shown in space too: beside the plan, or alone. */
  let space = $state<"" | "beside" | "alone">("");
  /** The plan keeps all of it in view beside the space. */
  async function showSpace(how: typeof space) {
    space = how;
    await tick();
    requestAnimationFrame(() => requestAnimationFrame(() => canvas?.fit()));
  }
  const opening = plan.open();
  onMount(keepFocus);
  onDestroy(() => {
    plan.close();
    tools.rest();
  });

  const onkeydown = keysFor(plan, {
    fit: () => canvas?.fit(),
    zoomBy: (factor) => canvas?.zoomBy(factor),
    panBy: (dx, dy) => canvas?.panBy(dx, dy),
    help: () => (keysShown = true),
  });

  const clipboard = clipboardFor(plan);

  $effect(() => {
    if (!plan.notice) return;
    const timer = setTimeout(() => (plan.notice = ""), 4000);
    return () => clearTimeout(timer);
  });

  $effect(() => {
    void plan.stage;
    tools.rest();
    // What is selected stays selected only where it can be worked on.
    untrack(() => {
      const shell = plan.stage === "shell";
      const kept = [...plan.selected].filter((id) =>
        shell ? plan.item(id) === undefined && !plan.isOfScheme(id) : plan.isOfScheme(id),
      );
      if (kept.length !== plan.selected.size) plan.select(kept);
    });
  });

  const selected = $derived(plan.selectedItems);
  const aside = $derived(plan.items.filter((item) => item.setAside));
</script>

<svelte:window
  {onkeydown}
  oncopy={clipboard.oncopy}
  oncut={clipboard.oncut}
  onpaste={clipboard.onpaste}
  onbeforeunload={(e) => plan.doing.waiting.count && e.preventDefault()}
/>

{#await opening}
  <p class="p-6 text-soft">Opening the plan…</p>
{:then problem}
  {#if problem}
    <p class="p-6 text-must" role="alert">
      {problem} <a class="underline" href="#/">Back to the projects</a>
    </p>
  {:else}
    <div class="flex h-full flex-col">
      <TopBar {plan} />
      <div class="flex min-h-0 flex-1">
        <aside aria-label="Stage" class="flex w-[272px] shrink-0 flex-col border-r border-edge bg-panel">
          {#if plan.stage === "shell"}<ShellPanel {plan} />
          {:else if plan.stage === "furnish"}<CataloguePanel {plan} />
          {:else if plan.stage === "prove"}<ProvePanel {plan} />
          {:else}<IssuePanel {plan} />{/if}
        </aside>
        <main class="relative min-w-0 flex-1 outline-none" tabindex="-1">
          {#if plan.stage === "issue"}
            <SheetView {plan} />
          {:else}
            <div class="relative h-full {space === '' ? '' : space === 'alone' ? 'hidden' : 'w-1/2'}">
              <PlanCanvas bind:this={canvas} {plan} />
            </div>
            {#if space}
              <div
                class="absolute inset-y-0 right-0 {space === 'alone'
                  ? 'left-0'
                  : 'left-1/2 border-l border-edge'}"
              >
                <SpaceView
                  {plan}
                  alone={space === "alone"}
                  onalone={(alone) => showSpace(alone ? "alone" : "beside")}
                  onclose={() => showSpace("")}
                />
              </div>
            {/if}
            <div
              class="absolute top-3 left-3 flex gap-0.5 rounded-lg border border-edge bg-white p-1 shadow-sm"
              class:hidden={["chain", "points", "thing"].includes(tools.tool.kind) || space === "alone"}
              role="toolbar"
              aria-label="Tools"
            >
              <button
                class="h-7 rounded-md px-2.5 font-medium text-soft hover:text-ink aria-pressed:bg-moss-wash aria-pressed:text-ink"
                aria-pressed={tools.tool.kind === "measure"}
                onclick={() =>
                  tools.tool.kind === "measure"
                    ? tools.rest()
                    : (tools.tool = { kind: "measure", from: null, to: null })}
              >
                Measure
              </button>
              <button
                class="h-7 rounded-md px-2.5 font-medium text-soft hover:text-ink aria-pressed:bg-moss-wash aria-pressed:text-ink"
                aria-pressed={space !== ""}
                onclick={() => showSpace(space ? "" : "beside")}
              >
                In space
              </button>
              {#if plan.stage === "furnish"}
                <button
                  class="h-7 rounded-md px-2.5 font-medium text-soft hover:text-ink disabled:text-faint"
                  disabled={!plan.canEdit || selected.length === 0}
                  onclick={() =>
                    plan.do({
                      do: "set-items-aside",
                      ids: selected.map((i) => i.id),
                      setAside: !selected.every((i) => i.setAside),
                    })}
                >
                  {selected.length && selected.every((i) => i.setAside) ? "Place again" : "Not placed"} ({aside.length})
                </button>
              {/if}
              {#if plan.faintSchemeId}
                <button
                  class="h-7 rounded-md bg-moss-wash px-2.5 font-medium"
                  onclick={() => {
                    plan.faintSchemeId = "";
                    plan.compared = null;
                  }}
                  >{plan.compared ? "Changes from" : "Faint:"}
                  {plan.schemes.find((scheme) => scheme.id === plan.faintSchemeId)?.name} · close</button
                >
              {/if}
              {#if plan.groups.opened && tools.tool.kind === "select"}
                <button
                  class="h-7 rounded-md bg-moss-wash px-2.5 font-medium"
                  title="Esc does so too"
                  onclick={() => plan.groups.close()}
                  >Inside {plan.groups.of(plan.groups.opened)
                    ? plan.groups.name(plan.groups.of(plan.groups.opened)!)
                    : "a group"} · close</button
                >
              {/if}
              {#if ["place", "opening", "measure"].includes(tools.tool.kind)}
                <span class="self-center px-2 text-soft">
                  {tools.tool.kind === "place"
                    ? "Press on the plan to place · Shift for more"
                    : tools.tool.kind === "opening"
                      ? "Press on a wall"
                      : "Press two points"} · Esc ends
                </span>
              {/if}
            </div>
          {/if}
          {#if plan.view?.fault}
            <div class="absolute inset-x-0 top-0 border-b border-must bg-must-wash p-3" role="alert">
              <p class="font-semibold">This plan opens for reading only.</p>
              <p>
                {plan.view.fault.message}{plan.view.fault.entityId ? ` (${plan.view.fault.entityId})` : ""}
              </p>
              {#if plan.canWrite && plan.view.fault.lastChange}
                <button class="action mt-2" onclick={() => plan.takeBack()}
                  >Take back the last change: {plan.view.fault.lastChange}</button
                >
              {/if}
            </div>
          {/if}
          {#if plan.refusal}
            <div
              class="absolute bottom-14 left-1/2 w-[420px] -translate-x-1/2 rounded-lg border border-must bg-white p-3 shadow-lg"
              role="alert"
            >
              <p>{plan.refusal.problem.message}</p>
              <div class="mt-2 flex gap-2">
                {#if plan.refusal.asSure}<button class="action" onclick={plan.refusal.asSure}
                    >{plan.refusal.problem.value == null
                      ? "Do it all the same"
                      : `Keep ${writeLength(plan.refusal.problem.value, plan.units)}`}</button
                  >{/if}
                <button class="action" onclick={() => (plan.refusal = null)}>Close</button>
              </div>
            </div>
          {:else if plan.notice}
            <div
              class="absolute bottom-14 left-1/2 -translate-x-1/2 rounded-md bg-ink px-3 py-1.5 text-white"
              role="status"
            >
              {plan.notice}
            </div>
          {/if}
          <Invitation {plan} />
          <LostChanges {plan} />
        </main>
        {#if plan.stage !== "issue"}
          <aside
            aria-label="What is looked at"
            class="relative w-64 shrink-0 overflow-y-auto border-l border-edge bg-panel"
          >
            {#if plan.stage === "shell"}
              {#if plan.selected.size}<SelectedPanel {plan} />{:else}<RoomsPanel {plan} />{/if}
            {:else if plan.stage === "prove"}<FindingPanel {plan} />
            {:else if plan.groups.selected && plan.stage === "furnish"}
              {#key plan.groups.selected.id}<GroupPanel {plan} group={plan.groups.selected} />{/key}
            {:else if selected.length === 1}
              {#key selected[0]!.id}<ItemPanel {plan} item={selected[0]!} />{/key}
            {:else if !selected.length && plan.things.some((t) => plan.selected.has(t.id))}<SelectedPanel
                {plan}
              />
            {:else if selected.length > 1}<SeveralPanel {plan} items={selected} />
            {:else}<ItemList {plan} />{/if}
          </aside>
        {/if}
      </div>
      <TallyRail {plan} />
    </div>
    <KeysDialog bind:open={keysShown} />
  {/if}
{/await}
