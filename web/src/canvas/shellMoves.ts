import type { Backing, Edit, Opening, SettingOutLine } from "../app/api";
import type { OpenPlan } from "../plan/openPlan.svelte";

/** The edit that moves one thing of the shell by mm east and north; null for what does not move by itself. */
export function moveOf(plan: OpenPlan, id: string, dx: number, dy: number): Edit | null {
  const entity = plan.entities.get(id);
  switch (entity?.type) {
    case "wall":
      return { do: "move-wall", id, dx, dy };
    case "boundary":
      return { do: "move-boundary", id, dx, dy };
    case "setting-out-line": {
      const line = entity as SettingOutLine;
      return { do: "set-out", line: { ...line, x: line.x + dx, y: line.y + dy } };
    }
    case "backing": {
      const backing = entity as Backing;
      return { do: "put-backing", backing: { ...backing, x: backing.x + dx, y: backing.y + dy } };
    }
    case "opening": {
      // It slides in its wall.
      const turn = ((plan.shell?.openings.find((o) => o.id === id)?.rotation ?? 0) * Math.PI) / 180;
      const by = dx * Math.cos(turn) + dy * Math.sin(turn);
      const opening = entity as Opening;
      return Math.abs(by) < 1e-6
        ? null
        : { do: "put-opening", opening: { ...opening, along: opening.along + by } };
    }
    default:
      return null;
  }
}
