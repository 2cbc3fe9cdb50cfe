<script lang="ts">
  import Select from "../../parts/Select.svelte";
  import Window from "../../parts/Window.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { chosenBooks } from "./books";

  /** For how many people each room is counted, by each book, with the working; a use is given in place. */
  let { plan, open = $bindable() }: { plan: OpenPlan; open: boolean } = $props();

  const books = $derived(chosenBooks(plan));
  const loads = $derived(plan.figures?.loads ?? []);
  const counting = $derived(books.filter((book) => loads.some((load) => load.bookId === book.bookId)));
  const rooms = $derived([...new Map(loads.map((load) => [load.roomId, load])).values()]);
  const uses = $derived(plan.catalogue?.uses.map((use) => use.name) ?? []);
  const of = (roomId: string, bookId: string) =>
    loads.find((load) => load.roomId === roomId && load.bookId === bookId);
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
            >{#each counting as book (book.id)}<th class="pl-4 font-normal">{book.name}</th>{/each}</tr
          >
        </thead>
        <tbody>
          {#each rooms as room (room.roomId)}
            <tr class="border-t border-edge align-top">
              <td class="py-1 pr-2">{room.name}</td>
              <td class="py-1 pr-2">
                {#if plan.canEdit && plan.all("room").some((one) => one.id === room.roomId)}
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
              {#each counting as book (book.id)}
                {@const load = of(room.roomId, book.bookId)}
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
            <td class="py-1" colspan="3">All rooms</td>
            {#each counting as book (book.id)}<td
                class="py-1 pl-4 font-figure"
                aria-label="All by {book.name}">{whole(book.bookId)}</td
              >{/each}
          </tr>
        </tfoot>
      </table>
    </div>
  {/if}
</Window>
