import { measureEnd } from "../placing";
import { tools } from "../tools.svelte";
import type { Tooling, ToolOf } from "./tooling";

/** Measures between two places pressed. */
export const measure: Tooling<ToolOf<"measure">> = {
  follow() {},
  press({ plan, view, picture }, tool, { at }) {
    const p = measureEnd(at, view(), plan.shell, picture());
    tools.tool = !tool.from || tool.to ? { kind: "measure", from: p, to: null } : { ...tool, to: p };
  },
};
