<script lang="ts">
  import { onMount, untrack } from "svelte";
  import type { Backing, Dimension, Item, SettingOutLine, Thing } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import Chip from "../parts/Chip.svelte";
  import FocusLayer from "./FocusLayer.svelte";
  import type { DragShell } from "./gestures/dragShell";
  import { nothing, type Gesture, type Hand, type Table } from "./gestures/gesture";
  import { DragCorner } from "./gestures/dragCorner";
  import { Pan } from "./gestures/pan";
  import { Press } from "./gestures/press";
  import { PullRepeat } from "./gestures/pullRepeat";
  import { TurnItem } from "./gestures/turnItem";
  import {
    paintChanges,
    paintCross,
    paintFinding,
    paintGuide,
    paintMeasures,
    paintOverlaps,
    paintRoute,
  } from "./livePainter";
  import { BackingPictures } from "./backings";
  import { ownPictures } from "./ownPictures";
  import { isOn, overlapsOn } from "./onLevel";
  import { ghost } from "./ghost.svelte";
  import DrawBar from "./DrawBar.svelte";
  import MeasureLabels from "./MeasureLabels.svelte";
  import WayMarks from "./WayMarks.svelte";
  import { boxOf, ink, paintItem, paintLabel, Picture, type Painted } from "./painter";
  import { boxOfAll, boxOfPoints, placeChips } from "./placing";
  import { RestLayer } from "./restLayer";
  import {
    cornersOfBacking,
    paintDrawing,
    paintSelectedShell,
    paintSelectedThings,
    paintUnjoinedEnds,
  } from "./shellLive";
  import { cornersOf, type Corner } from "../things/corners";
  import { thicknessOf } from "../plan/usual";
  import { shellThings } from "./shellThings";
  import { Stirred } from "./stirred";
  import { placingAt, formPlaced } from "./tooling/placeItem";
  import { tooling } from "./tooling/tooling";
  import { tools } from "./tools.svelte";
  import ViewBar from "./ViewBar.svelte";
  import { Viewport, type Box, type Point } from "./viewport";

  let { plan }: { plan: OpenPlan } = $props();

  let host: HTMLDivElement;
  let restCanvas: HTMLCanvasElement;
  let liveCanvas: HTMLCanvasElement;
  let rest: RestLayer;
  let picture = new Picture([], null, false);
  // Looked up while painting, never rendered from.
  // eslint-disable-next-line svelte/prefer-svelte-reactivity
  let painted = new Map<string, Painted>();
  let view = $state.raw(new Viewport(0.03, 40, 600));
  /** Renewed when a gesture ends, so that the focus layer does not follow every frame. */
  let settledView = $state.raw(new Viewport(0.03, 40, 600));
  let size = $state({ width: 800, height: 600 });
  let pointer = $state.raw<Point>({ x: 0, y: 0 });
  let inside = $state(false);
  let ratio = 1;
  let frame = 0;
  let fitted = false;

  let gesture = $state.raw<Gesture | null>(null);
  let space = false;

  // svelte-ignore state_referenced_locally
  const pictures = new BackingPictures(plan.id, () => repaint("all"));
  const catchDistance = $derived(Math.min(300, 10 / view.scale));
  // svelte-ignore state_referenced_locally
  const table: Table = {
    plan,
    view: () => view,
    picture: () => picture,
    painted: (id) => painted.get(id),
    look: (next) => look(next),
    catchDistance: () => catchDistance,
    cycle: null,
  };
  const moving = $derived(gesture?.holds ?? nothing);
  const stirred = new Stirred();
  /** What the picture at rest leaves out. */
  const leftOut = (held = moving): ReadonlySet<string> =>
    stirred.ids.size ? new Set([...held, ...stirred.ids]) : held;

  // What an edit would move beside what the hand holds is shown as it would be.
  $effect(() => {
    const probe = plan.probe;
    untrack(() => {
      const anew = stirred.take(probe, moving, (id) => plan.item(id));
      for (const id of anew) if (painted.has(id)) rest?.repaint(painted.get(id)!.box, picture, leftOut());
      draw();
    });
  });

  /** Another gesture, or the next state of the same; what it holds is left out of the picture at rest. */
  function become(next: Gesture | null) {
    const before = gesture?.holds ?? nothing;
    gesture = next;
    const now = next?.holds ?? nothing;
    // From one state of a gesture to the next it is the same set.
    if (before !== now)
      for (const id of new Set([...before, ...now]))
        if (before.has(id) !== now.has(id) && painted.has(id))
          rest.repaint(painted.get(id)!.box, picture, leftOut(now));
    draw();
  }

  onMount(() => {
    rest = new RestLayer(restCanvas);
    const observer = new ResizeObserver(() => resize());
    observer.observe(host);
    resize();
    void document.fonts.ready.then(() => repaint("all"));
    tools.inMiddle = () =>
      tooling()?.inMiddle(table, {
        at: { x: size.width / 2, y: size.height / 2 },
        more: false,
        free: false,
      });
    tools.moveCross = moveCross;
    tools.pressCross = pressCross;
    Object.assign(host, {
      planView: () => view,
      backing: () => plan.here("backing")[0],
      entities: () => [...plan.entities.values()],
    });
    return () => observer.disconnect();
  });

  function resize() {
    ratio = devicePixelRatio || 1;
    size = { width: host.clientWidth, height: host.clientHeight };
    liveCanvas.width = Math.round(size.width * ratio);
    liveCanvas.height = Math.round(size.height * ratio);
    rest.resize(size.width, size.height, ratio);
    if (!fitted && plan.view) fit();
    draw();
  }

  $effect(() => {
    void plan.changes;
    void plan.stage;
    const shell = plan.shell;
    void plan.faintShell;
    const things = plan.shownThings;
    untrack(() => {
      const whole =
        plan.dirty === "all" ||
        shell !== picture.shell ||
        things !== picture.things ||
        plan.faintShell !== picture.ground.below;
      repaint(whole ? "all" : (plan.dirty as Set<string>));
      plan.dirty = new Set();
      if (!fitted && plan.view && rest) fit();
    });
  });

  ownPictures.loaded = () => repaint("all");
  const pictureOfFinish = (id: string) => {
    const finish = plan.entities.get(id);
    return finish?.type === "finish" ? finish.picture?.data : undefined;
  };

  let stageBefore = "";
  function repaint(ids: Set<string> | "all") {
    if (!rest) return;
    const old = painted;
    painted = new Map();
    const faint = plan.stage === "shell";
    if (stageBefore !== plan.stage) {
      stageBefore = plan.stage;
      ids = "all";
    }
    for (const item of plan.items) {
      const known = old.get(item.id);
      const facts = plan.itemViews.get(item.id);
      const form = facts && plan.forms.get(facts.form);
      if (!facts || !form) continue;
      painted.set(
        item.id,
        known && known.item === item && known.form === form && known.view.tint === facts.tint
          ? known
          : {
              item,
              view: facts,
              form,
              box: boxOf(item, form),
              picture: plan.placeable.pictureOf(item.catalogue),
            },
      );
    }
    picture = new Picture(
      // What stands on a thing is painted after it, and found before it.
      [...painted.values()].sort(
        (a, b) =>
          (a.item.elevation ?? 0) - (b.item.elevation ?? 0) || (a.item.order ?? 0) - (b.item.order ?? 0),
      ),
      plan.shell,
      faint,
      {
        below: plan.faintShell,
        belowThings: plan.faintThings,
        backings: plan.stage === "shell" ? (plan.here("backing") as Backing[]) : [],
        pictures,
        // A wall is tinted in Shell, so it is seen there; floors are of those who furnish.
        finishes: plan.finishing
          .onLevel(plan.levelId)
          .filter((view) => view.onWall || plan.stage !== "shell")
          .map((view) => ({ view, picture: pictureOfFinish(view.id) })),
        lines: plan.stage === "prove" ? [] : (plan.here("setting-out-line") as SettingOutLine[]),
        grid: plan.stage === "shell" ? (plan.level?.grid ?? 0) : 0,
        locked: plan.stage !== "shell",
      },
      plan.shownThings,
    );
    if (ids === "all") rest.paintAll(view, picture, leftOut());
    else
      for (const id of ids)
        for (const thing of [old.get(id), painted.get(id)])
          if (thing) rest.repaint(thing.box, picture, leftOut());
    draw();
  }

  $effect(() => {
    void tools.aim;
    void [
      plan.faintSchemeId,
      plan.compared,
      plan.groups.opened,
      plan.probe,
      ghost.shown,
      plan.route,
      plan.near,
      plan.finding,
      plan.selected.size,
      tools.tool,
      gesture,
    ];
    for (const id of plan.selected) void id;
    draw();
  });

  function draw() {
    if (!frame) frame = requestAnimationFrame(paintFrame);
  }

  function paintFrame() {
    frame = 0;
    // Who has left the plan meanwhile needs no picture of it.
    if (!rest || !liveCanvas) return;
    rest.show(view, picture, leftOut());
    const ctx = liveCanvas.getContext("2d")!;
    ctx.setTransform(1, 0, 0, 1, 0, 0);
    ctx.clearRect(0, 0, liveCanvas.width, liveCanvas.height);
    if (plan.faintSchemeId) paintFaintScheme(ctx);
    if (plan.groups.opened) paintInside(ctx);
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    paintLive(ctx);
    stirred.paint(ctx, view, ratio, plan, painted);
    for (const id of plan.selected) {
      const thing = stirred.ids.has(id) ? null : ghostOf(id);
      if (!thing) continue;
      paintItem(ctx, view, ratio, thing, "selected");
      ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
      paintLabel(ctx, view, thing, ink.pencil);
    }
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    stirred.paintNames(ctx, view, painted);
    paintPlacing(ctx);
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    // Over what is held: where it lies on another is mostly within it.
    if (gesture?.kind === "move" || gesture?.kind === "pull" || tools.tool.kind === "place")
      paintOverlaps(ctx, view, overlapsOn(plan.probe?.figures?.findings ?? [], plan.levelId));
    paintShellLive(ctx);
    const tool = tools.tool;
    const taking = tool.kind === "measure" && tool.from ? tool : null;
    paintMeasures(
      ctx,
      view,
      chips,
      plan.here("dimension") as Dimension[],
      taking ? [taking.from!, taking.to ?? view.toLevel(pointer)] : null,
    );
    gesture?.paint?.(ctx, ratio);
    if (crossed && tool.kind !== "select") paintCross(ctx, pointer);
  }

  /** Another scheme, faint; and what is moved from it to this one, with arrows, what goes in red dashes, what comes in green. */
  function paintFaintScheme(ctx: CanvasRenderingContext2D) {
    const compared = plan.compared;
    ctx.globalAlpha = compared ? 0.25 : 0.3;
    for (const item of plan.itemsOf(plan.faintSchemeId)) {
      const facts = plan.itemViews.get(item.id);
      const form = facts && plan.forms.get(facts.form);
      if (facts && form)
        paintItem(ctx, view, ratio, { item, view: facts, form, box: boxOf(item, form) }, "rest");
    }
    ctx.globalAlpha = 1;
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    if (!compared) return;
    const boxes = (ids: readonly string[]) =>
      ids
        .map((id) => plan.entities.get(id))
        .filter((entity): entity is Item => entity?.type === "item" && entity.levelId === plan.levelId)
        .map((item) => ({ item, form: plan.formOf(item.id) }))
        .filter(({ form }) => form)
        .map(({ item, form }) => boxOf(item, form!));
    paintChanges(ctx, view, {
      moves: compared.moves.filter(
        (move) => move.toLevelId === plan.levelId && move.fromLevelId === plan.levelId,
      ),
      come: boxes(compared.come),
      go: boxes(compared.go),
    });
  }

  /** What is opened to edit inside stands out; the rest is faint. */
  function paintInside(ctx: CanvasRenderingContext2D) {
    ctx.fillStyle = "rgba(251,250,245,.62)";
    ctx.fillRect(0, 0, liveCanvas.width, liveCanvas.height);
    for (const id of plan.groups.items(plan.groups.opened)) {
      const thing = plan.selected.has(id) ? null : ghostOf(id);
      if (thing) paintItem(ctx, view, ratio, thing, "rest");
    }
  }

  function paintShellLive(ctx: CanvasRenderingContext2D) {
    if (plan.stage === "furnish") {
      paintSelectedThings(ctx, view, shellThings(plan).standing, plan.selected, (id) => plan.outlinesOf(id));
      paintDrawing(ctx, view, tools.tool, tools.aim, (wallType) => thicknessOf(plan, wallType));
    }
    if (plan.stage !== "shell" || !plan.shell) return;
    if (gesture?.kind !== "shell") paintUnjoinedEnds(ctx, view, plan.shell);
    paintSelectedShell(ctx, view, plan.shell, plan.selected, shellThings(plan));
    paintDrawing(ctx, view, tools.tool, tools.aim, (wallType) => thicknessOf(plan, wallType));
  }

  /** A selected thing where it is now: following the hand, or where the server says it would settle. */
  function ghostOf(id: string): Painted | null {
    const thing = painted.get(id);
    if (!thing) return null;
    if (moving.has(id) && gesture?.shown) return gesture.shown(thing);
    return thing;
  }

  function paintPlacing(ctx: CanvasRenderingContext2D) {
    const tool = tools.tool;
    if (tool.kind !== "place" || !inside) return;
    const item = placingAt(table, tool, { at: pointer, more: false, free: false });
    ctx.globalAlpha = 0.85;
    paintItem(
      ctx,
      view,
      ratio,
      {
        item,
        view: {} as never,
        form: formPlaced(plan, tool),
        box: {} as Box,
        picture: plan.placeable.pictureOf(tool.entry.item.key),
      },
      "selected",
    );
    ctx.globalAlpha = 1;
  }

  function paintLive(ctx: CanvasRenderingContext2D) {
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    const finding = plan.findings.find((f) => f.id === plan.finding);
    if (!gesture) paintRoute(ctx, view, plan.route);
    if (finding && isOn(finding, plan.levelId)) paintFinding(ctx, view, finding);
    paintGuide(ctx, view, (plan.probe?.guide ?? []) as Point[]);
    ghost.paint(ctx, view, ratio, plan.levelId);
  }

  /** Clear distances: of what a hand holds by the newest answer, else of what is selected. */
  const chips = $derived.by(() => {
    if (plan.stage !== "shell" && plan.stage !== "furnish") return [];
    const held =
      gesture?.kind === "move" ||
      (gesture?.kind === "shell" && (gesture as DragShell).dragged.kind === "thing") ||
      tools.tool.kind === "place";
    if (held) return plan.probe?.near ?? [];
    // What is put down and not yet answered has been measured nowhere.
    return gesture || [...plan.selected].some((id) => plan.isCarried(id)) ? [] : plan.near;
  });

  const placedChips = $derived.by(() => {
    const taken: Point[] = grip ? [{ x: grip.x, y: grip.y }] : [];
    // The selected thing itself stays free to be pressed again.
    const only = plan.selected.size === 1 ? ghostOf([...plan.selected][0]!) : null;
    if (only) taken.push(view.toScreen(only.item));
    return placeChips(chips, view, taken);
  });

  export function fit() {
    const shell = plan.shell?.box;
    const box = boxOfAll([
      ...(shell ? [{ minX: shell[0]!, minY: shell[1]!, maxX: shell[2]!, maxY: shell[3]! }] : []),
      ...[...painted.values()].map((p) => p.box),
      ...(plan.stage === "shell"
        ? (plan.here("backing") as Backing[]).map((b) => boxOfPoints(cornersOfBacking(b)))
        : []),
    ]);
    fitted = true;
    look(Viewport.fitting(box, size.width, size.height), true);
  }

  /** Brings places into the part of the view that the bars do not cover. */
  export function reveal(...points: Point[]) {
    const free = { minX: 60, minY: 110, maxX: size.width - 60, maxY: size.height - 60 };
    const next = view.showing(points, free);
    if (next !== view) look(next, true);
  }

  /** Whether the keyboard points, with a cross. */
  let crossed = $state(false);
  function moveCross(dx: number, dy: number) {
    if (!crossed && !inside) pointer = { x: size.width / 2, y: size.height / 2 };
    pointer = {
      x: Math.min(Math.max(pointer.x + dx, 0), size.width),
      y: Math.min(Math.max(pointer.y + dy, 0), size.height),
    };
    inside = crossed = true;
    tooling()?.follow(table, { at: pointer, more: false, free: false });
    draw();
  }
  function pressCross() {
    if (!crossed) moveCross(0, 0);
    tooling()?.press(table, { at: pointer, more: false, free: false });
    draw();
  }
  // Who begins something by a key goes on by keys: the arrows are the plan's.
  $effect(() => {
    if (tools.tool.kind === "select") crossed = false;
    else if (!["chain", "place"].includes(tools.tool.kind))
      untrack(() => host?.focus({ preventScroll: true }));
  });

  export function zoomBy(factor: number) {
    look(view.zoomed(factor, { x: size.width / 2, y: size.height / 2 }), true);
  }

  export function panBy(dx: number, dy: number) {
    look(view.panned(dx, dy), true);
  }

  let settle = 0;
  function look(next: Viewport, now = false) {
    view = next.snapped(ratio);
    draw();
    clearTimeout(settle);
    if (now) settledView = view;
    else settle = window.setTimeout(() => (settledView = view), 180);
  }

  function place(event: { clientX: number; clientY: number }): Point {
    const box = host.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  }

  function onwheel(event: WheelEvent) {
    event.preventDefault();
    const at = place(event);
    // A pinch arrives as ctrl+wheel; a mouse wheel steps in large whole amounts; the rest is a touchpad's pan.
    const wheel =
      event.deltaMode !== 0 ||
      (event.deltaX === 0 && Number.isInteger(event.deltaY) && Math.abs(event.deltaY) >= 100);
    if (event.ctrlKey || (wheel && !event.shiftKey)) {
      const step = event.deltaMode === 1 ? event.deltaY * 33 : event.deltaY;
      look(view.zoomed(Math.exp(-step * (event.ctrlKey && !wheel ? 0.01 : 0.0016)), at));
    } else
      look(view.panned(event.shiftKey ? -event.deltaY : -event.deltaX, event.shiftKey ? 0 : -event.deltaY));
  }

  const handOf = (event: PointerEvent): Hand => ({
    at: place(event),
    more: event.shiftKey,
    free: event.altKey,
  });

  function onpointerdown(event: PointerEvent) {
    const hand = handOf(event);
    pointer = hand.at;
    // While walls are drawn their lengths can be typed at any moment: the field keeps the focus.
    if (tools.tool.kind !== "chain") host.focus({ preventScroll: true });
    if (event.button === 1 || (event.button === 0 && space)) become(new Pan(table, hand.at));
    else if (event.button !== 0) return;
    else {
      const tool = tooling();
      const begun = tool ? tool.press(table, hand) : new Press(table, hand.at, hand.more);
      if (!begun) return;
      become(begun);
    }
    host.setPointerCapture(event.pointerId);
  }

  function onpointermove(event: PointerEvent) {
    const hand = handOf(event);
    pointer = hand.at;
    inside = true;
    crossed = false;
    if (gesture) become(gesture.move(hand));
    else tooling()?.follow(table, hand);
    draw();
  }

  function onpointerup(event: PointerEvent) {
    const done = gesture;
    if (!done) return;
    done.up(handOf(event));
    if (done.kind === "pan") settledView = view;
    become(null);
  }

  function onpointercancel() {
    gesture?.cancel();
    become(null);
  }

  function startTurn(event: PointerEvent, item: Item) {
    event.stopPropagation();
    become(TurnItem.begin(table, item));
    host.setPointerCapture(event.pointerId);
  }

  /** Where the grip on the front mark of the one selected item sits, a little off its footprint. */
  const grip = $derived.by(() => {
    void plan.changes;
    if (
      plan.stage !== "furnish" ||
      !plan.canEdit ||
      plan.selected.size !== 1 ||
      gesture?.kind === "move" ||
      tools.tool.kind !== "select"
    )
      return null;
    const thing = ghostOf([...plan.selected][0]!);
    if (!thing || thing.item.locked) return null;
    const angle = (thing.item.rotation * Math.PI) / 180;
    const out = -(thing.form.box[1]! - 16 / view.scale);
    return {
      item: thing.item,
      ...view.toScreen({ x: thing.item.x + out * Math.sin(angle), y: thing.item.y - out * Math.cos(angle) }),
    };
  });

  /** Where the last member of a selected repeat is drawn out by. */
  const pull = $derived.by(() => {
    void plan.changes;
    const group = plan.groups.selected;
    if (group?.type !== "repeat" || !plan.canEdit || plan.stage !== "furnish" || gesture) return null;
    if (group.columns * group.rows < 2 || tools.tool.kind !== "select") return null;
    const last = plan.groups.lastOf(group);
    return last && !last.locked ? { id: group.id, ...view.toScreen(last) } : null;
  });

  /** The corners of the one selected thing that was drawn by them. */
  const corners = $derived.by(() => {
    if (plan.stage !== "furnish" || !plan.canEdit || plan.selected.size !== 1 || tools.tool.kind !== "select")
      return [];
    const id = [...plan.selected][0]!;
    const thing = (plan.asMoved(id) ?? plan.entities.get(id)) as unknown as Thing | undefined;
    if (!thing || thing.locked || !plan.isThing(id)) return [];
    return cornersOf(thing).map((corner) => ({ id, corner, ...view.toScreen(corner.at) }));
  });

  function startCorner(event: PointerEvent, id: string, corner: Corner) {
    event.stopPropagation();
    become(DragCorner.begin(table, id, corner));
    host.setPointerCapture(event.pointerId);
  }

  function startPull(event: PointerEvent, id: string) {
    event.stopPropagation();
    become(PullRepeat.begin(table, id));
    host.setPointerCapture(event.pointerId);
  }

  function ondblclick() {
    const group = plan.groups.selected;
    if (plan.stage === "furnish" && group && tools.tool.kind === "select") plan.groups.open(group.id);
  }

  function onkeydown(event: KeyboardEvent) {
    if (event.code === "Space" && event.target === host) {
      space = true;
      event.preventDefault();
    }
  }

  const under = $derived(view.toLevel(pointer));
