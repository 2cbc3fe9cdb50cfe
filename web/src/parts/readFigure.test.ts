import { describe, expect, it } from "vitest";
import { messageOf } from "../app/api";
import { figuresRead, underway } from "./readFigure";

describe("fields that are still being read", () => {
  it("are waited for, also those that begin meanwhile", async () => {
    const order: string[] = [];
    let second = () => {};
    let first = () => {};
    void underway(new Promise<void>((done) => (first = done)).then(() => void order.push("first")));
    const read = figuresRead().then(() => order.push("read"));
    void underway(new Promise<void>((done) => (second = done)).then(() => void order.push("second")));
    first();
    await new Promise((done) => setTimeout(done));
    expect(order).toEqual(["first"]);
    second();
    await read;
    expect(order).toEqual(["first", "second", "read"]);
  });
});

describe("what is said when an answer failed", () => {
  it("is the server's own words, in the order it gives them", () => {
    expect(messageOf({ message: "The width is 40 mm.", title: "x" })).toBe("The width is 40 mm.");
    expect(messageOf({ detail: "The disk is full.", title: "x" })).toBe("The disk is full.");
    expect(messageOf({ title: "Not found" })).toBe("Not found");
    expect(messageOf({})).toBe("Something went wrong.");
    expect(messageOf(undefined)).toBe("The server cannot be reached.");
  });
});
