import { expect, test } from "vitest";
import type { Item } from "../../app/api";
import { grouped } from "./itemGroups";

const item = (id: string, catalogue: string, x: number) => ({ id, catalogue, x, y: 0 }) as Item;

test("items stand under their kinds with how many there are; one by itself stands alone", () => {
  const items = [item("c", "Chair", 0), item("b", "Table", 5), item("a", "Table", 1)];
  const rows = grouped(
    items,
    (one) => one.catalogue,
    (one) => (one.catalogue === "Table" ? `Table ${one.id}` : "Chair"),
    () => true,
  );
  expect(rows.map((row) => row.name ?? `${row.kind}: ${row.count}`)).toEqual([
    "Chair",
    "Table: 2",
    "Table a",
    "Table b",
  ]);
});

test("a folded group shows its count alone, two thousand items or two", () => {
  const items = Array.from({ length: 2000 }, (_, i) => item(`i${i}`, i % 2 ? "Chair" : "Table", i));
  const rows = grouped(
    items,
    (one) => one.catalogue,
    (one) => one.catalogue,
    (kind) => kind === "Sofa",
  );
  expect(rows).toEqual([
    { kind: "Chair", count: 1000 },
    { kind: "Table", count: 1000 },
  ]);
});
