<script lang="ts">
  import type { Edit } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** Keeps what is selected as an own group: to be seen, printed and locked together. */
  let { plan, ids }: { plan: OpenPlan; ids: string[] } = $props();

  let name = $state("");
  async function keep(e: SubmitEvent) {
    e.preventDefault();
    const group = { id: plan.newId("group"), schemeId: plan.schemeId, name, members: ids };
    if (await plan.do({ do: "put-group", group } as Edit)) {
      name = "";
      plan.notice = "Kept as a group: see, print and lock it under Views.";
    }
  }
</script>

<details class="mt-2">
  <summary class="cursor-pointer text-soft">Keep as an own group</summary>
  <form class="mt-1.5 flex gap-1.5" onsubmit={keep}>
    <label class="field min-w-0 flex-1">
      <span class="sr-only">Name of the group</span>
      <input
        class="w-full min-w-0 outline-none"
        placeholder="Name"
        maxlength="40"
        required
        bind:value={name}
      />
    </label>
    <button class="action">Keep</button>
  </form>
</details>
