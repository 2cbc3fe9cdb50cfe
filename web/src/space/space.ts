import { MOUSE, Vector3 } from "three";
import { OrbitControls } from "three/addons/controls/OrbitControls.js";
import type { ModelView } from "../app/api";
import type { Point } from "../canvas/viewport";
import { SpaceScene } from "./spaceScene";
import { Ground } from "./walk";

/** A step of a key, in mm; a turn of a key, in radians. */
const pace = 220;
const turn = 0.09;

/** What a hand does in space: round about what is shown, or on one's feet at eye level. */
export class Space {
  private readonly scene: SpaceScene;
  private readonly orbit: OrbitControls;
  private ground = new Ground([]);
  private model: ModelView | null = null;
  private levelId: string | null = null;
  /** Where one stands and looks, at eye level; null from above. */
  private walk: { at: Point; heading: number; pitch: number; eye: number } | null = null;
  private isPlaced = false;
  private isMoved = false;

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly picked: (itemId: string | null) => void,
  ) {
    this.scene = new SpaceScene(canvas);
    this.orbit = new OrbitControls(this.scene.camera, canvas);
    this.orbit.maxPolarAngle = Math.PI / 2 - 0.02;
    this.orbit.mouseButtons = { LEFT: MOUSE.ROTATE, MIDDLE: MOUSE.PAN, RIGHT: MOUSE.PAN };
    this.orbit.addEventListener("start", () => (this.isMoved = true));
    this.orbit.addEventListener("change", () => this.scene.draw());
    canvas.addEventListener("pointerdown", this.down);
    canvas.addEventListener("pointermove", this.move);
    canvas.addEventListener("pointerup", this.up);
  }

  resize(width: number, height: number) {
    if (!width || !height) return;
    this.scene.resize(width, height);
    // As long as nobody has looked elsewhere all of it stays in view.
    if (this.isPlaced && !this.walk && !this.isMoved) this.above();
  }

  show(model: ModelView, levelId: string | null, selected: ReadonlySet<string>) {
    [this.model, this.levelId] = [model, levelId];
    this.scene.show(model, levelId, selected);
    this.ground = new Ground(this.level()?.obstacles ?? []);
    if (!this.isPlaced) this.above();
    else if (this.walk) this.stand();
  }

  mark(selected: ReadonlySet<string>) {
    this.scene.mark(selected);
  }

  /** From above when the eye is at 0 mm, else on one's feet at that height, at a place or in the middle. */
  lookAt(eye: number, at: Point | null) {
    if (eye === 0) {
      if (this.walk) this.above();
      return;
    }
    if (this.walk) this.walk.eye = eye;
    else {
      const { middle } = this.scene;
      const from = at ?? { x: middle.x * 1000, y: middle.y * 1000 };
      const free = this.freeNear(from);
      const heading = Math.atan2(middle.y * 1000 - free.y, middle.x * 1000 - free.x) || Math.PI / 2;
      this.walk = { at: free, heading, pitch: 0, eye };
    }
    this.stand();
  }

  private level() {
    return this.model?.levels.find((level) => level.levelId === this.levelId) ?? this.model?.levels[0];
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
    this.orbit.enabled = true;
    this.scene.cuts = true;
    const { camera, middle } = this.scene;
    camera.fov = 42;
    camera.updateProjectionMatrix();
    // From the south, a little from the west.
    const way = new Vector3(-0.33, -0.68, 0.65).normalize();
    camera.position.copy(middle).addScaledVector(way, this.scene.farFrom(way) * 1.04);
    this.orbit.target.copy(middle);
    this.orbit.update();
    this.scene.draw();
  }

  private stand() {
    const { at, heading, pitch, eye } = this.walk!;
    this.orbit.enabled = false;
    this.scene.cuts = false;
    const { camera } = this.scene;
    camera.fov = 64;
    camera.updateProjectionMatrix();
    camera.position.set(at.x / 1000, at.y / 1000, eye / 1000);
    camera.lookAt(
      at.x / 1000 + Math.cos(heading),
      at.y / 1000 + Math.sin(heading),
      eye / 1000 + Math.tan(pitch),
    );
    this.scene.draw();
  }

  /** Arrows walk and turn, Page Up and Page Down look up and down; from above arrows go round. */
  key(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
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
    camera.position.copy(this.orbit.target).add(off);
    this.orbit.update();
    this.scene.draw();
  }

  private step(heading: number, length: number) {
    const { at } = this.walk!;
    this.walk!.at = this.ground.step(at, {
      x: at.x + Math.cos(heading) * length,
      y: at.y + Math.sin(heading) * length,
    });
  }

  private held: { x: number; y: number; far: number } | null = null;
  private readonly down = (e: PointerEvent) => {
    this.held = { x: e.clientX, y: e.clientY, far: 0 };
    this.canvas.focus({ preventScroll: true });
  };
  private readonly move = (e: PointerEvent) => {
    if (!this.held) return;
    const [dx, dy] = [e.clientX - this.held.x, e.clientY - this.held.y];
    this.held = { x: e.clientX, y: e.clientY, far: this.held.far + Math.hypot(dx, dy) };
    if (!this.walk) return;
    this.walk.heading += dx * 0.004;
    this.walk.pitch = clamp(this.walk.pitch + dy * 0.003);
    this.stand();
  };
  private readonly up = (e: PointerEvent) => {
    const pressed = this.held && this.held.far < 4;
    this.held = null;
    if (!pressed) return;
    const box = this.canvas.getBoundingClientRect();
    this.picked(
      this.scene.pick(
        ((e.clientX - box.left) / box.width) * 2 - 1,
        1 - ((e.clientY - box.top) / box.height) * 2,
      ),
    );
  };

  picture() {
    return this.scene.picture();
  }

  dispose() {
    this.orbit.dispose();
    this.scene.dispose();
  }
}

const clamp = (pitch: number) => Math.min(1.2, Math.max(-1.2, pitch));
