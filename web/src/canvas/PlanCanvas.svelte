<script lang="ts">
  import { onMount, untrack } from "svelte";
  import type { Backing, Dimension, Edit, Item, SettingOutLine } from "../app/api";
  import type { OpenPlan } from "../plan/openPlan.svelte";
  import Chip from "../parts/Chip.svelte";
  import FocusLayer from "./FocusLayer.svelte";
  import {
    paintBand,
    paintFinding,
    paintGuide,
    paintMeasures,
    paintOverlaps,
    paintRoute,
  } from "./livePainter";
  import { BackingPictures } from "./backings";
  import DrawBar from "./DrawBar.svelte";
  import MeasureLabels from "./MeasureLabels.svelte";
  import { boxOf, hits, ink, paintItem, paintLabel, Picture, type Painted } from "./painter";
  import { measureEnd, placeChips } from "./placing";
  import { RestLayer } from "./restLayer";
  import { ShellHand } from "./shellHand.svelte";
  import { outOf } from "./shellHits";
  import { paintDrawing, paintSelectedShell, paintSelectedThings, paintUnjoinedEnds } from "./shellLive";
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

  type Gesture =
    | { kind: "pan"; last: Point }
    | { kind: "press"; start: Point; hit: Painted[]; add: boolean }
    | { kind: "move"; start: Point; ids: string[]; dx: number; dy: number }
    | { kind: "turn"; id: string; from: number; rotation: number }
    | { kind: "band"; start: Point; to: Point; add: boolean };
  let gesture = $state.raw<Gesture | null>(null);
  let space = false;
  /** Whether the press under way is on something the shell's hand works on: the shell, or a zone or mark. */
  let byHand = false;
  let cycle: { at: Point; ids: string[]; index: number } | null = null;

  // svelte-ignore state_referenced_locally
  const hand = new ShellHand(plan, () => view);
  // svelte-ignore state_referenced_locally
  const pictures = new BackingPictures(plan.id, () => repaint("all"));

  const catchDistance = $derived(Math.min(300, 10 / view.scale));
  const moving = $derived(
    gesture?.kind === "move"
      ? new Set(gesture.ids)
      : gesture?.kind === "turn"
        ? new Set([gesture.id])
        : new Set<string>(),
  );

  onMount(() => {
    rest = new RestLayer(restCanvas);
    const observer = new ResizeObserver(() => resize());
    observer.observe(host);
    resize();
    void document.fonts.ready.then(() => repaint("all"));
    tools.inMiddle = () => {
      const middle = { x: size.width / 2, y: size.height / 2 };
      if (tools.tool.kind === "place") void drop(middle, false);
      else if (tools.tool.kind === "opening") void putOpening(middle, 1e6);
      else if (tools.tool.kind !== "select") void hand.take(middle, false);
    };
    Object.assign(host, { planView: () => view, backing: () => plan.here("backing")[0] });
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
        known && known.item === item && known.form === form
          ? known
          : { item, view: facts, form, box: boxOf(item, form) },
      );
    }
    picture = new Picture(
      [...painted.values()],
      plan.shell,
      faint,
      {
        below: plan.faintShell,
        belowThings: plan.faintThings,
        backings: plan.stage === "shell" ? (plan.here("backing") as Backing[]) : [],
        pictures,
        lines: plan.stage === "prove" ? [] : (plan.here("setting-out-line") as SettingOutLine[]),
        grid: plan.stage === "shell" ? (plan.level?.grid ?? 0) : 0,
        locked: plan.stage !== "shell",
      },
      plan.shownThings,
    );
    if (ids === "all") rest.paintAll(view, picture, moving);
    else
      for (const id of ids)
        for (const thing of [old.get(id), painted.get(id)])
          if (thing) rest.repaint(thing.box, picture, moving);
    draw();
  }

  $effect(() => {
    void [tools.aim, hand.drag];
    void [plan.probe, plan.route, plan.near, plan.finding, plan.selected.size, tools.tool, gesture];
    for (const id of plan.selected) void id;
    draw();
  });

  function draw() {
    if (!frame) frame = requestAnimationFrame(paintFrame);
  }

  function paintFrame() {
    frame = 0;
    if (!rest) return;
    rest.show(view, picture, moving);
    const ctx = liveCanvas.getContext("2d")!;
    ctx.setTransform(1, 0, 0, 1, 0, 0);
    ctx.clearRect(0, 0, liveCanvas.width, liveCanvas.height);
    paintLive(ctx);
    for (const id of plan.selected) {
      const thing = ghostOf(id);
      if (!thing) continue;
      paintItem(ctx, view, ratio, thing, "selected");
      ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
      paintLabel(ctx, view, thing, ink.pencil);
    }
    paintPlacing(ctx);
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
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
    if (gesture?.kind === "band") paintBand(ctx, gesture.start, gesture.to);
  }

  function paintShellLive(ctx: CanvasRenderingContext2D) {
    if (plan.stage === "furnish") {
      paintSelectedThings(ctx, view, hand.things.standing, plan.selected);
      paintDrawing(ctx, view, tools.tool, tools.aim);
    }
    if (plan.stage !== "shell" || !plan.shell) return;
    if (!hand.drag) paintUnjoinedEnds(ctx, view, plan.shell);
    paintSelectedShell(ctx, view, plan.shell, plan.selected, hand.things);
    paintDrawing(ctx, view, tools.tool, tools.aim);
  }

  /** A selected thing where it is now: following the hand, or where the server says it would settle. */
  function ghostOf(id: string): Painted | null {
    const thing = painted.get(id);
    if (!thing) return null;
    if (gesture?.kind === "move" && moving.has(id)) {
      const caught = plan.probe?.caught
        ? (plan.probe.moved.find((e) => e.id === id) as Item | undefined)
        : undefined;
      const item = caught ?? { ...thing.item, x: thing.item.x + gesture.dx, y: thing.item.y + gesture.dy };
      return { ...thing, item };
    }
    if (gesture?.kind === "turn" && gesture.id === id)
      return { ...thing, item: { ...thing.item, rotation: gesture.rotation } };
    return thing;
  }

  function paintPlacing(ctx: CanvasRenderingContext2D) {
    const tool = tools.tool;
    if (tool.kind !== "place" || !inside) return;
    const at = view.toLevel(pointer);
    const settled = plan.probe?.moved.find((e) => e.type === "item") as Item | undefined;
    const item = { ...at, rotation: tool.rotation, label: "" } as Item;
    if (settled && plan.probe?.caught)
      Object.assign(item, { x: settled.x, y: settled.y, rotation: settled.rotation });
    ctx.globalAlpha = 0.85;
    paintItem(
      ctx,
      view,
      ratio,
      { item, view: {} as never, form: tool.entry.form, box: {} as Box },
      "selected",
    );
    ctx.globalAlpha = 1;
  }

  function paintLive(ctx: CanvasRenderingContext2D) {
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    const finding = plan.findings.find((f) => f.id === plan.finding);
    if (!gesture) paintRoute(ctx, view, plan.route);
    if (finding) paintFinding(ctx, view, finding);
    if (gesture?.kind === "move" || tools.tool.kind === "place")
      paintOverlaps(ctx, view, plan.probe?.figures?.findings ?? []);
    paintGuide(ctx, view, (plan.probe?.guide ?? []) as Point[]);
  }

  const chips = $derived(
    plan.stage === "shell" || hand.drag
      ? hand.drag?.kind === "thing"
        ? (plan.probe?.near ?? [])
        : hand.drag
          ? []
          : plan.near
      : plan.stage !== "furnish"
        ? []
        : gesture?.kind === "move" || tools.tool.kind === "place"
          ? (plan.probe?.near ?? [])
          : gesture
            ? []
            : plan.near,
  );

  const placedChips = $derived.by(() => {
    const taken: Point[] = grip ? [{ x: grip.x, y: grip.y }] : [];
    // The selected thing itself stays free to be pressed again.
    const only = plan.selected.size === 1 ? ghostOf([...plan.selected][0]!) : null;
    if (only) taken.push(view.toScreen(only.item));
    return placeChips(chips, view, taken);
  });

  export function fit() {
    const shell = plan.shell?.box;
    const box: Box = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
    for (const b of [
      shell ? { minX: shell[0]!, minY: shell[1]!, maxX: shell[2]!, maxY: shell[3]! } : null,
      ...[...painted.values()].map((p) => p.box),
      ...(plan.stage === "shell" ? (plan.here("backing") as Backing[]).map(boxOfBacking) : []),
    ])
      if (b) {
        box.minX = Math.min(box.minX, b.minX);
        box.minY = Math.min(box.minY, b.minY);
        box.maxX = Math.max(box.maxX, b.maxX);
        box.maxY = Math.max(box.maxY, b.maxY);
      }
    if (box.minX > box.maxX) Object.assign(box, { minX: -1000, minY: -1000, maxX: 9000, maxY: 7000 });
    fitted = true;
    look(Viewport.fitting(box, size.width, size.height), true);
  }

  /** Brings a place into view when it lies outside, or near the edge. */
  export function reveal(p: Point) {
    const at = view.toScreen(p);
    if (at.x > 60 && at.y > 90 && at.x < size.width - 60 && at.y < size.height - 60) return;
    look(view.panned(size.width / 2 - at.x, size.height / 2 - at.y), true);
  }

  function boxOfBacking(backing: Backing): Box {
    const [w, h] = [backing.columns * backing.scale, backing.rows * backing.scale];
    const corners = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ].map(([x, y]) => outOf(backing as Required<Backing>, { x: x!, y: y! }));
    return {
      minX: Math.min(...corners.map((c) => c.x)),
      minY: Math.min(...corners.map((c) => c.y)),
      maxX: Math.max(...corners.map((c) => c.x)),
      maxY: Math.max(...corners.map((c) => c.y)),
    };
  }

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

  function beneath(at: Point): Painted[] {
    const p = view.toLevel(at);
    const reach = 3 / view.scale;
    return picture
      .within({ minX: p.x - reach, minY: p.y - reach, maxX: p.x + reach, maxY: p.y + reach })
      .filter((thing) => hits(thing, p))
      .sort((a, b) => Number(a.form.flat) - Number(b.form.flat))
      .map((thing) => thing);
  }

  function onpointerdown(event: PointerEvent) {
    const at = place(event);
    pointer = at;
    host.focus({ preventScroll: true });
    if (event.button === 1 || (event.button === 0 && space)) {
      gesture = { kind: "pan", last: at };
    } else if (event.button === 0) {
      const tool = tools.tool;
      if (tool.kind === "place") return void drop(at, event.shiftKey);
      if (tool.kind === "measure") return measureAt(at);
      if (tool.kind === "opening") return void putOpening(at);
      if (tool.kind !== "select") return void hand.take(at, event.altKey);
      const hit = beneath(at);
      byHand = plan.stage === "shell" || (plan.stage === "furnish" && !hit.length);
      if (byHand) byHand = hand.down(at, event.shiftKey) || plan.stage === "shell";
      gesture = { kind: "press", start: at, hit, add: event.shiftKey };
    } else return;
    host.setPointerCapture(event.pointerId);
  }

  function onpointermove(event: PointerEvent) {
    const at = place(event);
    pointer = at;
    inside = true;
    if (gesture?.kind === "pan") {
      look(view.panned(at.x - gesture.last.x, at.y - gesture.last.y));
      gesture = { kind: "pan", last: at };
      return;
    }
    if (hand.drag) hand.move(at);
    else if (gesture?.kind === "press" && byHand && hand.begin(at)) {
      gesture = null;
      hand.move(at);
    } else if (gesture?.kind === "press" && Math.hypot(at.x - gesture.start.x, at.y - gesture.start.y) > 4)
      begin(gesture);
    if (gesture?.kind === "move") {
      const [dx, dy] = [(at.x - gesture.start.x) / view.scale, -(at.y - gesture.start.y) / view.scale];
      gesture = { ...gesture, dx, dy };
      plan.ask(moveEdit(gesture, event.altKey));
    } else if (gesture?.kind === "turn") turnTo(at, event.altKey);
    else if (gesture?.kind === "band") gesture = { ...gesture, to: at };
    else if (tools.tool.kind === "place") plan.ask(placeEdit(at, "probe-item", event.altKey));
    else if (!gesture) hand.follow(at, event.altKey);
    draw();
  }

  function begin(press: Extract<Gesture, { kind: "press" }>) {
    const top = press.hit.find((thing) => plan.selected.has(thing.item.id)) ?? press.hit[0];
    if (!top || plan.stage !== "furnish" || !plan.canEdit) {
      gesture = { kind: "band", start: press.start, to: press.start, add: press.add };
      return;
    }
    if (!plan.selected.has(top.item.id)) plan.select([top.item.id], press.add);
    const ids = plan.selectedItems.filter((item) => !item.locked).map((item) => item.id);
    if (!ids.length) {
      plan.notice = "This is locked; unlock it first.";
      gesture = null;
      return;
    }
    gesture = { kind: "move", start: press.start, ids, dx: 0, dy: 0 };
    for (const id of ids) rest.repaint(painted.get(id)!.box, picture, moving);
  }

  function moveEdit(move: Extract<Gesture, { kind: "move" }>, free: boolean): Edit {
    return { do: "move-items", ids: move.ids, dx: move.dx, dy: move.dy, catch: free ? 0 : catchDistance };
  }

  async function onpointerup(event: PointerEvent) {
    const done = gesture;
    if (hand.drag) return void hand.up(place(event)).then(draw);
    if (!done) return;
    if (byHand && done.kind === "press") {
      gesture = null;
      return void hand.up(place(event)).then(draw);
    }
    if (done.kind === "pan") settledView = view;
    if (done.kind === "press") pressed(done, event);
    if (done.kind === "band") {
      const [a, b] = [view.toLevel(done.start), view.toLevel(done.to)];
      const box = {
        minX: Math.min(a.x, b.x),
        maxX: Math.max(a.x, b.x),
        minY: Math.min(a.y, b.y),
        maxY: Math.max(a.y, b.y),
      };
      plan.select(
        picture
          .within(box)
          .filter(
            (t) =>
              t.item.x >= box.minX && t.item.x <= box.maxX && t.item.y >= box.minY && t.item.y <= box.maxY,
          )
          .map((t) => t.item.id),
        done.add,
      );
    }
    if (done.kind === "move") await plan.do(moveEdit(done, event.altKey));
    if (done.kind === "turn") {
      const item = plan.item(done.id);
      if (item && done.rotation !== item.rotation)
        await plan.do({ do: "put-item-at", id: item.id, x: item.x, y: item.y, rotation: done.rotation });
    }
    gesture = null;
    plan.stopAsking();
    if (done.kind === "move")
      for (const id of done.ids) if (painted.get(id)) rest.repaint(painted.get(id)!.box, picture, moving);
    if (done.kind === "turn" && painted.get(done.id))
      rest.repaint(painted.get(done.id)!.box, picture, moving);
    draw();
  }

  /** A press without a drag selects what is on top; in the same place again, what lies beneath. */
  function pressed(press: Extract<Gesture, { kind: "press" }>, event: PointerEvent) {
    const ids = press.hit.map((thing) => thing.item.id);
    if (!ids.length) {
      cycle = null;
      if (!event.shiftKey) plan.select([]);
      return;
    }
    if (event.shiftKey) {
      const id = ids[0]!;
      if (plan.selected.has(id)) plan.selected.delete(id);
      else plan.selected.add(id);
      void plan.renewNear();
      return;
    }
    const same =
      cycle &&
      Math.hypot(cycle.at.x - press.start.x, cycle.at.y - press.start.y) < 4 &&
      cycle.ids.join() === ids.join();
    cycle = same ? { ...cycle!, index: (cycle!.index + 1) % ids.length } : { at: press.start, ids, index: 0 };
    plan.select([ids[cycle.index]!]);
  }

  function onpointercancel() {
    const ids = [...moving];
    gesture = null;
    hand.cancel();
    for (const id of ids) if (painted.get(id)) rest.repaint(painted.get(id)!.box, picture, new Set());
    draw();
  }

  function placeEdit(at: Point, id: string, free: boolean): Edit {
    const tool = tools.tool as Extract<typeof tools.tool, { kind: "place" }>;
    const p = view.toLevel(at);
    return {
      do: "place-item",
      id,
      schemeId: plan.schemeId,
      levelId: plan.levelId,
      catalogue: tool.entry.item.key,
      x: p.x,
      y: p.y,
      rotation: tool.rotation,
      catch: free ? 0 : catchDistance,
      setAside: false,
    };
  }

  /** Puts down what is being placed; with Shift the next of the same follows. */
  export async function drop(at: Point, again: boolean) {
    const id = plan.newId("item");
    const edit = placeEdit(at, id, false);
    if (!again) tools.rest();
    plan.stopAsking();
    if (await plan.do(edit)) plan.select([id]);
  }

  function measureAt(at: Point) {
    const tool = tools.tool as Extract<typeof tools.tool, { kind: "measure" }>;
    const p = measureEnd(at, view, plan.shell, picture);
    tools.tool = !tool.from || tool.to ? { kind: "measure", from: p, to: null } : { ...tool, to: p };
  }

  async function putOpening(at: Point, reach = 400) {
    const edit = hand.seat(view.toLevel(at), plan.newId("opening"), Math.min(reach, 1e6));
    plan.stopAsking();
    if (await plan.do(edit)) {
      tools.rest();
      plan.select([(edit as { opening: { id: string } }).opening.id]);
    }
  }

  function turnTo(at: Point, free: boolean) {
    const turning = gesture as Extract<Gesture, { kind: "turn" }>;
    const item = plan.item(turning.id)!;
    const centre = view.toScreen(item);
    const pointed = (Math.atan2(-(at.y - centre.y), at.x - centre.x) * 180) / Math.PI + 90;
    const step = free ? 1 : 15;
    const rotation = (((Math.round(pointed / step) * step) % 360) + 360) % 360;
    gesture = { ...turning, rotation };
    plan.ask({ do: "put-item-at", id: item.id, x: item.x, y: item.y, rotation });
  }

  function startTurn(event: PointerEvent, item: Item) {
    event.stopPropagation();
    gesture = { kind: "turn", id: item.id, from: item.rotation, rotation: item.rotation };
    rest.repaint(painted.get(item.id)!.box, picture, moving);
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

  function onkeydown(event: KeyboardEvent) {
    if (event.code === "Space" && event.target === host) {
      space = true;
      event.preventDefault();
    }
  }

  const under = $derived(view.toLevel(pointer));
</script>

<svelte:window onkeyup={(e) => e.code === "Space" && (space = false)} />

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
  {onpointermove}
  {onpointerup}
  {onpointercancel}
  {onkeydown}
  onpointerleave={() => (inside = false)}
>
  <canvas bind:this={restCanvas} class="absolute inset-0 h-full w-full"></canvas>
  <canvas bind:this={liveCanvas} class="pointer-events-none absolute inset-0 h-full w-full"></canvas>
  <FocusLayer {plan} view={settledView} {size} />

  {#each placedChips as { near, x, y } (near.otherId + near.from.x + near.to.y)}
    <Chip {plan} {near} {x} {y} still={!gesture && plan.canEdit} />
  {/each}

  <MeasureLabels {plan} {view} {under} />

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

  {#if plan.probe?.caught}
    <span class="absolute top-16 left-1/2 -translate-x-1/2 rounded bg-pencil-wash px-2 py-0.5 text-pencil"
      >{plan.probe.caught}</span
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
