import type { PictureSource } from "./laid";
import { MOUSE, Vector3 } from "three";
import { OrbitControls } from "three/addons/controls/OrbitControls.js";
import type { ModelView } from "../app/api";
import type { Point } from "../canvas/viewport";
import { atEyeLevel, fromAbove, lookingAlong, wayOf, type Look } from "./look";
import { SpaceScene, type Shift } from "./spaceScene";
import { footing } from "./storeys";
import { Ground } from "./walk";

/** A step of a key, in mm; a turn of a key, in radians. */
const pace = 220;
const turn = 0.09;
/** How wide pictures usually are for their height. */
const pictureAspect = 1.6;

/** What whoever shows it is told, and asked. */
export interface Hooks {
  picked(itemId: string | null): void;
  /** Walked onto another level. */
  climbed(levelId: string): void;
  /** The look has changed. */
  looked(): void;
  /** Whether an item may be dragged: takes hold of it at a point of the level, in mm. */
  taken(itemId: string, at: Point): boolean;
  dragged(at: Point, free: boolean): void;
  /** Dragged straight up or down by so much, in mm. */
  raised(by: number): void;
  /** Let go over the floor, or nowhere over it when it was raised. */
  dropped(at: Point | null, free: boolean): void;
  /** Nothing is to come of it. */
  putBack(): void;
}