</script>

<svelte:window
  onkeyup={(e) => e.code === "Space" && (space = false)}
  onkeydowncapture={(e) => {
    // A hand that holds something puts it back, and what is selected stays so.
    if (e.key !== "Escape" || !gesture) return;
    e.stopPropagation();
    onpointercancel();
    draw();
  }}
/>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
  bind:this={host}
  class="relative h-full w-full touch-none overflow-hidden bg-paper outline-none select-none"
  class:cursor-crosshair={tools.tool.kind !== "select"}
  role="application"
  aria-label="Plan"
  tabindex="0"
  data-testid="plan"
  data-sides={tools.tool.kind === "chain" ? tools.tool.chain.sides.length : 0}
  {onwheel}
  {onpointerdown}
  onmousedown={(e) => tools.tool.kind === "chain" && e.preventDefault()}
  {onpointermove}
  {onpointerup}
  {onpointercancel}
  {onkeydown}
  {ondblclick}
  onpointerleave={() => (inside = false)}
>
  <canvas bind:this={restCanvas} class="absolute inset-0 h-full w-full"></canvas>
  <canvas bind:this={liveCanvas} class="pointer-events-none absolute inset-0 h-full w-full"></canvas>
  <FocusLayer {plan} view={settledView} {size} />

  {#each placedChips as { near, x, y }, i (i)}
    <Chip {plan} {near} {x} {y} still={!gesture && plan.canEdit} />
  {/each}

  <MeasureLabels {plan} {view} {under} />
  {#if plan.stage === "prove"}<WayMarks {plan} {view} />{/if}

  {#if grip}
    <button
      class="absolute h-4 w-4 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white bg-pencil shadow"
      style:left="{grip.x}px"
      style:top="{grip.y}px"
      title="Drag round to rotate"
      aria-label="Rotate; drag round, or press comma and full stop"
      onpointerdown={(e) => startTurn(e, grip.item)}
    ></button>
  {/if}

  {#each corners as { id, corner, x, y }, n (n)}
    <button
      class="absolute h-3 w-3 -translate-x-1/2 -translate-y-1/2 border-2 border-pencil bg-white"
      style:left="{x}px"
      style:top="{y}px"
      title="Drag the corner"
      tabindex="-1"
      aria-label="Corner {n + 1}; drag it, or type its place in the panel"
      onpointerdown={(e) => startCorner(e, id, corner)}
    ></button>
  {/each}

  {#if pull}
    <button
      class="absolute h-4 w-4 -translate-x-1/2 -translate-y-1/2 border-2 border-white bg-pencil shadow"
      style:left="{pull.x}px"
      style:top="{pull.y}px"
      title="Drag to draw the repeat out"
      aria-label="Draw the repeat out; or type its pitch in the panel"
      onpointerdown={(e) => startPull(e, pull.id)}
    ></button>
  {/if}

  {#if plan.probe?.caught}
    <span class="absolute top-16 left-1/2 -translate-x-1/2 rounded bg-pencil-wash px-2 py-0.5 text-pencil"
      >{plan.probe.caught}</span
    >
  {/if}
  {#if plan.probe?.blocks}
    <span
      class="absolute top-[88px] left-1/2 -translate-x-1/2 rounded bg-white px-2 py-0.5 shadow-sm"
      role="status">{plan.probe.blocks}</span
    >
  {/if}
  {#if plan.probe?.problem}
    <span class="absolute top-16 left-1/2 -translate-x-1/2 rounded bg-must px-2 py-0.5 text-white"
      >{plan.probe.problem.message}</span
    >
  {/if}

  {#if tools.tool.kind === "chain" || tools.tool.kind === "points" || tools.tool.kind === "thing"}
    <DrawBar {plan} under={inside ? under : null} reach={catchDistance} {reveal} />
  {/if}

  <ViewBar {plan} {view} under={inside ? under : null} {fit} {zoomBy} />
</div>
