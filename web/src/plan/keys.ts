import { flushSync } from "svelte";
import type { Edit } from "../app/api";
import { moveOf } from "../canvas/shellMoves";
import { tools } from "../canvas/tools.svelte";
import { backToPlan } from "../parts/focus";
import { figuresRead } from "../parts/readFigure";
import { pressMeter } from "./meter";
import { repeatFigures } from "./groups.svelte";
import { offsets } from "./offsets.svelte";
import type { OpenPlan, Stage } from "./openPlan.svelte";

/** After the figures that have just been typed: the server reads those first. */
const inTurn = (act: () => unknown) => void figuresRead().then(act);

export const keyList: [string, string][] = [
  ["/", "Search the catalogue; Enter on an entry places it in the middle of the view"],
  ["1 2 3 4", "Shell, Furnish, Prove, Issue"],
  ["[ and ]", "In Prove: the finding before, the next one"],
  [", and .", "Rotate what is selected by 15°; with Shift by 1°"],
  [
    "Arrows",
    "Move what is selected by 10 mm (1 in); with Shift by 100 mm (1 ft). With nothing selected: move the view",
  ],
  ["Enter in a panel's field", "Takes what was typed; the next key is the plan's again"],
  ["D", "Duplicate what is selected; again for the next, as far and as turned as the last was put"],
  ["Ctrl+C, X, V", "Copy, cut, paste: in place, also on another level, in another scheme or plan"],
  ["C", "Make a cluster of what is selected"],
  ["R", "Repeat what is selected in rows; its figures are in the panel"],
  ["O", "Set what is selected off from a wall or side: point at it, then type how far away and along"],
  ["Enter", "With a cluster or repeat selected: open it to edit inside; Esc closes it"],
  ["Delete", "Remove what is selected"],
  ["Ctrl+Z, Ctrl+Y", "Undo, redo your own changes"],
  ["Ctrl+A", "Select everything placed"],
  ["M", "Measure between two points"],
  ["+ − 0", "Zoom in, zoom out, fit"],
  ["Space and drag", "Move the view (the middle button does too)"],
  ["Alt while dragging", "No catching on walls and lines"],
  [
    "While drawing walls",
    "Type a length, Tab, an angle, Enter; arrows say which way; X puts the walls on the other side of the line; Enter alone closes; Backspace takes the last back",
  ],
  [
    "While something waits for a press",
    "Arrows move a cross on the plan (with Shift by single pixels), Enter presses where it is",
  ],
  ["Alt+M", "Press the button of the simulated distance meter: the field with the focus takes the length"],
  ["Esc", "End a tool, select nothing"],
  ["?", "This list"],
];

interface View {
  fit(): void;
  zoomBy(factor: number): void;
  panBy(dx: number, dy: number): void;
  help(): void;
}

const stages: Stage[] = ["shell", "furnish", "prove", "issue"];

