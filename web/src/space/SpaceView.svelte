<script lang="ts">
  import { onMount, untrack } from "svelte";
  import { api } from "../app/api";
  import type { Gesture } from "../canvas/gestures/gesture";
  import { MoveItems } from "../canvas/gestures/moveItems";
  import LengthField from "../parts/LengthField.svelte";
  import { writeWidth } from "../plan/figures";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import { eyes, Looking } from "./looking.svelte";
  import { levelTable, liftOf, noShifts, shiftsOf } from "./dragging";
  import ShowCard from "./ShowCard.svelte";
  import ViewpointsCard from "./ViewpointsCard.svelte";

  /** The scheme in space, beside the plan or alone. What draws it is loaded when it is first asked for. */
  let {
    plan,
    alone,
    onalone,
    onclose,
  }: {
    plan: OpenPlan;
    alone: boolean;
    onalone: (alone: boolean) => void;
    onclose: () => void;
  } = $props();

  let canvas: HTMLCanvasElement;
  const looking = new Looking(untrack(() => plan));
  const space = $derived(looking.space);
  const model = $derived(looking.model);
  let problem = $state("");
  let card = $state<"" | "viewpoints" | "show">("");
  const levelId = $derived(plan.levelId);
  const file = $derived(`/api/plans/${plan.id}/model.glb?schemeId=${plan.schemeId}`);

  // What the hand drags, as on the plan: caught, told its distances, and refused alike.
  let gesture: Gesture | null = null;
  let raised = 0;
  let dragging = $state(false);
  /** What the held item is clear of, as the plan tells it: the nearest first. */
  const clear = $derived(
    dragging ? [...(plan.probe?.near ?? plan.near)].sort((a, b) => a.width - b.width).slice(0, 5) : [],
  );
  const table = levelTable(untrack(() => plan));
  const hand = (at: { x: number; y: number }, free: boolean) => ({
    at: { x: at.x, y: -at.y },
    more: false,
    free,
  });

  onMount(() => {
    let closed = false;
    const size = new ResizeObserver(() => space?.resize(canvas.clientWidth, canvas.clientHeight));
    void import("./space").then(({ Space }) => {
      if (closed) return;
      try {
        const made = new Space(canvas, {
          picked: (id) => plan.select(id ? [id] : []),
          climbed: (to) => plan.lookAt(to),
          looked: () => looking.looked(),
          taken(id, at) {
            if (!plan.canEdit) return false;
            gesture = MoveItems.begin(table, hand(at, false).at, id);
            // The plan beside it goes on showing it where it was.
            plan.inHand = new Set();
            raised = 0;
            dragging = gesture !== null;
            return dragging;
          },
          dragged: (at, free) => (gesture = gesture?.move(hand(at, free)) ?? null),
          raised: (by) => lift(by),
          dropped(at, free) {
            if (raised) settle();
            else if (at) gesture?.up(hand(at, free));
            letGo();
          },
          putBack() {
            gesture?.cancel();
            if (raised) space?.shift(noShifts);
            letGo();
          },
        });
        made.isSelected = (id) => plan.selected.has(id);
        made.resize(canvas.clientWidth, canvas.clientHeight);
        looking.space = made;
        size.observe(canvas);
      } catch {
        problem =
          "This browser draws nothing in space (no WebGL). The model can be taken as a GLB file and looked at elsewhere.";
      }
    });
    const lost = (e: Event) => {
      e.preventDefault();
      problem = "The browser has lost what it drew in space; it is drawn anew.";
    };
    const back = () => {
      problem = "";
      if (model) space?.show(model, levelId, looking.stacked, plan.selected, pictures);
    };
    canvas.addEventListener("webglcontextlost", lost);
    canvas.addEventListener("webglcontextrestored", back);
    return () => {
      closed = true;
      size.disconnect();
      space?.dispose();
    };
  });

  function letGo() {
    gesture = null;
    dragging = false;
  }

  /** Straight up or down: what hangs on a wall slides on it, what stands on the floor is lifted off it. */
  function lift(by: number) {
    const item = plan.selectedItems[0];
    if (!item) return;
    raised = Math.max(-item.elevation, Math.round(by / 10) * 10);
    space?.shift(liftOf(item, raised));
  }
  function settle() {
    const item = plan.selectedItems[0];
    gesture?.cancel();
    if (!item) return;
    void plan
      .do({
        do: "raise-item",
        id: item.id,
        elevation: item.elevation + raised,
        standsOn: item.standsOn ?? undefined,
      })
      .then((done) => done || space?.shift(noShifts));
  }

  // Anew after each change; a late answer never shows over a newer one.
  let asked = 0;
  $effect(() => {
    void plan.view?.revision;
    const { id, schemeId } = plan;
    const { people, findings, cutHeight: cut } = looking;
    const mine = ++asked;
    void api
      .GET("/api/plans/{planId}/model", {
        params: { path: { planId: id }, query: { schemeId, people, findings, cut } },
      })
      .then(({ data }) => {
        if (mine === asked && data) looking.model = data;
      })
      .catch(() => undefined);
  });
  /** The plan carries them itself. */
  const pictures = {
    ofFinish: (id: string) =>
      (plan.entities.get(id) as { picture?: { data: string } | null } | undefined)?.picture?.data,
    ofKind: (key: string) => plan.placeable.pictureOf(key),
  };
  $effect(() => {
    if (!space || !model) return;
    space.show(
      model,
      levelId,
      looking.stacked,
      untrack(() => plan.selected),
      pictures,
    );
    untrack(() => {
      looking.restore();
      looking.turned++;
    });
  });
  // What is shown is remembered with the look.
  $effect(() => {
    void [
      looking.stacked,
      looking.people,
      looking.findings,
      looking.cutHeight,
      looking.daylight,
      looking.soft,
    ];
    untrack(() => looking.remember());
  });
  $effect(() => {
    const selected = new Set(plan.selected);
    space?.mark(selected);
  });

  // What a hand moves, here or on the plan, is moved while it moves.
  $effect(() => {
    void [plan.heldAway, plan.probe];
    untrack(() => space?.shift(shiftsOf(plan)));
  });

  /** Where a walk begins: at what is selected, else in the middle. */
  function stand(height: number) {
    looking.eye = height;
    looking.seat = "";
    space?.lookAt(height, plan.selectedItems[0] ?? null);
  }

  // At rest the finer picture comes over the quick one.
  let fine = $state("");
  $effect(() => {
    void [looking.turned, looking.model, looking.daylight, looking.stacked];
    fine = "";
    if (!looking.soft || !space) return;
    let stop: (() => void) | undefined;
    const timer = setTimeout(() => {
      const from = looking.asShown();
      if (!from) return;
      const ratio = Math.min(1, 1600 / canvas.clientWidth);
      stop = plan.work(
        {
          kind: "picture",
          schemeId: plan.schemeId,
          picture: {
            width: Math.max(16, Math.round(canvas.clientWidth * ratio)),
            height: Math.max(16, Math.round(canvas.clientHeight * ratio)),
            titled: false,
            from,
          },
        },
        (told) => told.file && (fine = `/api/plans/${plan.id}/work/${told.file}`),
        () => {},
      );
    }, 350);
    return () => {
      clearTimeout(timer);
      stop?.();
    };
  });

  const seen = $derived(
    [...new Set((looking.here?.nodes ?? []).map((node) => node.name))].filter(
      (name) => !name.includes(" at "),
    ),
  );
