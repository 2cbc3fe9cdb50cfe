<script lang="ts">
  import Select from "../../parts/Select.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import FinishFields from "./FinishFields.svelte";

  /** Finishes of the floors of the level and of the items of its zones, with what each tint stands for. */
  let { plan }: { plan: OpenPlan } = $props();

  const rooms = $derived((plan.shell?.rooms ?? []).filter((room) => room.named));
  const zones = $derived(plan.things.filter((thing) => thing.type === "zone"));
  const floors = $derived([
    ...rooms.flatMap((room) => [
      [`Room ${room.id}`, room.name] as const,
      [`RoomWalls ${room.id}`, `Walls of ${room.name}`] as const,
    ]),
    ...zones.flatMap((zone) => [
      [`Zone ${zone.id}`, `Floor of ${plan.thingName(zone.id)}`] as const,
      [`ItemsInZone ${zone.id}`, `Items in ${plan.thingName(zone.id)}`] as const,
    ]),
  ]);
  let chosen = $state("");
  const now = $derived(floors.find(([key]) => key === chosen) ?? floors[0]);
  const legend = $derived(plan.finishing.legendOf(plan.levelId));
</script>

<details class="mt-4" open={legend.length > 0}>
  <summary class="heading cursor-pointer">Finishes</summary>
  {#if now}
    {@const [of, id] = now[0].split(" ") as ["Room" | "RoomWalls" | "Zone" | "ItemsInZone", string]}
    <Select
      label="Floor to finish"
      class="field mt-1.5 mb-1.5 w-full"
      value={now[0]}
      options={floors}
      onvalue={(key) => (chosen = key)}
    />
    {#key now[0]}<FinishFields {plan} {of} targetId={id} label={now[1]} />{/key}
  {:else}
    <p class="mt-1 text-soft">Name a room in Shell, or put in a zone: then its floor can have a finish.</p>
  {/if}
  {#if legend.length}
    <ul class="mt-2" aria-label="What tints stand for">
      {#each legend as line (line.text)}
        <li class="flex items-center gap-2 py-0.5 text-[12px]">
          <span class="size-4 shrink-0 rounded-sm border border-faint" style:background={line.tint}></span>
          {line.text}
        </li>
      {/each}
    </ul>
  {/if}
</details>
