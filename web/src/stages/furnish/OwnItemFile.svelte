<script lang="ts">
  import { sendOwnItems } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** The own items of the project as a file: saved, and taken in, all of them or none. */
  let { plan }: { plan: OpenPlan } = $props();

  let said = $state("");
  const projectId = $derived(plan.view?.projectId ?? "");

  async function take(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (!file) return;
    said = (await sendOwnItems(projectId, file)) || "Taken in.";
    input.value = "";
    await plan.placeable.openLibrary();
  }
</script>

<div class="space-y-1.5 border-t border-edge px-3.5 py-2">
  <a class="action w-full" href="/api/projects/{projectId}/library-file" download="own-items.wellsedes.json"
    >Save the project's own items</a
  >
  {#if plan.canEdit}
    <label class="block text-[12px] text-soft">
      Take in a file of own items
      <input
        type="file"
        class="mt-0.5 w-full"
        accept=".json,application/json"
        onchange={(e) => take(e.currentTarget)}
      />
    </label>
  {/if}
  {#if said}<p class="text-[12px]" role="status">{said}</p>{/if}
</div>
