<script lang="ts">
  import { SvelteSet } from "svelte/reactivity";
  import type { Edit, Thing } from "../../app/api";
  import type { OpenPlan } from "../../plan/openPlan.svelte";

  /** A zone over rooms of the level: it follows their walls. */
  let { plan }: { plan: OpenPlan } = $props();

  const kind = $derived(plan.catalogue?.things.find((one) => one.form === "Area"));
  const rooms = $derived(plan.shell?.rooms ?? []);
  const chosen = new SvelteSet<string>();
  let name = $state("");

  async function make(e: SubmitEvent) {
    e.preventDefault();
    const id = plan.newId("zone");
    const template = kind!.ready[0]!.template as unknown as Thing;
    const thing = { ...template, id, name, levelId: plan.levelId, schemeId: plan.schemeId };
    const roomIds = rooms.filter((room) => chosen.has(room.id)).map((room) => room.id);
    if (!(await plan.do({ do: "put-over-rooms", thing, roomIds } as unknown as Edit))) return;
    chosen.clear();
    name = "";
    plan.select([id]);
  }
</script>

{#if kind && plan.canEdit && rooms.length}
  <details class="mt-2">
    <summary class="cursor-pointer text-soft">Zone of rooms</summary>
    <form class="mt-1.5 space-y-1" onsubmit={make}>
      {#each rooms as room (room.id)}
        <label class="flex items-center gap-2"
          ><input
            type="checkbox"
            checked={chosen.has(room.id)}
            onchange={(e) => (e.currentTarget.checked ? chosen.add(room.id) : chosen.delete(room.id))}
          />
          {room.name}</label
        >
      {/each}
      <div class="flex gap-1.5">
        <label class="field min-w-0 flex-1">
          <span class="sr-only">Name of the zone</span>
          <input class="w-full min-w-0 outline-none" placeholder="Name" maxlength="80" bind:value={name} />
        </label>
        <button class="action" disabled={!chosen.size}>Make it</button>
      </div>
    </form>
  </details>
{/if}
