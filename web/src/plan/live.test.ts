import { describe, expect, it, vi } from "vitest";
import { backOff, Newest, NewestInFull, untilDone } from "./live";

/** Answers in hand, to be let go one by one. */
function held() {
  const sent: { question: number; answer: (text: string) => void; fail: () => void }[] = [];
  const send = (question: number) =>
    new Promise<string>((answer, fail) => sent.push({ question, answer, fail: () => fail(new Error()) }));
  return { sent, newest: new Newest<number, string>(send) };
}
const settled = () => new Promise((done) => setTimeout(done));

describe("questions while the hand moves", () => {
  it("go one at a time, and of those that waited only the newest", async () => {
    const { sent, newest } = held();
    const answers: string[] = [];
    for (const question of [1, 2, 3, 4]) newest.ask(question, (text) => answers.push(text));
    expect(sent.map((s) => s.question)).toEqual([1]);
    sent[0]!.answer("one");
    await settled();
    expect(sent.map((s) => s.question)).toEqual([1, 4]);
    sent[1]!.answer("four");
    await settled();
    expect(answers).toEqual(["one", "four"]);
  });
  it("are not sent any more once dropped", async () => {
    const { sent, newest } = held();
    newest.ask(1, () => {});
    newest.ask(2, () => expect.unreachable());
    newest.drop();
    sent[0]!.answer("one");
    await settled();
    expect(sent).toHaveLength(1);
  });
  it("go on after one that was not answered", async () => {
    const { sent, newest } = held();
    const answers: string[] = [];
    newest.ask(1, () => expect.unreachable());
    sent[0]!.fail();
    await settled();
    newest.ask(2, (text) => answers.push(text));
    sent[1]!.answer("two");
    await settled();
    expect(answers).toEqual(["two"]);
  });
});

describe("questions that are answered at once and again in full", () => {
  function opened() {
    const open: { question: number; tell: (text: string) => void; end: () => void; left: boolean }[] = [];
    const questions = new NewestInFull<number, string>((question, tell, end) => {
      const one = { question, tell, end, left: false };
      open.push(one);
      return () => (one.left = true);
    });
    const told: string[] = [];
    return { open, told, ask: (n: number) => questions.ask(n, (text) => told.push(text)), questions };
  }
  it("hear both answers when the hand rests", () => {
    const { open, told, ask } = opened();
    ask(1);
    open[0]!.tell("soon");
    open[0]!.tell("in full");
    open[0]!.end();
    expect([told, open[0]!.left]).toEqual([["soon", "in full"], false]);
  });
  it("wait for the first answer and then go on with the newest, which ends the listening", () => {
    const { open, told, ask } = opened();
    for (const n of [1, 2, 3]) ask(n);
    expect(open).toHaveLength(1);
    open[0]!.tell("soon");
    expect(open.map((one) => [one.question, one.left])).toEqual([
      [1, true],
      [3, false],
    ]);
    open[1]!.tell("three");
    ask(4);
    expect([open[1]!.left, open[2]!.question, told]).toEqual([true, 4, ["soon", "three"]]);
  });
  it("go on after one that came to nothing, and ask nothing more once dropped", () => {
    const { open, ask, questions } = opened();
    ask(1);
    ask(2);
    open[0]!.end();
    expect(open[1]!.question).toBe(2);
    ask(3);
    questions.drop();
    open[1]!.tell("late");
    expect(open).toHaveLength(2);
    questions.drop();
    expect(open[1]!.left).toBe(true);
  });
});

describe("a link that fails", () => {
  it("is tried again, each time a little later, until it is there", async () => {
    vi.useFakeTimers();
    let tries = 0;
    let told = 0;
    const done = untilDone(
      async () => {
        if (++tries < 4) throw new Error("no link");
      },
      () => true,
      () => told++,
    );
    await vi.advanceTimersByTimeAsync(500);
    expect([tries, told]).toEqual([2, 2]);
    await vi.advanceTimersByTimeAsync(999);
    expect(tries).toBe(2);
    await vi.advanceTimersByTimeAsync(1 + 2000);
    await done;
    expect([tries, told]).toEqual([4, 3]);
    expect([0, 1, 2, 3, 4, 9].map(backOff)).toEqual([500, 1000, 2000, 4000, 5000, 5000]);
    vi.useRealTimers();
  });
  it("is not tried any more once the plan is closed", async () => {
    let tries = 0;
    await untilDone(
      async () => {
        tries++;
        throw new Error("no link");
      },
      () => tries < 1,
      () => {},
    );
    expect(tries).toBe(1);
  });
});
