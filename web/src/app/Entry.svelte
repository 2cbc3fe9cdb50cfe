<script lang="ts">
  import type { Snippet } from "svelte";
  import Mark from "../parts/Mark.svelte";

  interface Props {
    intro: string;
    /** What the button says. */
    act: string;
    /** Null when it worked, else what to tell the person. */
    enter: () => Promise<string | null>;
    children: Snippet;
  }
  let { intro, act, enter, children }: Props = $props();

  let problem = $state<string | null>(null);
  let busy = $state(false);

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    problem = await enter();
    busy = false;
  }
</script>

<main class="flex h-full items-center justify-center">
  <form class="w-80 rounded-lg border border-edge bg-panel p-6" onsubmit={submit}>
    <h1 class="flex items-center gap-2 text-[18px] font-semibold"><Mark /> Wellsedes</h1>
    <p class="mt-1 mb-5 text-soft">{intro}</p>
    <div class="space-y-3">{@render children()}</div>
    {#if problem}<p class="mt-3 text-must" role="alert">{problem}</p>{/if}
    <button class="action-main mt-5 w-full" disabled={busy}>{act}</button>
  </form>
</main>
