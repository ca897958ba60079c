import { beforeEach, describe, expect, it, vi } from "vitest";
import { type PlanView, type Problem, Refused, Unreachable } from "../api/client";
import { createLook } from "./look";
import { Outbox } from "./outbox";
import { type Asked, Planner } from "./planner";
import type { Kept } from "./shelf";

const wrong = (status: number, at = "", message = ""): Problem => ({
  type: "about:blank",
  title: "no",
  status,
  detail: message,
  errors: at ? [{ at, message, found: null }] : [],
  version: null,
  since: [],
  clashing: [],
});
const plan = (mark: string, svg: string | null = "<svg/>"): PlanView =>
  ({
    version: 1,
    stations: [{ name: "sizes", questions: [{ at: "title", label: "What it is" }] }],
    findings: [],
    board: { view: "edge", svg, fit: { scale: 1, x0: 0, y0: 0 }, mark },
    ladder: { svg: "<svg/>", mark: "l" },
  }) as unknown as PlanView;

let asked: Asked[];
let answers: (PlanView | Error)[];
let kept: Kept;

function made() {
  const shelf = { recall: () => kept, left: () => kept, remember: () => true, forget: () => {} };
  const wire = {
    read: async () => ({ version: 1 }) as never,
    save: async () => ({ version: 2 }) as never,
    step: async () => ({ version: 2 }) as never,
  };
  const outbox: Outbox = new Outbox(wire, shelf, () => planner.ask(false));
  const planner: Planner = new Planner(
    {
      plan: async (a) => {
        asked.push(a);
        const answer = answers.shift() ?? plan(`m${asked.length}`);
        if (answer instanceof Error) throw answer;
        return answer;
      },
      advise: async () => [],
    },
    outbox,
    createLook(),
  );
  return { outbox, planner };
}
const settled = (n: number) => vi.waitFor(() => expect(asked.length).toBeGreaterThanOrEqual(n));

beforeEach(() => {
  asked = [];
  answers = [];
  kept = { items: [], drafts: {}, clashes: {} };
});

describe("the newest plan", () => {
  it("opens with the saved job, whatever was left in this browser", async () => {
    kept = { items: [], drafts: { title: { typed: "x", edit: { at: "title", to: "x" } } }, clashes: {} };
    const { planner } = made();
    planner.ask(false);
    await settled(2);
    expect(asked[0]?.edits).toEqual([]);
    expect(asked[1]?.edits).toEqual([{ at: "title", to: "x" }]);
  });

  it("sets a draft that the server refuses aside at its field, and plans the rest", async () => {
    const { planner, outbox } = made();
    planner.ask(false);
    await settled(1);
    answers = [new Refused(wrong(422, "options/floater/gap", "possible here: 0 to 300 mm"))];
    outbox.type("options/floater/gap", "900", { at: "options/floater/gap", to: { typed: "900" } });
    await settled(3);
    expect(outbox.state.errors["options/floater/gap"]).toContain("possible here");
    expect(asked.at(-1)?.edits).toEqual([]);
  });

  it.each([500, 422])("blames the newest draft where an answer of %i names no place", async (status) => {
    const { planner, outbox } = made();
    planner.ask(false);
    await settled(1);
    answers = [new Refused(wrong(status, "", "This cannot be planned as it stands"))];
    outbox.type("a", "1", { at: "a", to: 1 });
    await vi.waitFor(() => expect(outbox.state.errors.a).toContain("cannot be planned"));
    expect(planner.state.plan).not.toBeNull();
  });

  it("keeps what is typed where the device has to sign in first, and asks again", async () => {
    vi.useFakeTimers();
    const { outbox, planner } = made();
    planner.ask(false);
    await settled(1);
    answers = [new Refused(wrong(401, "", "Sign in first"))];
    outbox.type("title", "x", { at: "title", to: "x" });
    await settled(2);
    expect(outbox.state.errors).toEqual({});
    expect(planner.store.getState().link).toBe("lost");
    planner.ask(false);
    await settled(3);
    expect(asked[2]?.edits).toEqual([{ at: "title", to: "x" }]);
    vi.useRealTimers();
  });
  it("forgets a refusal of words that were typed over meanwhile", async () => {
    const { planner, outbox } = made();
    planner.ask(false);
    await settled(1);
    answers = [new Refused(wrong(422, "a", "not so"))];
    outbox.type("a", "1/", { at: "a", to: "1/" });
    outbox.type("a", "1/2", { at: "a", to: "1/2" });
    await settled(3);
    expect(outbox.state.errors).toEqual({});
  });

  it("keeps the last drawing when the line is lost", async () => {
    const { planner } = made();
    planner.ask(false);
    await settled(1);
    const before = planner.state.plan;
    answers = [new Unreachable("gone")];
    planner.ask(false);
    await vi.waitFor(() => expect(planner.state.link).toBe("lost"));
    expect(planner.state.plan).toBe(before);
  });

  it("keeps a picture that is not sent again", async () => {
    const { planner } = made();
    planner.ask(false);
    await settled(1);
    answers = [plan("m1", null)];
    planner.ask(false);
    await settled(2);
    expect(asked[1]?.seen).toContain("m1");
    await vi.waitFor(() => expect(planner.state.plan?.board.svg).toBe("<svg/>"));
  });

  it("remembers what fields are called, for those of other stations", async () => {
    const { planner } = made();
    planner.ask(false);
    await vi.waitFor(() => expect(planner.state.places.title?.label).toBe("What it is"));
  });
});
