import {
  BufferAttribute,
  BufferGeometry,
  Color,
  ColorManagement,
  DoubleSide,
  Group,
  InstancedBufferAttribute,
  InstancedBufferGeometry,
  InstancedMesh,
  LinearSRGBColorSpace,
  LineBasicMaterial,
  LineSegments,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  ShaderMaterial,
  Vector2,
  Vector3,
  WebGLRenderer,
} from "three";
import type { FacesView, ModelLevelView, ModelView } from "../app/api";
import { coarseOf } from "./coarse";
import { geometryUpward, LaidPictures, type PictureSource } from "./laid";
import { Shapes } from "./shapes";

// Tones are told as they are seen, and shown so.
ColorManagement.enabled = false;

const ink = 0x21302d;
const pencil = new Color(0.62, 0.78, 1.25);
const plain = new Color(1, 1, 1);

/** With more things than this they are boxes without edges while the picture moves. */
const many = 400;
/** A picture in full that takes longer than this, in ms, is not drawn again: its things stay boxes. */
const patience = 900;
/** Longer than this in ms a moving picture does not take, if fewer points of it help; and no less of the screen's fineness than this. */
const flowing = 45;
const coarsest = 0.6;
/** After so many pictures it is known how long they take. */
const tries = 4;
/** What is dragged on the plan is drawn here no oftener than after so many ms. */
const besidePlan = 100;
/** So long in ms a hand may rest before that is drawn by itself. */
const untilMoved = 40;
/** And no finer than with this share of the screen's points; at rest it is fine again. */
const aside = 0.5;

// A little farther than it is: edges lie before the faces they are of.
const solid = new MeshBasicMaterial({
  vertexColors: true,
  polygonOffset: true,
  polygonOffsetFactor: 1,
  polygonOffsetUnits: 2,
});
const glass = new MeshBasicMaterial({
  vertexColors: true,
  transparent: true,
  opacity: 0.35,
  side: DoubleSide,
  depthWrite: false,
});
const line = new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.55 });
/** The edges of what was taken off a wall; what a floor is laid with; what somebody drew on it. */
const thin = new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.3 });
const joint = new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.14 });
const drawn = new LineBasicMaterial({ color: ink, transparent: true, opacity: 0.75 });
/** Lines of things that are there many times. */
const lines = new ShaderMaterial({
  vertexShader: `attribute mat4 place; void main() { gl_Position = projectionMatrix * modelViewMatrix * place * vec4(position, 1.0); }`,
  fragmentShader: `void main() { gl_FragColor = vec4(0.13, 0.19, 0.18, 0.5); }`,
  transparent: true,
});

/** From where an item was to where it is, in mm and degrees; up in mm. */
export interface Shift {
  from: { x: number; y: number; rotation: number };
  to: { x: number; y: number; rotation: number };
  up?: number;
}

interface Wall {
  whole: Group;
  low: Group;
  from: Vector2;
  to: Vector2;
  /** Which side of it is outside: 1 its left, -1 its right, 0 neither or both. */
  outside: number;
  /** The middle of its level. */
  middle: Vector2;
  /** Of its floor, in metres. */
  elevation: number;
}

/** A scheme in space as three.js draws it: metres, x and y as on the plan, z up. Drawn when it is asked, and never twice at once. */
export class SpaceScene {
  readonly camera = new PerspectiveCamera(42, 1, 0.05, 400);
  private readonly scene = new Scene();
  private readonly renderer: WebGLRenderer;
  private built = new Group();
  private edges = new Group();
  private walls: Wall[] = [];
  private ceilings: Group[] = [];
  private kinds: {
    mesh: InstancedMesh;
    items: string[];
    rest: Matrix4[];
    place: InstancedBufferAttribute | null;
  }[] = [];
  private readonly shapes = new Shapes();
  private readonly laid = new LaidPictures(() => this.draw());
  private wanted = 0;
  private resting: ReturnType<typeof setTimeout> | undefined;
  private isMany = false;
  private isSlow = false;
  /** How much of the screen's fineness a moving picture has, and the one that is shown. */
  private coarseness = 1;
  /** Whether a moving picture goes without the edges of things: they come at rest. */
  private isPlain = false;
  /** Whether something is dragged on the plan beside: the picture is drawn coarser, as the plan is what is looked at. */
  private isAside = false;
  private tried = 0;
  private shown = 1;
  /** Things in full, and as boxes. */
  private full: InstancedMesh[] = [];
  private coarse: InstancedMesh[] = [];
  /** The middle of what is shown, and how far it reaches. */
  readonly middle = new Vector3();
  readonly half = new Vector3(5, 5, 1.3);
  /** Whether walls between the viewer and the room are cut low. */
  cuts = true;

