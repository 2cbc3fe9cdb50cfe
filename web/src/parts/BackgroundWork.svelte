<script lang="ts">
  import { Progress } from "bits-ui";
  import { onDestroy } from "svelte";
  import type { WorkOrder, WorkTold } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  interface Props {
    plan: OpenPlan;
    /** Asked when it begins; null begins nothing. */
    order: () => WorkOrder | null;
    /** What the button says, and what the file is called. */
    label: string;
    file: string;
    /** What is to be done with a new file; answers what there is to say of it. */
    onfile?: (file: string) => Promise<string>;
  }
  let { plan, order, label, file, onfile }: Props = $props();

  let told = $state.raw<WorkTold | null>(null);
  let failed = $state(false);
  let said = $state("");
  let stop: (() => void) | null = null;
  const working = $derived(told?.stage === "Working");

  function start() {
    const wanted = order();
    if (!wanted) return;
    stop?.();
    [failed, said] = [false, ""];
    told = { revision: plan.view?.revision ?? 0, stage: "Working", progress: 0, message: "" };
    stop = plan.work(
      wanted,
      (next) => {
        const made = next.file !== told?.file ? next.file : undefined;
        told = next;
        if (made && onfile) void onfile(made).then((what) => (said = what));
      },
      () => {
        if (told?.stage === "Working") [told, failed] = [null, true];
      },
    );
  }

  function cancel() {
    stop?.();
    stop = told = null;
  }
  onDestroy(() => stop?.());
</script>

<div class="mt-1.5" aria-live="polite">
  {#if working && told}
    <div class="flex items-center gap-2">
      <Progress.Root
        class="h-2 flex-1 overflow-hidden rounded-full bg-edge"
        value={Math.round(told.progress * 100)}
        aria-label={label}
      >
        <div class="h-full bg-moss" style:width="{told.progress * 100}%"></div>
      </Progress.Root>
      <button class="action" onclick={cancel}>Cancel</button>
    </div>
  {:else}
    <button class="action w-full" onclick={start}>{label}</button>
  {/if}
  {#if failed}<p class="mt-1 text-must" role="alert">The server does not answer; try again.</p>{/if}
  {#if told?.file}
    <p class="mt-1 text-[12px]">
      <a class="text-moss underline" href="/api/plans/{plan.id}/work/{told.file}">{file}</a>
      {told.stage === "Stale" ? "is of an earlier state of the plan." : "is of the plan as it is."}
      {said}
    </p>
  {:else if told?.message}
    <p class="mt-1 text-[12px] {told.stage === 'Refused' ? 'text-must' : 'text-soft'}">{told.message}</p>
  {/if}
</div>
