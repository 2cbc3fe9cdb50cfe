<script lang="ts">
  import type { Level, Room, RoomView } from "../../app/api";
  import Choice from "../../parts/Choice.svelte";
  import LengthField from "../../parts/LengthField.svelte";
  import { writeAreaAlone, writeWidth } from "../../plan/figures";
  import { orBack } from "../../plan/forms";
  import type { OpenPlan } from "../../plan/openPlan.svelte";
  import { usualSizes } from "../../plan/usual";
  import { asRead, toldApart } from "../../plan/words";
  import { nameOf } from "./words";

  let { plan }: { plan: OpenPlan } = $props();

  const rooms = $derived(plan.shell?.rooms ?? []);
  const areas = $derived(plan.shell?.areas);
  let open = $state("");
  let copying = $state({ mirror: "None", rotation: 0 });
  const definition = (key: string) => plan.catalogue!.areas.find((a) => a.key === key)!;
  const figures = (id: string) => plan.figures?.rooms.find((r) => r.roomId === id);

  const name = (room: RoomView, change: Partial<RoomView>) => {
    const made = plan.newId("room");
    return plan.do(() => {
      const now =
        plan.shell?.rooms.find((r) => r.label.x === room.label.x && r.label.y === room.label.y) ?? room;
      const { name, use, number, height } = { ...now, ...change };
      const place = { levelId: plan.levelId, x: now.label.x!, y: now.label.y! };
      return { do: "name-room", id: now.named ? now.id : made, name, use, number, height, ...place };
    });
  };

  /** A copy stands beside what is built. */
  function copy(room: RoomView) {
    const xs = room.outline.map((p) => p.x!);
    const box = plan.shell!.box!;
    void plan.do({
      do: "copy-room",
      roomId: room.id,
      newId: plan.newId("copy"),
      mirror: copying.mirror as "None",
      rotation: copying.rotation,
      dx: box[2]! - Math.min(...xs),
      dy: 0,
    });
  }

  const put = ({ id }: Level, change: Partial<Level>) =>
    plan.do(() => ({ do: "put-level", level: { ...(plan.entities.get(id) as Level), ...change } }));

  async function add() {
    const top = plan.levels.at(-1)!;
    const id = plan.newId("level");
    const done = await plan.do({
      do: "put-level",
      level: {
        id,
        name: `Level ${plan.levels.length}`,
        // A level above starts with the storey below's height.
        elevation: top.elevation + top.height + (top.floorThickness ?? usualSizes(plan).floor),
        height: top.height,
        floorThickness: top.floorThickness ?? usualSizes(plan).floor,
        grid: 0,
      },
    });
    if (done) plan.lookAt(id);
  }

  const listed = (ids: string[]) =>
    toldApart(ids.map((id) => ({ id, name: nameOf(plan, id) })).sort((a, b) => a.name.localeCompare(b.name)));
  const lists = $derived(
    (
      [
        ["Doors and windows", plan.openings],
        ["Fixed things", plan.things.toSorted(asRead)],
        ["Walls", plan.here("wall")],
        ["Boundaries", plan.here("boundary")],
        ["Setting-out lines", plan.here("setting-out-line")],
        ["Backings", plan.here("backing")],
      ] as [string, { id: string }[]][]
    ).map(([title, things]) => [title, listed(things.map(({ id }) => id))] as const),
  );
</script>

