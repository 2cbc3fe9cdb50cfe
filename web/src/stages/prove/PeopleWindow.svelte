<script lang="ts">
  import NumberField from "../../parts/NumberField.svelte";
  import Select from "../../parts/Select.svelte";
  import Window from "../../parts/Window.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { chosenBooks } from "./books";

  /** For how many people each room is counted, by each book, with the working; a use is given in place. */
  let { plan, open = $bindable() }: { plan: OpenPlan; open: boolean } = $props();

  const books = $derived(chosenBooks(plan));
  const loads = $derived(plan.figures?.loads ?? []);
  const counting = $derived(books.filter((book) => loads.some((load) => load.bookId === book.bookId)));
  const keyOf = (load: { roomId: string; zoneId: string }) => `${load.roomId}/${load.zoneId}`;
  const rooms = $derived([...new Map(loads.map((load) => [keyOf(load), load])).values()]);
  const byHand = (id: string) =>
    (plan.all("room").find((one) => one.id === id) as { areaPerPerson?: number | null } | undefined)
      ?.areaPerPerson ?? null;
  const details = $derived(plan.details);
  const setDetails = (change: object) =>
    plan.do(() => ({
      do: "set-details",
      title: plan.details!.title,
      units: plan.details!.units,
      north: plan.details!.north,
      ...change,
    }));
  const uses = $derived(plan.catalogue?.uses.map((use) => use.name) ?? []);
  const of = (key: string, bookId: string) =>
    loads.find((load) => keyOf(load) === key && load.bookId === bookId);
  const whole = (bookId: string) =>
    loads.filter((load) => load.bookId === bookId).reduce((sum, load) => sum + load.people, 0);

  function name(roomId: string, use: string) {
    const room = plan.all("room").find((one) => one.id === roomId) as
      { name: string; number: string; height: number } | undefined;
    if (room)
      void plan.do({
        do: "name-room",
        id: roomId,
        name: room.name,
        use,
        number: room.number,
        height: room.height,
        levelId: "",
        x: 0,
        y: 0,
      });
  }
</script>

<Window
  bind:open
  wide
  title="People"
  text="For how many each room is counted: by its area and use, or by what is set in it where that is more."
>
  {#if !counting.length}
    <p class="mt-3">No chosen book counts people. Choose one under Rulebooks.</p>
  {:else}
    <div class="mt-3 max-h-[60vh] overflow-y-auto">
      <table class="w-full text-left" aria-label="People by room">
        <thead class="text-[12px] text-soft">
          <tr
            ><th class="font-normal">Room</th><th class="font-normal">Use</th><th
              class="text-right font-normal">Set</th
            ><th class="pl-3 font-normal" title="Floor of each person, chosen by hand">m² each</th
            >{#each counting as book (book.id)}<th class="pl-4 font-normal">{book.name}</th>{/each}</tr
          >
        </thead>
        <tbody>
          {#each rooms as room (keyOf(room))}
            <tr class="border-t border-edge align-top">
              <td class="py-1 pr-2">{room.name}</td>
              <td class="py-1 pr-2">
                {#if !room.zoneId && plan.canEdit && plan.all("room").some((one) => one.id === room.roomId)}
                  <Select
                    label="Use of {room.name}"
                    class="field w-[130px]"
                    options={[
                      ...(uses.includes(room.use) ? [] : [[room.use, room.use || "Not given"] as const]),
                      ...uses.map((use) => [use, use] as const),
                    ]}
                    value={room.use}
                    onvalue={(use) => name(room.roomId, use)}
                  />
                {:else}{room.use || "Not given"}{/if}
              </td>
              <td class="py-1 text-right font-figure">{room.seats || "–"}</td>
              <td class="w-28 py-1 pl-3">
                {#if !room.zoneId && plan.all("room").some((one) => one.id === room.roomId)}
                  <NumberField
                    label="Floor of each person in {room.name}"
                    bare
                    whole={false}
                    value={byHand(room.roomId)}
                    empty="by use"
                    disabled={!plan.canEdit}
                    onvalue={(areaPerPerson) =>
                      plan.do({ do: "set-room-people", id: room.roomId, areaPerPerson })}
                  />
                {/if}
              </td>
              {#each counting as book (book.id)}
                {@const load = of(keyOf(room), book.bookId)}
                <td class="py-1 pl-4">
                  {#if load?.unjudged}<span class="text-[12px] text-must">{load.unjudged}</span>
                  {:else if load}<span class="font-figure font-semibold">{load.people}</span>
                    <span class="block text-[12px] text-soft" title={load.source}>{load.working}</span>{/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
        <tfoot>
          <tr class="border-t border-ink font-semibold">
            <td class="py-1" colspan="4">All rooms</td>
            {#each counting as book (book.id)}<td
                class="py-1 pl-4 font-figure"
                aria-label="All by {book.name}">{whole(book.bookId)}</td
              >{/each}
          </tr>
        </tfoot>
      </table>
    </div>
    <div class="mt-3 flex flex-wrap items-center gap-4 border-t border-edge pt-3">
      <label class="flex min-h-7 items-center gap-1.5"
        ><input
          type="checkbox"
          checked={details?.sprinklered ?? false}
          disabled={!plan.canEdit}
          onchange={(e) => setDetails({ sprinklered: e.currentTarget.checked })}
        /> Sprinklered throughout</label
      >
      <span class="flex items-center gap-1.5">
        A part of a person
        <Select
          label="A part of a person"
          class="field w-[170px]"
          options={[
            ["Up", "counts as one"],
            ["Nearest", "counts from a half on"],
            ["Down", "does not count"],
          ] as const}
          value={details?.loadRounding ?? "Up"}
          disabled={!plan.canEdit}
          onvalue={(loadRounding) => setDetails({ loadRounding })}
        />
      </span>
    </div>
  {/if}
</Window>
