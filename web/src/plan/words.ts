import type { Edit } from "../app/api";

/** What an edit is about, in words: "Move items: Table 4, Table 5". */
export function wordsOf(what: Edit | "undo" | "redo", nameOf: (id: string) => string): string {
  if (typeof what === "string") return what === "undo" ? "Undo" : "Redo";
  const edit = what as { do: string; ids?: string[]; id?: string };
  const words = edit.do.replaceAll("-", " ");
  const names = [...(edit.ids ?? (edit.id ? [edit.id] : []))].map(nameOf).filter(Boolean);
  const some = names.slice(0, 3).join(", ") + (names.length > 3 ? ` and ${names.length - 3} more` : "");
  return `${words[0]!.toUpperCase()}${words.slice(1)}${some ? `: ${some}` : ""}`;
}
