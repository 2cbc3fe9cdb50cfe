import type { Item } from "../../app/api";
import { asRead, toldApart } from "../../plan/words";

/** A row of the list of items: a kind with how many there are, or one item under it. */
export type ItemRow =
  | { kind: string; count: number; item?: undefined; name?: undefined }
  | { kind: string; count?: undefined; item: Item; name: string };

/** Made once: thousands of names are compared by it when a plan opens. */
const byName = new Intl.Collator("en", { numeric: true }).compare;

/** Items under their kinds, by name; only those of open groups. Items of one name are told apart by their turn. */
export function grouped(
  items: readonly Item[],
  kindOf: (item: Item) => string,
  called: (item: Item) => string,
  isOpen: (kind: string) => boolean,
): ItemRow[] {
  const named = toldApart(
    items
      .toSorted(asRead)
      .map((item) => ({ item, name: called(item) }))
      .sort((a, b) => byName(a.name, b.name)),
  );
  const groups = new Map<string, typeof named>();
  for (const one of named) {
    const kind = kindOf(one.item);
    const group = groups.get(kind);
    if (group) group.push(one);
    else groups.set(kind, [one]);
  }
  return [...groups.entries()]
    .sort(([a], [b]) => byName(a, b))
    .flatMap(([kind, members]): ItemRow[] => [
      // A kind of which there is one is that one.
      ...(members.length > 1 ? [{ kind, count: members.length }] : []),
      ...(members.length === 1 || isOpen(kind)
        ? members.map(({ item, called }) => ({ kind, item, name: called }))
        : []),
    ]);
}
