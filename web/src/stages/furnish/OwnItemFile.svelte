<script lang="ts">
  import { sendOwnItems } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** The own items of the project, or of somebody for all projects, as a file: saved, and taken in, all of them or none. */
  let { plan }: { plan: OpenPlan } = $props();

  let said = $state("");
  let whose = $state<"project" | "mine">("project");
  const projectId = $derived(plan.view?.projectId ?? "");
  const address = $derived(
    whose === "mine" ? "/api/my-library-file" : `/api/projects/${projectId}/library-file`,
  );

  async function take(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (!file) return;
    const answer = await sendOwnItems(whose === "mine" ? "mine" : projectId, file);
    said = answer && typeof answer === "object" && "message" in answer ? String(answer.message) : "Taken in.";
    input.value = "";
    await plan.placeable.openLibrary();
  }
</script>

<div class="space-y-1.5">
  <Choice
    label="A file of"
    options={[
      ["project", "the project's own items"],
      ["mine", "my own, for all projects"],
    ]}
    bind:value={whose}
  />
  <a class="action w-full" href={address} download="own-items.wellsedes.json">Save as a file</a>
  {#if plan.canEdit || whose === "mine"}
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
