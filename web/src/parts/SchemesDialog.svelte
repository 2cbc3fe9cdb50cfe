<script lang="ts">
  import { orBack } from "../plan/forms";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import SchemeChanges from "./SchemeChanges.svelte";
  import Select from "./Select.svelte";
  import Window from "./Window.svelte";

  let { plan, open = $bindable(false) }: { plan: OpenPlan; open?: boolean } = $props();

  let name = $state("");
  let copied = $state<"copy" | "empty">("copy");

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const id = plan.newId("scheme");
    const copyOf = copied === "copy" ? plan.schemeId : undefined;
    if (await plan.do({ do: "add-scheme", id, name, copyOf })) {
      name = "";
      plan.lookAtScheme(id);
      open = false;
    }
  }
</script>

<Window title="Schemes of this plan" text="Alternative layouts of the same shell." bind:open>
  <ul class="mt-3 space-y-1.5" aria-label="Schemes">
    {#each plan.schemes as scheme (scheme.id)}
      <li class="flex items-center gap-2">
        <span class="field min-w-0 flex-1">
          <input
            class="w-full outline-none"
            aria-label="Name of {scheme.name}"
            maxlength="40"
            disabled={!plan.canEdit}
            value={scheme.name}
            onchange={(e) =>
              orBack(
                e.currentTarget,
                scheme.name,
                plan.do({ do: "rename-scheme", id: scheme.id, name: e.currentTarget.value }),
              )}
          />
        </span>
        <button
          class="action"
          disabled={scheme.id === plan.schemeId}
          onclick={() => (plan.lookAtScheme(scheme.id), (open = false))}
          >{scheme.id === plan.schemeId ? "Shown" : "Show"}</button
        >
        <button
          class="action"
          disabled={scheme.id === plan.schemeId}
          onclick={() => ((plan.faintSchemeId = scheme.id), (plan.compared = null), (open = false))}
          >Show faint</button
        >
        <button
          class="action text-must"
          aria-label="Remove {scheme.name}"
          disabled={!plan.canEdit || plan.schemes.length === 1}
          onclick={() => plan.do({ do: "remove-scheme", id: scheme.id })}>Remove</button
        >
      </li>
    {/each}
  </ul>
  {#if plan.canEdit}
    <form class="mt-4 border-t border-edge pt-3" onsubmit={add}>
      <h3 class="heading mb-2">A further scheme</h3>
      <div class="flex items-center gap-2">
        <span class="field min-w-0 flex-1"
          ><input
            class="w-full outline-none"
            placeholder="Its name"
            aria-label="Name of the new scheme"
            required
            maxlength="40"
            bind:value={name}
          /></span
        >
        <Select
          label="What it begins with"
          class="field w-[150px]"
          options={[
            ["copy", "a copy of this one"],
            ["empty", "empty"],
          ]}
          bind:value={copied}
        />
        <button class="action-main">Add</button>
      </div>
    </form>
  {/if}
  {#if plan.refusal}<p class="mt-2 text-must" role="alert">{plan.refusal.problem.message}</p>{/if}
  {#if open && plan.schemes.length > 1}<SchemeChanges {plan} done={() => (open = false)} />{/if}
</Window>
