<script lang="ts">
  import { Progress } from "bits-ui";
  import { onDestroy } from "svelte";
  import { api, messageOf, type WorkOrder, type WorkTold } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";

  interface Props {
    plan: OpenPlan;
    order: () => WorkOrder | null;
    label: string;
    /** Whether the register keeps what comes of it. */
    keeps?: boolean;
  }
  let { plan, order, label, keeps = false }: Props = $props();

  let told = $state.raw<WorkTold | null>(null);
  let problem = $state("");
  let kept = $state(false);
  let stop: (() => void) | null = null;
  const working = $derived(told?.stage === "Working");

  function start() {
    const wanted = order();
    if (!wanted) return;
    stop?.();
    [problem, kept] = ["", false];
    told = { revision: plan.view?.revision ?? 0, stage: "Working", progress: 0, message: "" };
    stop = plan.work(
      wanted,
      (next) => {
        const isNew = next.file && next.file !== told?.file;
        told = next;
        if (isNew && keeps && plan.canEdit) void keep(next.file!);
      },
      () => {
        if (told?.stage === "Working") [told, problem] = [null, "The server does not answer; try again."];
      },
    );
  }
  async function keep(file: string) {
    const { error } = await api.POST("/api/plans/{planId}/taken", {
      params: { path: { planId: plan.id } },
      body: { file },
    });
    if (error) problem = typeof error === "string" ? error : messageOf(error);
    else {
      kept = true;
      plan.pictureTaken++;
    }
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
  {#if told?.file}
    <p class="mt-1 text-[12px]">
      <a class="text-moss underline" href="/api/plans/{plan.id}/work/{told.file}" download
        >{keeps ? "The picture" : "The pictures"}</a
      >
      {told.stage === "Stale" ? "of an earlier state of the plan" : "of the plan as it is"}{kept
        ? "; the register keeps it."
        : "."}
    </p>
  {:else if told?.message}
    <p class="mt-1 text-[12px] {told.stage === 'Refused' ? 'text-must' : 'text-soft'}">{told.message}</p>
  {/if}
  {#if problem}<p class="mt-1 text-must" role="alert">{problem}</p>{/if}
</div>