  /** Throws where the browser draws nothing in space. */
  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
    this.renderer.outputColorSpace = LinearSRGBColorSpace;
    this.renderer.setClearColor(0xedeae0);
    this.camera.up.set(0, 0, 1);
  }

  resize(width: number, height: number) {
    this.camera.aspect = width / Math.max(1, height);
    this.camera.updateProjectionMatrix();
    this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio) * this.shown);
    this.renderer.setSize(width, height, false);
    this.draw();
  }

  /** Shows one level, or all of them above each other. */
  show(model: ModelView, levelId: string | null, selected: ReadonlySet<string>, pictures: PictureSource) {
    this.scene.remove(this.built);
    free(this.built);
    this.built = new Group();
    this.edges = new Group();
    [this.walls, this.kinds, this.ceilings, this.full, this.coarse] = [[], [], [], [], []];
    [this.isSlow, this.isPlain, this.coarseness, this.tried] = [false, false, 1, 0];
    this.shifted = new Set();
    const kinds = new Map(model.kinds.map((kind) => [kind.key, kind]));
    const shown = model.levels.filter((level) => levelId === null || level.levelId === levelId);
    this.isMany = shown.reduce((sum, level) => sum + level.nodes.length, 0) > many;
    for (const level of shown) {
      const group = new Group();
      group.position.z = levelId === null ? level.elevation / 1000 : 0;
      this.shell(level, group, pictures);
      this.things(level, kinds, group, pictures);
      this.built.add(group);
    }
    this.built.add(this.edges);
    this.scene.add(this.built);
    this.shapes.sweep();
    this.mark(selected);
    this.measure(shown);
    this.draw();
  }

  private measure(levels: readonly ModelLevelView[]) {
    const [xs, ys]: [number[], number[]] = [[], []];
    const add = (x: number, y: number) => {
      xs.push(x);
      ys.push(y);
    };
    for (const level of levels) {
      for (const part of level.shell)
        for (let i = 0; i < part.line.length; i += 2) add(part.line[i]!, part.line[i + 1]!);
      if (!xs.length) for (const node of level.nodes) add(node.x, node.y);
    }
    if (!xs.length) return;
    const [minX, maxX, minY, maxY] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    this.middle.set((minX + maxX) / 2000, (minY + maxY) / 2000, 0.6);
    this.half.set((maxX - minX) / 2000 + 0.3, (maxY - minY) / 2000 + 0.3, 1.3);
    // Things a kilometre apart are seen as well, if less finely.
    this.camera.far = Math.max(400, 8 * Math.hypot(this.half.x, this.half.y));
    this.camera.near = this.camera.far / 8000;
    this.camera.updateProjectionMatrix();
  }

  private shell(level: ModelLevelView, into: Group, pictures: PictureSource) {
    const middle = new Vector2(level.middle[0]! / 1000, level.middle[1]! / 1000);
    for (const part of level.shell) {
      // Letters have more edges than can be told apart.
      const whole = this.part(
        part.faces,
        part.tint ?? null,
        part.surface === "Ceiling",
        part.surface !== "Lettering",
      );
      into.add(whole);
      const picture = part.laid && pictures.ofFinish(part.id);
      const upward = picture && geometryUpward(part.faces, part.laid!);
      if (upward) {
        const laid = new Mesh(upward, this.laid.of(picture, part.laid![6]!));
        laid.userData.isOwn = true;
        into.add(laid);
      }
      if (part.surface === "Ceiling") this.ceilings.push(whole);
      if (part.line.length !== 4) continue;
      const low = this.part(part.low, part.tint ?? null);
      low.add(linesOf(part.outline, thin));
      low.visible = false;
      into.add(low);
      const [x1, y1, x2, y2] = part.line.map((n) => n / 1000) as [number, number, number, number];
      this.walls.push({
        whole,
        low,
        from: new Vector2(x1, y1),
        to: new Vector2(x2, y2),
        outside: part.outside,
        middle,
        elevation: into.position.z,
      });
    }
    into.add(linesOf(level.joints, joint), linesOf(level.drawn, drawn));
  }

  private part(faces: readonly FacesView[], tint: string | null, flat = false, isEdged = true): Group {
    const group = new Group();
    for (const one of faces) {
      const { geometry, edges } = this.shapes.of([one], tint, flat);
      group.add(new Mesh(geometry, one.glass ? glass : solid));
      if (isEdged && !one.glass) group.add(new LineSegments(edges, line));
    }
    return group;
  }

  private things(
    level: ModelLevelView,
    kinds: Map<string, ModelView["kinds"][number]>,
    into: Group,
    pictures: PictureSource,
  ) {
    const alike = new Map<string, ModelLevelView["nodes"]>();
    for (const node of level.nodes) {
      const key = `${node.kind} ${node.tint ?? ""}`;
      const known = alike.get(key);
      if (known) known.push(node);
      else alike.set(key, [node]);
    }
    for (const nodes of alike.values()) {
      const kind = kinds.get(nodes[0]!.kind);
      if (!kind) continue;
      const { geometry, edges } = this.shapes.of(kind.faces, nodes[0]!.tint ?? null);
      const mesh = new InstancedMesh(geometry, solid, nodes.length);
      const places = new Float32Array(nodes.length * 16);
      const rest: Matrix4[] = [];
      nodes.forEach((node, i) => {
        const at = new Matrix4()
          .makeRotationZ((node.rotation * Math.PI) / 180)
          .setPosition(node.x / 1000, node.y / 1000, node.z / 1000);
        mesh.setMatrixAt(i, at);
        rest.push(at);
        at.toArray(places, i * 16);
      });
      const items = nodes.map((node) => node.itemId);
      this.full.push(mesh);
      into.add(mesh);
      if (this.isMany) {
        const boxes = this.shapes.of(coarseOf(kind.faces, level.nodes.length), nodes[0]!.tint ?? null);
        const far = new InstancedMesh(boxes.geometry, solid, nodes.length);
        far.instanceMatrix = mesh.instanceMatrix;
        this.kinds.push({ mesh: far, items, rest, place: null });
        this.coarse.push(far);
        into.add(far);
      }
      const picture = kind.laid && pictures.ofKind(kind.key.split("~")[0]!);
      const upward = picture && geometryUpward(kind.faces, kind.laid!);
      if (upward) {
        const laid = new InstancedMesh(upward, this.laid.of(picture, kind.laid![6]!), nodes.length);
        laid.userData.isOwn = true;
        laid.instanceMatrix = mesh.instanceMatrix;
        this.kinds.push({ mesh: laid, items, rest, place: null });
        this.full.push(laid);
        into.add(laid);
      }
      const drawn = new InstancedBufferGeometry();
      drawn.setAttribute("position", edges.getAttribute("position"));
      const place = new InstancedBufferAttribute(places, 16);
      drawn.setAttribute("place", place);
      drawn.instanceCount = nodes.length;
      this.kinds.push({ mesh, items, rest, place });
      const edge = new LineSegments(drawn, lines);
      edge.frustumCulled = false;
      edge.position.copy(into.position);
      this.edges.add(edge);
    }
  }

  /** How far off all of it is in view, looked at from a way. */
  farFrom(way: Vector3): number {
    const { camera, half } = this;
    const up = Math.tan((camera.fov * Math.PI) / 360);
    const across = up * camera.aspect;
    const right = new Vector3(0, 0, 1).cross(way).normalize();
    const above = way.clone().cross(right);
    let far = 1;
    for (const x of [-half.x, half.x])
      for (const y of [-half.y, half.y])
        for (const z of [-half.z, half.z]) {
          const p = new Vector3(x, y, z);
          far = Math.max(
            far,
            Math.max(Math.abs(p.dot(right)) / across, Math.abs(p.dot(above)) / up) + p.dot(way),
          );
        }
    return far;
  }

  /** What is selected, in pencil. */
  mark(selected: ReadonlySet<string>) {
    for (const { mesh, items } of this.kinds) {
      items.forEach((id, i) => mesh.setColorAt(i, selected.has(id) ? pencil : plain));
      if (mesh.instanceColor) mesh.instanceColor.needsUpdate = true;
    }
    this.draw();
  }

  /** The item at a place of the picture, from -1 to 1; null where there is none. */
  pick(x: number, y: number): string | null {
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2(x, y), this.camera);
    const seen = this.kinds.map((kind) => kind.mesh).filter((mesh) => mesh.visible);
    const hit = ray.intersectObjects(seen)[0];
    const kind = hit && this.kinds.find((one) => one.mesh === hit.object);
    return kind && hit.instanceId !== undefined ? kind.items[hit.instanceId]! : null;
  }

  /** Asks for a picture: however often it is asked before the next frame, one is drawn. */
  draw() {
    this.wanted ||= requestAnimationFrame(() => {
      this.wanted = 0;
      this.detail(!this.isMany);
      this.edges.visible &&= !this.isPlain && !this.isAside;
      this.fineness(this.isAside ? Math.min(this.coarseness, aside) : this.coarseness);
      const start = performance.now();
      this.drawnAt = start;
      this.render();
      // Few things need no waiting for each picture: the page has other work.
      if (this.isMany || this.tried++ < tries) this.foresee(start);
      clearTimeout(this.resting);
      if (this.isMany || this.isPlain || this.isAside) this.resting = setTimeout(() => this.atRest(), 300);
    });
  }

  /**
   * The same, but not so often that the plan beside it waits for it, and in one frame with what moves there: then the page is put together once. A hand
   * that rests meanwhile is shown a little later.
   */
  private drawLater() {
    const left = this.drawnAt + besidePlan - performance.now();
    clearTimeout(this.later);
    this.later = undefined;
    if (left <= 0) this.draw();
    else this.later = setTimeout(() => this.draw(), left + untilMoved);
  }
  private later: ReturnType<typeof setTimeout> | undefined;
  private drawnAt = -besidePlan;

  private detail(full: boolean) {
    this.edges.visible = full;
    for (const mesh of this.full) mesh.visible = full;
    for (const mesh of this.coarse) mesh.visible = !full;
  }

  /** Whether all of it in full would take too long here, by how long its boxes took. */
  private foresee(start: number) {
    this.waitForPicture();
    const took = performance.now() - start;
    const triangles = (mesh: InstancedMesh) =>
      (mesh.geometry.getAttribute("position").count / 3) * mesh.count;
    const sum = (meshes: readonly InstancedMesh[]) => meshes.reduce((all, mesh) => all + triangles(mesh), 0);
    this.isSlow ||= this.isMany && took * (sum(this.full) / Math.max(1, sum(this.coarse))) > patience;
    if (took > flowing && this.isPlain) this.coarseness = Math.max(coarsest, this.coarseness * 0.7);
    this.isPlain ||= took > flowing;
  }

  /** At rest: everything as it is, and as boxes where that takes too long here; as finely as the screen shows it. */
  private atRest() {
    const start = performance.now();
    this.isAside = false;
    this.fineness(1);
    this.detail(!this.isMany || !this.isSlow);
    this.render();
    this.waitForPicture();
    this.isSlow ||= performance.now() - start > patience;
  }

  private fineness(share: number) {
    if (this.shown === share) return;
    this.shown = share;
    this.renderer.setPixelRatio(Math.min(2, window.devicePixelRatio) * share);
  }

  /** Until the picture is drawn: a point of it is read, as a browser may answer finish() before that. */
  private waitForPicture() {
    const gl = this.renderer.getContext();
    gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
  }

  private render() {
    const { x, y, z } = this.camera.position;
    for (const wall of this.walls) {
      const near = this.cuts && z - wall.elevation > 2 && standsBefore(wall, x, y);
      [wall.whole.visible, wall.low.visible] = [!near, near];
    }
    for (const ceiling of this.ceilings) ceiling.visible = !this.cuts;
    this.renderer.render(this.scene, this.camera);
  }

  /** Where a ray through a place of the picture meets a height, in m; null where it does not. */
  onFloor(x: number, y: number, z: number): Vector3 | null {
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2(x, y), this.camera);
    const { origin, direction } = ray.ray;
    const far = (z - origin.z) / direction.z;
    return far > 0 && far < 500 ? origin.addScaledVector(direction, far) : null;
  }

  /** Shows some items off their place until they are shown anew; all others where they are. */
  shift(moves: ReadonlyMap<string, Shift>) {
    for (const { mesh, items, rest, place } of this.kinds) {
      let stirred = false;
      items.forEach((id, i) => {
        const move = moves.get(id);
        if (!move && !this.shifted.has(id)) return;
        const at = move ? moved(rest[i]!, move) : rest[i]!;
        mesh.setMatrixAt(i, at);
        if (place) at.toArray(place.array, i * 16);
        stirred = true;
      });
      if (!stirred) continue;
      mesh.instanceMatrix.needsUpdate = true;
      if (place) place.needsUpdate = true;
    }
    this.shifted = new Set(moves.keys());
    this.isAside = moves.size > 0;
    this.drawLater();
  }
  private shifted: ReadonlySet<string> = new Set();

  dispose() {
    cancelAnimationFrame(this.wanted);
    clearTimeout(this.resting);
    clearTimeout(this.later);
    free(this.built);
    this.shapes.dispose();
    this.laid.dispose();
    this.renderer.dispose();
  }
}