/** The keyboard commands of an open plan; keys typed into a field are the field's own. */
export function keysFor(plan: OpenPlan, view: View) {
  return (event: KeyboardEvent) => {
    const target = event.target as HTMLElement;
    if (event.altKey && event.key.toLowerCase() === "m") {
      event.preventDefault();
      void pressMeter(plan);
      return;
    }
    if (target.closest("textarea, select, [role=dialog], [role=alertdialog], [data-select-content]")) return;
    // A field that is being typed in undoes its own typing (it keeps the key to itself); else Ctrl+Z is the plan's.
    const undoes = (event.ctrlKey || event.metaKey) && ["z", "y"].includes(event.key.toLowerCase());
    // A name is typed; the figures' fields do so themselves.
    if (event.key === "Enter" && target.matches("input:not([data-figure])") && !target.closest("form")) {
      target.blur();
      target.focus();
      backToPlan(target);
    }
    if (target.closest("input") && !(undoes && target.matches("[data-figure]"))) return;
    // A closed list takes what is typed, to choose by; not commands.
    const command = event.ctrlKey || event.metaKey || event.key === "Delete";
    if (target.closest("[aria-haspopup=listbox]") && !command) return;
    const ids = plan.selectedItems.map((item) => item.id);
    const may = plan.canEdit && plan.stage === "furnish" && ids.length > 0;
    const key = event.key;
    const done = () => event.preventDefault();
    if (event.ctrlKey || event.metaKey) {
      if (key.toLowerCase() === "z") inTurn(event.shiftKey ? plan.redo : plan.undo);
      else if (key.toLowerCase() === "y") inTurn(plan.redo);
      else if (key.toLowerCase() === "a") plan.select(plan.items.filter((i) => !i.setAside).map((i) => i.id));
      else return;
      return done();
    }
    if (event.altKey) return;
    if (key.startsWith("Arrow")) {
      const [small, large] = plan.units === "Metric" ? [10, 100] : [25.4, 304.8];
      const step = event.shiftKey ? large : small;
      const [x, y] = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[key] as [
        number,
        number,
      ];
      const things = plan.things.filter((f) => plan.selected.has(f.id)).map((f) => f.id);
      const [dx, dy] = [x * step, y * step];
      const one = plan.selected.size === 1 ? [...plan.selected][0]! : "";
      const moved = plan.canEdit && plan.stage === "shell" && moveOf(plan, one, dx, dy);
      if (tools.tool.kind !== "select") {
        const pixels = event.shiftKey ? 1 : 12;
        tools.moveCross(x * pixels, -y * pixels);
      } else if (may)
        inTurn(() =>
          plan.do(
            { do: "move-items", ids, dx, dy, catch: 0 },
            undefined,
            ids
              .flatMap((id) => plan.item(id) ?? [])
              .map((item) => ({ ...item, x: item.x + dx, y: item.y + dy })),
          ),
        );
      else if (plan.canEdit && things.length)
        inTurn(() => plan.do({ do: "move-things", ids: things, dx, dy }));
      else if (moved) inTurn(() => plan.do(() => moveOf(plan, one, dx, dy) ?? moved));
      else view.panBy(-x * 60, y * 60);
      return done();
    }
    switch (key) {
      case "?":
        view.help();
        return done();
      case "/": {
        // At once: the next key is a letter of what is sought, and no command.
        flushSync(() => (plan.stage = "furnish"));
        const field = document.getElementById("catalogue-search") as HTMLInputElement | null;
        field?.focus();
        field?.select();
        return done();
      }
      case "1":
      case "2":
      case "3":
      case "4":
        plan.stage = stages[Number(key) - 1]!;
        return done();
      case "[":
      case "]":
        if (plan.stage !== "prove") return;
        plan.proving.step(key === "]" ? 1 : -1);
        return done();
      case ",":
      case ".":
      case "<":
      case ">": {
        const way = key === "," || key === "<" ? 1 : -1;
        const degrees = way * (event.shiftKey ? 1 : 15);
        const tool = tools.tool;
        if (tool.kind === "place") tools.tool = { ...tool, rotation: (tool.rotation + degrees + 360) % 360 };
        else if (may) void plan.do({ do: "rotate-items", ids, degrees });
        return done();
      }
      case "d":
      case "D":
        if (may) void duplicate(plan, ids);
        return done();
      case "c":
      case "C":
      case "r":
      case "R":
        if (may) {
          const id = plan.newId(key.toLowerCase() === "c" ? "cluster" : "repeat");
          void plan.groups.make(
            id,
            key.toLowerCase() === "c"
              ? { do: "make-cluster", id, ids, name: "" }
              : { do: "repeat-items", id, ids, figures: repeatFigures({ columns: 2 }) },
          );
        }
        return done();
      case "o":
      case "O":
        if (may) offsets.point(ids);
        return done();
      case "Delete":
      case "Backspace": {
        const all = [...plan.selected].filter((id) => plan.entities.has(id));
        if (plan.canEdit && all.length && (plan.stage === "shell" || plan.stage === "furnish"))
          void plan.do({ do: "remove", ids: all });
        return done();
      }
      case "m":
      case "M":
        tools.tool = { kind: "measure", from: null, to: null };
        return done();
      case "+":
      case "=":
        view.zoomBy(1.3);
        return done();
      case "-":
        view.zoomBy(1 / 1.3);
        return done();
      case "0":
        view.fit();
        return done();
      case "Enter":
        if (target.closest("button, a, summary, [role=option]")) return;
        if (tools.tool.kind !== "select") tools.pressCross();
        else if (plan.groups.selected) plan.groups.open(plan.groups.selected.id);
        else return;
        return done();
      case "Escape":
        if (tools.tool.kind !== "select") {
          tools.rest();
          plan.stopAsking();
        } else if (plan.groups.opened) plan.groups.close();
        else plan.select([]);
        return done();
    }
  };
}

/** What was copied last, and of what. */
const copied = new WeakMap<OpenPlan, { from: string[]; to: string[] }>();

/** Copies stand beside their originals and are selected in their place. */
export async function duplicate(plan: OpenPlan, ids: string[]) {
  const newIds = ids.map(() => plan.newId("item"));
  const box = plan.itemViews.get(ids[0]!);
  // What was just copied, and perhaps moved and turned since, is copied so again.
  const last = copied.get(plan);
  const again =
    last?.to.length === ids.length &&
    last.to.every((id) => ids.includes(id)) &&
    last.from.every((id) => plan.entities.has(id));
  const edit: Edit = again
    ? { do: "copy-again", ids: last.to, fromIds: last.from, newIds }
    : {
        do: "duplicate-items",
        ids,
        newIds,
        dx: ids.length === 1 && box ? box.width + 1600 : 600,
        dy: ids.length === 1 ? 0 : -600,
      };
  if (!(await plan.do(edit))) return;
  copied.set(plan, { from: again ? last.to : ids, to: newIds });
  plan.select(newIds);
}
