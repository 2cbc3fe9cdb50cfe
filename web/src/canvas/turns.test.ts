import { describe, expect, it } from "vitest";
import { Turns } from "./turns";

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

describe("what is asked for faster than it is answered", () => {
  it("is done in order, however long each takes", async () => {
    const turns = new Turns();
    const order: number[] = [];
    const all = [30, 0, 15, 5].map((ms, i) =>
      turns.take(async () => {
        await wait(ms);
        order.push(i);
        return true;
      }),
    );
    expect(await Promise.all(all)).toEqual([true, true, true, true]);
    expect(order).toEqual([0, 1, 2, 3]);
  });
  it("is dropped and counted when it builds on what could not be done", async () => {
    let dropped = 0;
    const turns = new Turns((count) => (dropped = count));
    const order: string[] = [];
    const step = (name: string, done: boolean) =>
      turns.take(async () => {
        await wait(1);
        order.push(name);
        return done;
      });
    const all = [step("first", true), step("fails", false), step("third", true), step("fourth", true)];
    expect(await Promise.all(all)).toEqual([true, false, false, false]);
    expect(order).toEqual(["first", "fails"]);
    expect(dropped).toBe(2);
    // What is asked afterwards is done.
    expect(await step("again", true)).toBe(true);
  });
});
