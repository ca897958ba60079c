import { describe, expect, it } from "vitest";
import type { BenchView, CheckView, StepView } from "../api/client";
import { answered, forward, shownStep, span } from "./course";

const check = (id: string, more: Partial<CheckView> = {}): CheckView =>
  ({ id, at: `work/s/answers/${id}`, sort: "answer", words: id, ...more }) as CheckView;
const step = (id: string, more: Partial<StepView> = {}): StepView =>
  ({ id, state: "ready", checks: [], ended: null, wait_min: 0, ...more }) as StepView;
const echo = (at: string, to: unknown) => ({ [at]: { typed: "", edit: { at, to }, n: 1 } });
const none = { echoes: {}, drafts: {} };

describe("the forward key", () => {
  it("reads, answers, then finishes, in the order of the checks", () => {
    const s = step("s", { checks: [check("a", { sort: "size", at: "pins/x" }), check("b")] });
    expect(forward(s, none, false, [])).toMatchObject({ kind: "read", check: { id: "a" } });
    const read = { echoes: echo("pins/x", { typed: "5" }), drafts: {} };
    expect(forward(s, read, false, [])).toMatchObject({ kind: "yes", check: { id: "b" } });
    const both = { echoes: { ...read.echoes, ...echo("work/s/answers/b", "yes") }, drafts: {} };
    expect(forward(s, both, false, []).kind).toBe("done");
  });
  it("stays with what is being typed", () => {
    const s = step("s", {
      checks: [check("a", { sort: "size", at: "pins/x", value: { mm: "4", inch: "" } })],
    });
    const typing = { echoes: {}, drafts: { "pins/x": { typed: "4", edit: { at: "pins/x", to: null } } } };
    expect(forward(s, typing, false, []).kind).toBe("read");
  });
  it("does not take no for done", () => {
    const s = step("s", { checks: [check("b", { answer: "no" })] });
    expect(forward(s, none, false, []).kind).toBe("yes");
    expect(answered(check("b", { answer: "yes" }), none)).toBe(true);
    expect(answered(check("b", { answer: "later" }), none)).toBe(true); // it is asked again before the hand-over
    const no = { echoes: echo("work/s/answers/b", "no"), drafts: {} };
    expect(answered(check("b", { answer: "yes" }), no)).toBe(false);
    expect(
      answered(check("b", { answer: "yes" }), { echoes: echo("work/s/answers/b", null), drafts: {} }),
    ).toBe(false);
  });
  it("waits, stands still where it is blocked, and reads only what is closed", () => {
    expect(forward(step("s", { state: "waiting" }), none, false, []).kind).toBe("wait");
    const kept = step("s", { state: "blocked" });
    expect(forward(kept, none, false, []).kind).toBe("stuck");
    const gone = { echoes: echo("work/r/ended", "2026"), drafts: {} };
    expect(forward(kept, gone, false, [step("r")]).kind).toBe("done");
    expect(forward(kept, gone, false, [step("r", { wait_min: 45 })]).kind).toBe("stuck");
    expect(forward(step("s"), none, true, []).kind).toBe("closed");
  });
});

describe("the step that is shown", () => {
  const view = {
    bench: { steps: [step("a", { ended: "2026" }), step("b"), step("c")], next: "b" },
  } as unknown as BenchView;
  it("is the chosen one, else what comes next", () => {
    expect(shownStep(view, "c", {})?.id).toBe("c");
    expect(shownStep(view, "", {})?.id).toBe("b");
    expect(shownStep(view, "gone", {})?.id).toBe("b");
  });
  it("goes on before the server has answered", () => {
    expect(shownStep(view, "", echo("work/b/ended", "2026"))?.id).toBe("c");
  });
});

it("says how long in few words", () => {
  expect([0.4, 45, 200, 120, 720, 7200].map(span)).toEqual([
    "less than a minute",
    "45 min",
    "3 h 20",
    "2 h",
    "12 h",
    "5 days",
  ]);
});