</script>

<section class="relative h-full w-full bg-ground" aria-label="In space">
  <canvas
    bind:this={canvas}
    class="h-full w-full touch-none outline-offset-[-2px]"
    tabindex="0"
    aria-label={`In space: ${seen.length ? seen.join(", ") : "the empty shell"}`}
    data-ready={space !== null && model !== null}
    data-fine={fine !== ""}
    onkeydown={(e) => space?.key(e)}
  ></canvas>
  {#if fine}
    <img class="pointer-events-none absolute inset-0 h-full w-full" src={fine} alt="" />
  {/if}
  {#if clear.length}
    <ul
      class="pointer-events-none absolute top-16 right-3 rounded-lg border border-edge bg-white px-2.5 py-1.5 text-[12px] shadow-sm"
      aria-label="Clear distances"
    >
      {#each clear as one (one.otherId + one.field)}
        <li class="flex justify-between gap-3">
          <span>{one.otherName}</span>
          <span class="font-figure font-semibold">{writeWidth(one.width, plan.units)}</span>
        </li>
      {/each}
    </ul>
  {/if}
  {#if problem}
    <p class="absolute inset-x-6 top-16 rounded-lg border border-edge bg-white p-3" role="alert">{problem}</p>
  {/if}
  <div class="absolute top-3 left-3 flex max-w-[calc(100%-1.5rem)] flex-wrap items-center gap-1.5">
    <div
      class="flex flex-wrap gap-0.5 rounded-lg border border-edge bg-white p-1 shadow-sm"
      role="toolbar"
      aria-label="In space"
    >
      {#each eyes as [height, label] (label)}
        <button
          class="h-7 rounded-md px-2 font-medium text-soft hover:text-ink aria-pressed:bg-moss-wash aria-pressed:text-ink"
          aria-pressed={looking.eye === height}
          onclick={() => stand(height)}>{label}</button
        >
      {/each}
    </div>
    {#if looking.eye > 0}
      <div class="w-24 rounded-lg border border-edge bg-white px-1 py-0.5 shadow-sm">
        <LengthField
          label="Height of the eyes"
          hideLabel
          units={plan.units}
          value={looking.eye}
          onvalue={(to) => stand(Math.min(30000, Math.max(100, to)))}
        />
      </div>
    {/if}
  </div>
  {#if card}
    <div
      class="absolute bottom-14 left-3 max-h-[calc(100%-7.5rem)] w-64 overflow-y-auto rounded-lg border border-edge bg-white p-3 shadow-sm"
      role="group"
      aria-label={card === "show" ? "Shown in space" : "Viewpoints and pictures"}
    >
      {#if card === "show"}<ShowCard {looking} />{:else}<ViewpointsCard {looking} />{/if}
    </div>
  {/if}
  <div class="absolute bottom-3 left-3 flex gap-1.5">
    <button
      class="action"
      aria-expanded={card === "viewpoints"}
      onclick={() => (card = card === "viewpoints" ? "" : "viewpoints")}>Viewpoints</button
    >
    <button
      class="action"
      aria-expanded={card === "show"}
      onclick={() => (card = card === "show" ? "" : "show")}>Show</button
    >
  </div>
  <div class="absolute right-3 bottom-3 flex gap-1.5">
    <a class="action" href={file} download>GLB</a>
    <button class="action" onclick={() => onalone(!alone)}
      >{alone ? "Beside the plan" : "Whole window"}</button
    >
    <button class="action" onclick={onclose}>Close</button>
  </div>
</section>
