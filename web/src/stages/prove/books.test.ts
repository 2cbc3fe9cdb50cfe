import { describe, expect, it } from "vitest";
import { bookOf, figureOf } from "./books";

describe("a figure that is typed for a rule", () => {
  it.each([
    ["12.5", 12.5],
    [" -3 ", -3],
    ["yes", true],
    ["No", false],
    ["[60, 40]", [60, 40]],
    ['{"len_in": 36}', { len_in: 36 }],
    ["[60,", "[60,"],
    ["assembly", "assembly"],
    ["", ""],
  ])("%s is read", (typed, read) => expect(figureOf(typed)).toEqual(read));
});

it("a plan's copy of a book tells which book it is", () =>
  expect(bookOf({ id: "b", text: '{"id":"events","name":"Events","rules":[]}' })).toEqual({
    id: "b",
    bookId: "events",
    name: "Events",
  }));
