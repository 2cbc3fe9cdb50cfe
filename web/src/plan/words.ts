import type { Edit } from "../app/api";

/**
 * What an edit is about, in words: "Move items: Table 4, Table 5".
 * @param does what each kind of edit does, as the server says it
 */
export function wordsOf(
  what: Edit | "undo" | "redo",
  nameOf: (id: string) => string,
  does: readonly { do: string; does: string }[],
): string {
  if (typeof what === "string") return what === "undo" ? "Undo" : "Redo";
  const edit = what as { do: string; ids?: string[]; id?: string };
  const words = does.find((kind) => kind.do === edit.do)?.does ?? "A change";
  const names = [...(edit.ids ?? (edit.id ? [edit.id] : []))].map(nameOf).filter(Boolean);
  const some = names.slice(0, 3).join(", ") + (names.length > 3 ? ` and ${names.length - 3} more` : "");
  return some ? `${words}: ${some}` : words;
}

/** What things are called in one list: those called alike are told apart by their turn in it. */
export function toldApart<T extends { name: string }>(things: T[]): (T & { called: string })[] {
  const count = new Map<string, number>();
  for (const { name } of things) count.set(name, (count.get(name) ?? 0) + 1);
  const turn = new Map<string, number>();
  return things.map((thing) => {
    const of = count.get(thing.name)!;
    if (of === 1) return { ...thing, called: thing.name };
    const at = (turn.get(thing.name) ?? 0) + 1;
    turn.set(thing.name, at);
    return { ...thing, called: `${thing.name}, ${at} of ${of}` };
  });
}

/** As a plan is read: from the top, and each row from the left. */
export const asRead = (a: { x: number; y: number }, b: { x: number; y: number }) => b.y - a.y || a.x - b.x;
