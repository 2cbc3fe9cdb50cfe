<script lang="ts">
  import type { Backing, Boundary, Entity, Thing, Opening, SettingOutLine, Wall } from "../../app/api";
  import LengthField from "../../parts/LengthField.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import BoundaryPanel from "./BoundaryPanel.svelte";
  import BackingPanel from "./BackingPanel.svelte";
  import OpeningPanel from "./OpeningPanel.svelte";
  import ThingFields from "../../things/ThingFields.svelte";
  import WallPanel from "./WallPanel.svelte";
  import { nameOf } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  const ids = $derived([...plan.selected].filter((id) => plan.entities.has(id)));
  const one = $derived(ids.length === 1 ? (plan.entities.get(ids[0]!) as Entity) : null);
  const walls = $derived(ids.filter((id) => plan.entities.get(id)?.type === "wall"));
  /** All things here that are called what the one is. */
  const alike = $derived(
    one && plan.isThing(one.id)
      ? plan.things
          .filter((thing) => plan.thingWord(thing.id) === plan.thingWord(one.id))
          .map((thing) => thing.id)
      : [],
  );
  const locked = $derived(
    ids.length > 0 && ids.every((id) => (plan.entities.get(id) as { locked?: boolean }).locked),
  );
</script>

<section class="p-3.5">
  <div class="flex items-center justify-between">
    <h2 class="text-[15px] font-semibold">{one ? nameOf(plan, one.id) : `${ids.length} things`}</h2>
    <button class="text-[12px] text-soft underline" onclick={() => plan.select([])}
      >{plan.stage === "shell" ? "Back to the rooms" : "Back to the list"}</button
    >
  </div>
  {#if plan.canEdit}
    <div class="mt-3 space-y-1.5">
      {#key ids.join()}
        {#if one?.type === "wall"}<WallPanel {plan} wall={one as Wall} />
        {:else if one?.type === "opening"}<OpeningPanel {plan} opening={one as Opening} />
        {:else if one?.type === "boundary"}<BoundaryPanel {plan} boundary={one as Boundary} />
        {:else if one?.type === "backing"}<BackingPanel {plan} backing={one as Backing} />
        {:else if one?.type === "setting-out-line"}
          {@const line = one as SettingOutLine}
          <LengthField
            label="Angle"
            angle
            value={line.angle}
            units={plan.units}
            onvalue={(angle) =>
              plan.do(() => ({
                do: "set-out",
                line: { ...(plan.entities.get(line.id) as SettingOutLine), angle },
              }))}
          />
        {:else if one && plan.isThing(one.id)}<ThingFields {plan} thing={one as unknown as Thing} />
        {/if}
      {/key}
      {#if walls.length === 2}
        <button
          class="action w-full"
          onclick={() => plan.do({ do: "join-walls", id: walls[0]!, otherId: walls[1]! })}
          >Join the two walls</button
        >
      {/if}
      {#if one && alike.length > 1}
        <button class="action w-full" onclick={() => plan.select(alike)}
          >Select all {plan.thingWord(one.id)}s</button
        >
      {/if}
      {#if one?.type !== "boundary"}
        <button class="action w-full" onclick={() => plan.do({ do: "lock", ids, locked: !locked })}
          >{locked ? "Unlock" : "Lock"}</button
        >
      {/if}
      <button class="action w-full text-must" onclick={() => plan.do({ do: "remove", ids })}
        >Remove{one?.type === "wall" ? " with its openings" : ""}</button
      >
    </div>
  {/if}
</section>
