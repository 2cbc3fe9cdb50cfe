import { describe, expect, it } from "vitest";
import type { NearView } from "../app/api";
import { NearBy } from "./nearBy.svelte";

const view = (width: number) => ({ near: [{ width }], walls: [{ distance: width }] }) as unknown as NearView;

/** A question whose answer the test gives. */
function asked() {
  let answer!: (view: NearView) => void;
  let fail!: (why: Error) => void;
  const promise = new Promise<NearView>((done, broken) => ([answer, fail] = [done, broken]));
  return { promise, answer, fail };
}

describe("what is near what is selected", () => {
  it("goes when the answer for another thing fails, and does not stand for that one", async () => {
    const near = new NearBy();
    await near.renew(["table"], () => Promise.resolve(view(900)));
    expect(near.list).toHaveLength(1);
    await near.renew(["desk"], () => Promise.reject(new Error("no link")));
    expect(near.list).toEqual([]);
    expect(near.walls).toEqual([]);
  });
  it("is of the newest question, whichever answer comes last", async () => {
    const near = new NearBy();
    const [first, second] = [asked(), asked()];
    const both = [near.renew(["table"], () => first.promise), near.renew(["desk"], () => second.promise)];
    second.answer(view(700));
    first.answer(view(900));
    await Promise.all(both);
    expect(near.list[0]!.width).toBe(700);
  });
  it("is nothing when nothing is selected, even while an answer is on its way", async () => {
    const near = new NearBy();
    const late = asked();
    const waiting = near.renew(["table"], () => late.promise);
    await near.renew([], () => Promise.resolve(view(1)));
    late.fail(new Error("gone"));
    await waiting;
    expect(near.list).toEqual([]);
  });
});
