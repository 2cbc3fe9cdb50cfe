<script lang="ts">
  import type { OpenPlan } from "../plan/openPlan.svelte";

  let { plan }: { plan: OpenPlan } = $props();
</script>

{#if plan.doing.lost.length}
  <div
    class="absolute right-3 bottom-14 max-h-[50%] w-[340px] overflow-y-auto rounded-lg border border-must bg-white p-3 shadow-lg"
    role="alert"
    aria-label="What could not be done"
  >
    <p class="font-semibold">Done while the server was away, and no longer possible:</p>
    <ul class="mt-2 space-y-2">
      {#each plan.doing.lost as lost (lost)}
        <li class="border-t border-edge pt-2">
          <p class="font-medium">{lost.words}</p>
          <p class="text-soft">{lost.message}</p>
          <div class="mt-1.5 flex gap-2">
            {#if lost.again}<button class="action" onclick={lost.again}>Do it again</button>{/if}
            <button class="action" onclick={() => plan.doing.forget(lost)}>Leave it</button>
          </div>
        </li>
      {/each}
    </ul>
  </div>
{/if}