/** What a hand does in space: round about what is shown, or on one's feet at eye level. */
export class Space {
  private readonly scene: SpaceScene;
  private readonly orbit: OrbitControls;
  private ground = new Ground([]);
  private model: ModelView | null = null;
  private levelId = "";
  private isStacked = false;
  /** Where one stands and looks, at eye level; null from above. Angles in radians. */
  private walk: { at: Point; heading: number; pitch: number; eye: number; floor: number } | null = null;
  private isPlaced = false;
  private isMoved = false;
  /** How many degrees high the look is, and whether it is one from above that was kept: that is seen whole in its proportions, however narrow the canvas. */
  private field = fromAbove;
  private isKept = false;

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly hooks: Hooks,
  ) {
    this.scene = new SpaceScene(canvas);
    this.orbit = new OrbitControls(this.scene.camera, canvas);
    this.orbit.maxPolarAngle = Math.PI / 2 - 0.02;
    this.orbit.mouseButtons = { LEFT: MOUSE.ROTATE, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.PAN };
    this.orbit.addEventListener("start", () => (this.isMoved = true));
    this.orbit.addEventListener("change", () => this.scene.draw());
    this.orbit.addEventListener("end", () => this.hooks.looked());
    // Before the controls see it: what is dragged is not gone round.
    canvas.addEventListener("pointerdown", this.down, { capture: true });
    canvas.addEventListener("pointermove", this.move);
    canvas.addEventListener("pointerup", this.up);
    canvas.addEventListener("pointercancel", this.letGo);
  }

  resize(width: number, height: number) {
    if (!width || !height) return;
    this.scene.resize(width, height);
    this.fit();
    // As long as nobody has looked elsewhere all of it stays in view.
    if (this.isPlaced && !this.walk && !this.isMoved) this.above();
  }

  show(
    model: ModelView,
    levelId: string,
    stacked: boolean,
    selected: ReadonlySet<string>,
    pictures: PictureSource,
  ) {
    [this.model, this.levelId, this.isStacked] = [model, levelId, stacked];
    this.scene.show(model, stacked ? null : levelId, selected, pictures);
    this.ground = new Ground(this.level()?.obstacles ?? []);
    if (!this.isPlaced) this.above();
    else if (this.walk) this.stand();
  }

  mark(selected: ReadonlySet<string>) {
    this.scene.mark(selected);
  }

  /** Shows items off their place until the model is shown anew; none puts all back. */
  shift(moves: ReadonlyMap<string, Shift>) {
    this.scene.shift(moves);
  }

  /** From above when the eye is at 0 mm, else on one's feet at that height, at a place or in the middle. */
  lookAt(eye: number, at: Point | null) {
    if (eye === 0) {
      if (this.walk) this.above();
      this.hooks.looked();
      return;
    }
    if (this.walk) this.walk.eye = eye;
    else {
      this.frame(atEyeLevel, false);
      const { middle } = this.scene;
      const from = at ?? { x: middle.x * 1000, y: middle.y * 1000 };
      const free = this.freeNear(from);
      const heading = Math.atan2(middle.y * 1000 - free.y, middle.x * 1000 - free.x) || Math.PI / 2;
      this.walk = { at: free, heading, pitch: 0, eye, floor: this.floorAt(free) };
    }
    this.stand();
    this.hooks.looked();
  }

  /** The look as it is now. */
  look(): Look {
    const { camera } = this.scene;
    const way = camera.getWorldDirection(new Vector3());
    const { heading, pitch } = lookingAlong(way.x, way.y, way.z);
    return {
      levelId: this.levelId,
      x: camera.position.x * 1000,
      y: camera.position.y * 1000,
      z: (camera.position.z - this.lift()) * 1000,
      heading,
      pitch,
      fieldOfView: this.field,
      inside: this.walk !== null,
    };
  }

  private frame(field: number, isKept: boolean) {
    [this.field, this.isKept] = [field, isKept];
    this.fit();
  }
  private fit() {
    const { camera } = this.scene;
    const narrow = this.isKept ? Math.max(1, pictureAspect / camera.aspect) : 1;
    camera.fov = Math.min(
      Math.max(100, this.field),
      (Math.atan(Math.tan((this.field * Math.PI) / 360) * narrow) * 360) / Math.PI,
    );
    camera.updateProjectionMatrix();
  }
  /** How many degrees high the canvas shows. */
  get shownField() {
    return this.scene.camera.fov;
  }

  /** Looks as somebody has looked before; answers how high the eyes then are above the floor under them, 0 from above. */
  go(look: Look, isKept = true): number {
    this.isPlaced = this.isMoved = true;
    // Its level may be shown only after this: one stands on that already.
    if (this.model?.levels.some((level) => level.levelId === look.levelId)) this.standOn(look.levelId);
    const { camera, middle } = this.scene;
    const [x, y, z] = wayOf(look);
    if (look.inside) {
      const at = { x: look.x, y: look.y };
      const rad = Math.PI / 180;
      const floor = this.floorAt(at);
      const eye = look.z - floor;
      this.walk = { at, heading: look.heading * rad, pitch: look.pitch * rad, eye, floor };
      this.frame(look.fieldOfView, false);
      this.stand();
    } else {
      this.walk = null;
      this.orbit.enabled = this.scene.cuts = true;
      this.frame(look.fieldOfView, isKept);
      camera.position.set(look.x / 1000, look.y / 1000, look.z / 1000 + this.lift());
      // Gone round is what lies nearest to the middle along the way.
      const far = Math.max(
        1,
        new Vector3(x, y, z).dot(
          new Vector3(middle.x, middle.y, middle.z + this.lift()).sub(camera.position),
        ),
      );
      this.orbit.target.set(x, y, z).multiplyScalar(far).add(camera.position);
      this.orbit.update();
      this.scene.draw();
    }
    this.hooks.looked();
    return this.walk?.eye ?? 0;
  }

  private level() {
    return this.model?.levels.find((level) => level.levelId === this.levelId) ?? this.model?.levels[0];
  }

  /** How high the level is drawn, in m: at its own height only where all of them are. */
  private lift() {
    return this.isStacked ? (this.level()?.elevation ?? 0) / 1000 : 0;
  }

  private floorAt(at: Point) {
    return footing(this.model?.levels ?? [], this.levelId, null, at).floor;
  }

  /** The nearest place where one can stand. */
  private freeNear(at: Point): Point {
    for (let far = 0; far < 8000; far += 200)
      for (let i = 0; i < 16; i++) {
        const angle = (i * Math.PI) / 8;
        const p = { x: at.x + far * Math.cos(angle), y: at.y + far * Math.sin(angle) };
        if (this.ground.isFree(p)) return p;
      }
    return at;
  }

  private above() {
    this.walk = null;
    [this.isPlaced, this.isMoved] = [true, false];
    this.orbit.enabled = this.scene.cuts = true;
    const { camera, middle } = this.scene;
    this.frame(fromAbove, false);
    // From the south, a little from the west.
    const way = new Vector3(-0.33, -0.68, 0.65).normalize();
    camera.position.copy(middle).addScaledVector(way, this.scene.farFrom(way) * 1.04);
    this.orbit.target.copy(middle);
    this.orbit.update();
    this.scene.draw();
  }

  private stand() {
    const { at, heading, pitch, eye, floor } = this.walk!;
    this.orbit.enabled = this.scene.cuts = false;
    const { camera } = this.scene;
    const z = (eye + floor) / 1000 + this.lift();
    camera.position.set(at.x / 1000, at.y / 1000, z);
    camera.lookAt(at.x / 1000 + Math.cos(heading), at.y / 1000 + Math.sin(heading), z + Math.tan(pitch));
    this.scene.draw();
  }

  /** Arrows walk and turn, Page Up and Page Down look up and down; from above arrows go round. */
  key(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "Escape" && this.held?.item) {
      event.stopPropagation();
      return this.letGo();
    }
    const { walk } = this;
    if (!walk) return void this.round(event);
    const forward = { ArrowUp: 1, w: 1, ArrowDown: -1, s: -1 }[event.key];
    const aside = { a: 1, d: -1 }[event.key];
    const turns = { ArrowLeft: 1, ArrowRight: -1 }[event.key];
    const looks = { PageUp: 1, PageDown: -1 }[event.key];
    if (forward) this.step(walk.heading, forward * pace);
    else if (aside) this.step(walk.heading + Math.PI / 2, aside * pace);
    else if (turns) walk.heading += turns * turn;
    else if (looks) walk.pitch = clamp(walk.pitch + looks * turn);
    else return;
    event.preventDefault();
    event.stopPropagation();
    this.stand();
    this.hooks.looked();
  }

  private round(event: KeyboardEvent) {
    const { camera } = this.scene;
    const off = camera.position.clone().sub(this.orbit.target);
    const about = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const nearer = { ArrowUp: 0.92, ArrowDown: 1 / 0.92 }[event.key];
    if (about) off.applyAxisAngle(new Vector3(0, 0, 1), about * turn);
    else if (nearer) off.multiplyScalar(nearer);
    else return;
    event.preventDefault();
    event.stopPropagation();
    this.isMoved = true;
    camera.position.copy(this.orbit.target).add(off);
    this.orbit.update();
    this.scene.draw();
    this.hooks.looked();
  }

  private step(heading: number, length: number) {
    const walk = this.walk!;
    const to = this.ground.step(walk.at, {
      x: walk.at.x + Math.cos(heading) * length,
      y: walk.at.y + Math.sin(heading) * length,
    });
    const next = footing(this.model?.levels ?? [], this.levelId, walk.at, to);
    walk.at = to;
    walk.floor = next.floor;
    if (next.levelId === this.levelId) return;
    this.standOn(next.levelId);
    this.hooks.climbed(next.levelId);
  }

  private standOn(levelId: string) {
    this.levelId = levelId;
    this.ground = new Ground(this.level()?.obstacles ?? []);
  }

  /** What the hand holds: the view, or an item at a height of the floor, in m. */
  private held: {
    x: number;
    y: number;
    far: number;
    item: string | null;
    z: number;
    up: number | null;
  } | null = null;

  private readonly down = (e: PointerEvent) => {
    this.canvas.focus({ preventScroll: true });
    const at = this.inPicture(e);
    const item = e.button === 0 ? this.scene.pick(at.x, at.y) : null;
    this.held = { x: e.clientX, y: e.clientY, far: 0, item: null, z: 0, up: null };
    if (!item || !this.isSelected(item)) return;
    const z = (this.level()?.nodes.find((node) => node.itemId === item)?.z ?? 0) / 1000 + this.lift();
    const on = this.scene.onFloor(at.x, at.y, z);
    if (!on || !this.hooks.taken(item, { x: on.x * 1000, y: on.y * 1000 })) return;
    Object.assign(this.held, { item, z, up: e.shiftKey ? e.clientY : null });
    this.orbit.enabled = false;
    this.canvas.setPointerCapture(e.pointerId);
  };

  /** Only what is selected is dragged: else a hand could not go round a full room. */
  isSelected: (itemId: string) => boolean = () => false;

  private readonly move = (e: PointerEvent) => {
    if (!this.held) return;
    const [dx, dy] = [e.clientX - this.held.x, e.clientY - this.held.y];
    Object.assign(this.held, { x: e.clientX, y: e.clientY, far: this.held.far + Math.hypot(dx, dy) });
    if (this.held.item) {
      if (this.held.up !== null) return this.hooks.raised((this.held.up - e.clientY) * this.heightOfPixel());
      const on = this.floorUnder(e);
      if (on) this.hooks.dragged(on, e.altKey);
      return;
    }
    if (!this.walk) return;
    this.walk.heading += dx * 0.004;
    this.walk.pitch = clamp(this.walk.pitch + dy * 0.003);
    this.stand();
  };

  private floorUnder(e: PointerEvent): Point | null {
    const at = this.inPicture(e);
    const on = this.scene.onFloor(at.x, at.y, this.held!.z);
    return on && { x: on.x * 1000, y: on.y * 1000 };
  }

  /** How many mm a pixel is high where the held item is. */
  private heightOfPixel() {
    const { camera } = this.scene;
    const node = this.level()?.nodes.find((one) => one.itemId === this.held?.item);
    const far = node
      ? camera.position.distanceTo(new Vector3(node.x / 1000, node.y / 1000, this.held!.z))
      : 10;
    return (2000 * far * Math.tan((camera.fov * Math.PI) / 360)) / Math.max(1, this.canvas.clientHeight);
  }

  private inPicture(e: PointerEvent) {
    const box = this.canvas.getBoundingClientRect();
    return {
      x: ((e.clientX - box.left) / box.width) * 2 - 1,
      y: 1 - ((e.clientY - box.top) / box.height) * 2,
    };
  }

  private readonly up = (e: PointerEvent) => {
    const held = this.held;
    if (!held) return;
    const pressed = held.far < 4;
    if (held.item) {
      const on = this.floorUnder(e);
      this.held = null;
      this.orbit.enabled = !this.walk;
      if (pressed || (!on && held.up === null)) this.hooks.putBack();
      else this.hooks.dropped(on, e.altKey);
      if (!pressed) return;
    }
    this.held = null;
    if (this.walk && !pressed) this.hooks.looked();
    if (!pressed) return;
    const at = this.inPicture(e);
    this.hooks.picked(this.scene.pick(at.x, at.y));
  };

  private readonly letGo = () => {
    if (this.held?.item) this.hooks.putBack();
    this.held = null;
    this.orbit.enabled = !this.walk;
  };

  dispose() {
    this.orbit.dispose();
    this.scene.dispose();
  }
}

const clamp = (pitch: number) => Math.min(1.2, Math.max(-1.2, pitch));
