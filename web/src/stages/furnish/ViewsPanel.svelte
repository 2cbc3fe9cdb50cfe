<script lang="ts">
  import { Eye, EyeOff, Lock, LockOpen, Printer, PrinterX } from "@lucide/svelte";
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import ZoneOfRooms from "./ZoneOfRooms.svelte";

  /** What is seen on the plan, printed and locked: by kind, level, zone and own group. */
  let { plan }: { plan: OpenPlan } = $props();

  const viewing = $derived(plan.viewing);
  let name = $state("");

  // What there is to see changes with the plan.
  $effect(() => {
    void [plan.changes, plan.schemeId];
    if (viewing.isOpen) void viewing.list();
  });

  const ready = $derived(
    viewing.subjects.ready.filter((one) => !viewing.views.some((view) => view.name === one.name)),
  );
  const options = $derived([
    ["", "Everything"] as const,
    ...viewing.views.map((view) => [view.id, view.name] as const),
    ...ready.map((one) => [`ready ${one.name}`, `${one.name} (offered)`] as const),
  ]);
  function choose(id: string) {
    const offered = ready.find((one) => `ready ${one.name}` === id);
    if (offered && plan.canEdit)
      void viewing.make(offered.name, known(offered.hidden), known(offered.notPrinted));
    else if (!offered) viewing.look(id);
  }
  /** Kinds nobody has placed yet are named too: they are hidden when they come. */
  const known = (keys: readonly string[]) => keys;

  async function keep(e: SubmitEvent) {
    e.preventDefault();
    const view = viewing.view;
    if (await viewing.make(name, view?.hidden ?? [], view?.notPrinted ?? [])) name = "";
  }
  const sorts: Record<string, string> = {
    kind: "Items",
    thing: "Things and marks",
    level: "Levels",
    zone: "Zones",
    group: "Own groups",
  };
  const sortOf = (sort: string) => (sort in sorts ? sort : "thing");
  const rows = $derived(
    Object.keys(sorts)
      .map((sort) => ({
        sort,
        lines: viewing.subjects.subjects.filter((line) => sortOf(line.sort) === sort),
      }))
      .filter(({ lines }) => lines.length),
  );
  const groupOf = (key: string) => {
    const entity = plan.entities.get(key.split("/")[1] ?? "");
    return entity?.type === "group" ? entity : undefined;
  };
</script>

<details class="mt-4" bind:open={viewing.isOpen}>
  <summary class="heading cursor-pointer">Views{viewing.view ? `: ${viewing.view.name}` : ""}</summary>
  <div class="mt-2 space-y-1.5">
    <Select label="View" class="field w-full" {options} value={viewing.viewId} onvalue={choose} />
    <table class="w-full text-[13px]" aria-label="What is seen, printed and locked">
      <thead class="sr-only">
        <tr><th>Subject</th><th>Seen</th><th>Printed</th><th>Locked</th></tr>
      </thead>
      {#each rows as { sort, lines } (sort)}
        <tbody>
          <tr
            ><th colspan="4" class="pt-1.5 text-left text-[11px] font-medium text-soft">{sorts[sort]}</th></tr
          >
          {#each lines as { key, name: words, count } (key)}
            {@const seen = !viewing.view?.hidden.includes(key)}
            {@const printed = !viewing.view?.notPrinted.includes(key)}
            {@const locked = viewing.locked.includes(key)}
            {@const group = groupOf(key)}
            <tr class="hover:bg-moss-wash">
              <td class="w-full py-0.5">
                {#if group}
                  <button class="underline" onclick={() => plan.select(group.members)}>{words}</button>
                {:else}{words}{/if}
                <span class="font-figure text-soft">{count}</span>
              </td>
              <td>
                <button
                  class="grid size-6 place-items-center rounded hover:bg-white {seen ? '' : 'text-must'}"
                  aria-label="See {words}"
                  aria-pressed={seen}
                  title={seen ? "Seen on the plan; press to hide" : "Hidden on the plan; press to see"}
                  disabled={!plan.canEdit}
                  onclick={() => viewing.turn(key, "hidden")}
                >
                  {#if seen}<Eye size={14} />{:else}<EyeOff size={14} />{/if}
                </button>
              </td>
              <td>
                <button
                  class="grid size-6 place-items-center rounded hover:bg-white {printed ? '' : 'text-must'}"
                  aria-label="Print {words}"
                  aria-pressed={printed}
                  title={printed
                    ? "On sheets by this view; press to leave out"
                    : "Left out on sheets by this view"}
                  disabled={!plan.canEdit}
                  onclick={() => viewing.turn(key, "notPrinted")}
                >
                  {#if printed}<Printer size={14} />{:else}<PrinterX size={14} />{/if}
                </button>
              </td>
              <td>
                <button
                  class="grid size-6 place-items-center rounded hover:bg-white {locked
                    ? 'text-moss'
                    : 'text-faint'}"
                  aria-label="Lock {words}"
                  aria-pressed={locked}
                  title={locked ? "Locked for everybody; press to unlock" : "Can be moved; press to lock"}
                  disabled={!plan.canEdit}
                  onclick={() => viewing.lock(key)}
                >
                  {#if locked}<Lock size={14} />{:else}<LockOpen size={14} />{/if}
                </button>
              </td>
            </tr>
          {/each}
        </tbody>
      {/each}
    </table>
    {#if plan.canEdit}
      <form class="flex gap-1.5" onsubmit={keep}>
        <label class="field min-w-0 flex-1">
          <span class="sr-only">Name of a new view</span>
          <input
            class="w-full min-w-0 outline-none"
            placeholder="New view"
            maxlength="40"
            required
            bind:value={name}
          />
        </label>
        <button class="action">Keep</button>
      </form>
      {#if viewing.view}
        <button class="action" onclick={() => plan.do({ do: "remove", ids: [viewing.viewId] })}
          >Remove this view</button
        >
      {/if}
      <p class="text-[11px] text-soft">
        A view says what is seen and printed; sheets choose theirs in Issue. Locks hold in every view, for
        everybody.
      </p>
    {/if}
  </div>
</details>
<ZoneOfRooms {plan} />