/** Whether a wall stands between an eye and the rooms: an outer one when its outside looks at the eye, another when it parts the eye from the middle. */
export function standsBefore(
  { from, to, outside, middle }: Pick<Wall, "from" | "to" | "outside" | "middle">,
  x: number,
  y: number,
) {
  const side = (px: number, py: number) => (to.x - from.x) * (py - from.y) - (to.y - from.y) * (px - from.x);
  return outside ? side(x, y) * outside > 0 : side(x, y) * side(middle.x, middle.y) < 0;
}

/** Turned about where the item was, then taken along: its chairs go with it. */
function moved(rest: Matrix4, { from, to, up = 0 }: Shift) {
  return rest
    .clone()
    .premultiply(new Matrix4().makeTranslation(-from.x / 1000, -from.y / 1000, 0))
    .premultiply(new Matrix4().makeRotationZ(((to.rotation - from.rotation) * Math.PI) / 180))
    .premultiply(new Matrix4().makeTranslation(to.x / 1000, to.y / 1000, up / 1000));
}

/** Lines by x, y and z of both ends, in mm. */
function linesOf(ends: readonly number[], material: LineBasicMaterial) {
  const geometry = new BufferGeometry();
  geometry.setAttribute(
    "position",
    new BufferAttribute(
      Float32Array.from(ends, (n) => n / 1000),
      3,
    ),
  );
  const segments = new LineSegments(geometry, material);
  segments.userData.isOwn = true;
  return segments;
}

/** What is kept for the next time is not let go of: meshes, but not their shapes. */
function free(group: Group) {
  group.traverse((one) => {
    const { geometry } = one as Partial<Mesh>;
    if (geometry instanceof InstancedBufferGeometry || one.userData.isOwn) geometry?.dispose();
    if (one instanceof InstancedMesh) one.dispose();
  });
}