<section class="p-3.5">
  <h2 class="text-[15px] font-semibold">{plan.level?.name}</h2>
  <h3 class="heading mt-3 mb-1">Rooms found</h3>
  {#each rooms as room (room.id)}
    {@const locked = figures(room.id)}
    <div class="border-b border-edge py-1.5">
      <div class="flex items-center gap-1">
        <input
          class="w-full rounded border border-transparent bg-transparent px-1 font-semibold hover:border-edge focus:bg-white {room.named
            ? ''
            : 'text-faint italic'}"
          aria-label="Name of the room"
          value={room.name}
          disabled={!plan.canEdit}
          onchange={(e) => orBack(e.currentTarget, room.name, name(room, { name: e.currentTarget.value }))}
        />
        <button
          class="rounded px-1 text-[12px] text-soft hover:bg-moss-wash"
          aria-expanded={open === room.id}
          aria-label="More about {room.name}"
          onclick={() => (open = open === room.id ? "" : room.id)}>more</button
        >
      </div>
      <dl class="grid grid-cols-2 px-1 text-[12px]">
        <dt class="text-soft">Clear floor</dt>
        <dd class="font-figure text-right font-semibold">{writeAreaAlone(room.netInternal, plan.units)}</dd>
        <dt class="text-soft">Inside the walls</dt>
        <dd class="font-figure text-right font-semibold">{writeAreaAlone(room.grossInternal, plan.units)}</dd>
        {#if open === room.id}
          <dt class="text-soft">Way in</dt>
          <dd class="font-figure text-right font-semibold">
            {locked && locked.wayIn > 0
              ? locked.wayIn >= 4999
                ? "wide open"
                : writeWidth(locked.wayIn, plan.units)
              : "none"}
          </dd>
          <dt class="text-soft">Step-free</dt>
          <dd class="text-right font-semibold">{locked?.stepFree ? "yes" : "no"}</dd>
          {#if locked && locked.seats + locked.workstations > 0}
            <dt class="text-soft">Seats, workstations</dt>
            <dd class="font-figure text-right font-semibold">{locked.seats}, {locked.workstations}</dd>
            <dt class="text-soft">Area a seat</dt>
            <dd class="font-figure text-right font-semibold">
              {writeAreaAlone(locked.areaPerSeat ?? 0, plan.units)}
            </dd>
            <dt class="text-soft">Narrowest walkway</dt>
            <dd class="font-figure text-right font-semibold">
              {locked.narrowest == null ? "—" : writeWidth(locked.narrowest, plan.units)}
            </dd>
          {/if}
        {/if}
      </dl>
      {#if open === room.id && plan.canEdit}
        <div class="mt-1.5 space-y-1.5 pl-1">
          <Choice
            label="Use"
            value={room.use}
            options={[["", "not said"], ...plan.catalogue!.uses.map((u) => [u.name, u.name] as const)]}
            onvalue={(use) => name(room, { use })}
          />
          <div class="flex items-center gap-2">
            <label class="w-[88px] text-soft" for="number-{room.id}">Number</label>
            <input
              id="number-{room.id}"
              class="field w-24"
              maxlength="16"
              value={room.number}
              onchange={(e) =>
                orBack(e.currentTarget, room.number, name(room, { number: e.currentTarget.value }))}
            />
          </div>
          <LengthField
            label="Clear height"
            value={room.height}
            units={plan.units}
            onvalue={(height) => name(room, { height })}
          />
          {#if room.named}
            <LengthField
              label="Walkways"
              value={(plan.entities.get(room.id) as Room | undefined)?.wayWidth ?? null}
              units={plan.units}
              empty="as the rules say"
              hint="Clear width of the ways to what stands in it; 0 for the rules'"
              onvalue={(width) => plan.do({ do: "set-room-ways", id: room.id, wayWidth: width || null })}
            />
            <Choice
              label="Copy it"
              bind:value={copying.mirror}
              options={[
                ["None", "as it is"],
                ["LeftRight", "left for right"],
                ["UpDown", "upside down"],
              ]}
            />
            <LengthField
              label="Rotated by"
              angle
              value={copying.rotation}
              units={plan.units}
              onvalue={(rotation) => (copying.rotation = rotation)}
            />
            <button class="action w-full" onclick={() => copy(room)}>Copy beside the plan</button>
          {/if}
        </div>
      {/if}
    </div>
  {:else}
    <p class="text-soft">No room yet. Type one by its size, or draw its walls, on the left.</p>
  {/each}
  {#each plan.shell?.unenclosed ?? [] as lost (lost)}
    <p class="mt-1 text-[12px] text-advise">{lost} is not enclosed: close what bounds it.</p>
  {/each}

  {#if areas && areas.grossExternal > 0}
    <h3 class="heading mt-4 mb-1">Areas of the level</h3>
    <dl class="grid grid-cols-[1fr_auto] gap-x-2 text-[12px]">
      {#each [["net-internal", areas.netInternal], ["gross-internal", areas.grossInternal], ["gross-external", areas.grossExternal]] as const as [key, value] (key)}
        <dt
          class="text-soft"
          title="{definition(key).wording} {definition(key).source}. {definition(key).note}"
        >
          {definition(key).name}
        </dt>
        <dd class="font-figure text-right font-semibold">{writeAreaAlone(value, plan.units)}</dd>
      {/each}
    </dl>
    <details class="mt-1 text-[11px] text-soft">
      <summary class="cursor-pointer">How they are measured</summary>
      {#each plan.catalogue!.areas as area (area.key)}
        <p class="mt-1"><b>{area.name}</b>: {area.wording} ({area.source}. {area.note})</p>
      {/each}
    </details>
  {/if}

  <h3 class="heading mt-4 mb-1">Levels</h3>
  <ul>
    {#each plan.levels.toReversed() as level (level.id)}
      <li class="flex items-center gap-1">
        <button
          class="min-h-6 flex-1 rounded px-1.5 py-0.5 text-left hover:bg-moss-wash {level.id === plan.levelId
            ? 'bg-moss-wash font-semibold'
            : ''}"
          aria-current={level.id === plan.levelId ? "true" : undefined}
          onclick={() => plan.lookAt(level.id)}>{level.name}</button
        >
        {#if level.id !== plan.levelId}
          <label class="flex items-center gap-1 text-[11px] text-soft">
            <input
              type="checkbox"
              checked={plan.faintLevelId === level.id}
              onchange={(e) => (plan.faintLevelId = e.currentTarget.checked ? level.id : "")}
            />show faint</label
          >
        {/if}
      </li>
    {/each}
  </ul>
  {#if plan.canEdit && plan.level}
    {@const level = plan.level}
    <details class="mt-1">
      <summary class="cursor-pointer text-soft">This level</summary>
      <div class="mt-1.5 space-y-1.5">
        <div class="flex items-center gap-2">
          <label class="w-[88px] text-soft" for="level-name">Name</label>
          <input
            id="level-name"
            class="field min-w-0 flex-1"
            maxlength="40"
            value={level.name}
            onchange={(e) => orBack(e.currentTarget, level.name, put(level, { name: e.currentTarget.value }))}
          />
        </div>
        <LengthField
          label="Floor at"
          value={level.elevation}
          units={plan.units}
          hint="above the plan's zero"
          onvalue={(elevation) => put(level, { elevation })}
        />
        <LengthField
          label="Storey height"
          value={level.height}
          units={plan.units}
          onvalue={(height) => put(level, { height })}
        />
        <LengthField
          label="Floor thickness"
          value={level.floorThickness ?? 300}
          units={plan.units}
          onvalue={(floorThickness) => put(level, { floorThickness })}
        />
        <LengthField
          label="Grid step"
          value={level.grid ?? 0}
          units={plan.units}
          hint="0 for no grid"
          onvalue={(grid) => put(level, { grid })}
        />
        {#each plan.levels.filter((l) => l.id !== level.id) as other (other.id)}
          <button
            class="action w-full"
            onclick={() =>
              plan.do({
                do: "copy-shell",
                fromLevelId: other.id,
                toLevelId: level.id,
                newId: plan.newId("shell"),
                names: true,
              })}>Copy the shell of {other.name} here</button
          >
        {/each}
        {#if plan.levels.length > 1}
          <button class="action w-full text-must" onclick={() => plan.do({ do: "remove", ids: [level.id] })}
            >Remove this level</button
          >
        {/if}
      </div>
    </details>
    <button class="action mt-1.5 w-full" onclick={add}>Add a level above</button>
  {/if}

  {#each lists as [title, rows] (title)}
    {#if rows.length}
      <details class="mt-3" open={title === "Doors and windows"}>
        <summary class="heading cursor-pointer">{title} ({rows.length})</summary>
        <ul>
          {#each rows as { id, called } (id)}
            {@const mark = plan.entities.get(id)}
            <li>
              <button
                class="min-h-6 w-full rounded px-1.5 py-0.5 text-left hover:bg-moss-wash"
                onclick={() => plan.select([id])}
              >
                {called}
                {mark?.type === "opening" && mark.mark !== "None"
                  ? `· ${{ Entrance: "entrance", Exit: "exit", EntranceAndExit: "entrance and exit", Service: "service" }[mark.mark as string]}`
                  : ""}
              </button>
            </li>
          {/each}
        </ul>
      </details>
    {/if}
  {/each}
</section>
