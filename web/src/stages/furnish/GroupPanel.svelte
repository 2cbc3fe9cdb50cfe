<script lang="ts">
  import { untrack } from "svelte";
  import type { Cluster, Repeat } from "../../app/api";
  import { duplicate } from "../../plan/keys";
  import type { Group } from "../../plan/groups.svelte";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { orBack } from "../../plan/forms";
  import LengthField from "../../parts/LengthField.svelte";
  import NumberField from "../../parts/NumberField.svelte";
  import RepeatFields from "./RepeatFields.svelte";
  import OffsetFields from "./OffsetFields.svelte";
  import RepeatStart from "./RepeatStart.svelte";

  /** A cluster or repeat that is selected as one. */
  let { plan, group }: { plan: OpenPlan; group: Group } = $props();

  const repeat = $derived(group.type === "repeat" ? (group as Repeat) : null);
  const cluster = $derived(group.type === "cluster" ? (group as Cluster) : null);
  const readyKind = $derived(plan.catalogue?.ready.find((kind) => kind.key === cluster?.ready?.kind));
  /** Makes a ready-made cluster again from other figures; what others changed meanwhile is asked when its turn comes. */
  const again = (change: { count?: number; distance?: number }) =>
    void plan.groups.make(group.id, () => {
      const { ready, schemeId, levelId } = plan.entities.get(group.id) as Cluster;
      const figures = { ...ready!, ...change };
      return { do: "put-ready", id: group.id, schemeId, levelId, ready: figures, x: 0, y: 0, rotation: 0 };
    });
  const ids = $derived(plan.groups.items(group.id));
  const figures = $derived(plan.groups.figures?.id === group.id ? plan.groups.figures : null);
  const locked = $derived(plan.selectedItems.every((item) => item.locked));

  $effect(() => {
    void plan.view?.revision;
    void group.id;
    untrack(() => void plan.groups.renew());
  });

  async function release() {
    const items = ids;
    if (await plan.do({ do: "release", ids: [group.id] })) plan.select(items);
  }
</script>

<section class="p-3.5" aria-label="Selected group">
  <h2 class="text-[15px] font-semibold">{plan.groups.name(group)}</h2>
  {#if figures}
    <p class="text-soft" data-testid="group-counts">
      {figures.members}
      {figures.members === 1 ? "member" : "members"} · {figures.items} items{figures.seats
        ? ` · ${figures.seats} seats`
        : ""}{figures.workstations ? ` · ${figures.workstations} workstations` : ""}
    </p>
  {/if}

  {#if repeat}
    <RepeatFields {plan} {repeat} {figures} disabled={!plan.canEdit} />
  {:else}
    <div class="mt-3 flex items-center gap-2">
      <label class="w-[88px] text-soft" for="cluster-name">Name</label>
      <span class="field flex-1">
        <input
          id="cluster-name"
          class="w-full outline-none"
          maxlength="40"
          disabled={!plan.canEdit}
          value={cluster?.name ?? ""}
          onchange={(e) =>
            orBack(
              e.currentTarget,
              cluster?.name ?? "",
              plan.do({ do: "name-cluster", id: group.id, name: e.currentTarget.value }),
            )}
        />
      </span>
    </div>
  {/if}

  {#if readyKind && cluster?.ready}
    <h3 class="heading mt-4 mb-2">Made from</h3>
    <div class="space-y-1.5" role="group" aria-label="Made from">
      {#if readyKind.least < readyKind.most && readyKind.countLabel}
        <NumberField
          label={readyKind.countLabel}
          value={cluster.ready.count}
          least={readyKind.least}
          disabled={!plan.canEdit}
          onvalue={(count) => count !== null && again({ count })}
        />
      {/if}
      {#if readyKind.distanceLabel}
        <LengthField
          label={readyKind.distanceLabel}
          value={cluster.ready.distance}
          units={plan.units}
          disabled={!plan.canEdit}
          onvalue={(distance) => again({ distance })}
        />
      {/if}
    </div>
    {#if readyKind.source}<p class="mt-1 text-[11px] text-soft">{readyKind.source}</p>{/if}
  {/if}

  <h3 class="heading mt-4 mb-2">Arrange</h3>
  <div class="flex flex-wrap gap-1.5">
    <button class="action" onclick={() => plan.groups.open(group.id)}>Open to edit inside</button>
    {#if plan.canEdit}
      <button class="action" onclick={release}>Ungroup</button>
      <button class="action" onclick={() => duplicate(plan, ids)}>Duplicate</button>
      <button class="action" onclick={() => plan.do({ do: "rotate-items", ids, degrees: 90 })}
        >Rotate 90°</button
      >
      <button class="action" onclick={() => plan.do({ do: "mirror-items", ids, mirror: "LeftRight" })}
        >Mirror left and right</button
      >
      <button class="action" onclick={() => plan.do({ do: "mirror-items", ids, mirror: "UpDown" })}
        >Mirror up and down</button
      >
      <button class="action" onclick={() => plan.do({ do: "lock", ids, locked: !locked })}
        >{locked ? "Unlock" : "Lock"}</button
      >
      <button class="action" onclick={() => plan.do({ do: "set-items-aside", ids, setAside: true })}
        >Take off the plan</button
      >
      <button class="action text-must" onclick={() => plan.do({ do: "remove", ids })}>Remove</button>
    {/if}
  </div>

  {#if plan.canEdit}
    <OffsetFields {plan} {ids} />
    <RepeatStart {plan} {ids} />
  {/if}
</section>
