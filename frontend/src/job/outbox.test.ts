import { beforeEach, describe, expect, it, vi } from "vitest";
import { type JobView, type Problem, Refused, Unreachable } from "../api/client";
import { Outbox, type Wire } from "./outbox";
import type { Item, Kept, Shelf } from "./shelf";

const header = (version: number): JobView => ({
  id: 101,
  version,
  title: "",
  owner: "",
  due: null,
  changed_at: "2026-11-25T10:00:00Z",
  can_undo: true,
  can_redo: true,
  shelf: "rack",
  others: [],
});
const problem = (status: number, more: Partial<Problem> = {}): Problem => ({
  type: "about:blank",
  title: "no",
  status,
  detail: "",
  errors: [],
  version: null,
  since: [],
  clashing: [],
  ...more,
});

class Memory implements Shelf {
  constructor(
    public kept: Kept = { items: [], drafts: {}, clashes: {} },
    public room = true,
    public others: Kept = { items: [], drafts: {}, clashes: {} },
  ) {}
  recall = () => this.kept;
  left = () => {
    const left = this.others;
    this.others = { items: [], drafts: {}, clashes: {} };
    return left;
  };
  remember = (kept: Kept) => {
    if (this.room) this.kept = kept;
    return this.room;
  };
  forget = () => {
    this.kept = { items: [], drafts: {}, clashes: {} };
  };
}

/** A server that answers when it is told to, in the order of the calls. */
class Server implements Wire {
  version = 1;
  calls: string[] = [];
  waiting: (() => void)[] = [];
  slow = false;
  fails: unknown[] = [];
  private async answer(what: string): Promise<JobView> {
    this.calls.push(what);
    if (this.slow) await new Promise<void>((go) => this.waiting.push(go));
    const failure = this.fails.shift();
    if (failure) throw failure;
    this.version += 1;
    return header(this.version);
  }
  read = async () => header(this.version);
  save = (item: Item, version: number) => this.answer(`${item.edits.map((e) => e.at).join(",")}@${version}`);
  step = (item: Item, version: number) => this.answer(`${item.kind}@${version}`);
}

let server: Server;
let shelf: Memory;
let later: ReturnType<typeof vi.fn<() => void>>;
const made = async () => {
  const outbox = new Outbox(
    server,
    shelf,
    () => {},
    () => {},
    later,
  );
  await outbox.load();
  return outbox;
};
const gap = (to: string) => ({ at: "options/floater/gap", to: { typed: to } });

beforeEach(() => {
  server = new Server();
  shelf = new Memory();
  later = vi.fn<() => void>();
});

describe("what waits to be saved", () => {
  it("keeps its order: undo never overtakes a save in flight", async () => {
    const outbox = await made();
    server.slow = true;
    outbox.type("options/floater/gap", "8", gap("8"));
    outbox.accept("options/floater/gap", "mm");
    outbox.step("undo", "mm");
    await vi.waitFor(() => expect(server.waiting).toHaveLength(1));
    expect(server.calls).toEqual(["options/floater/gap@1"]);
    server.slow = false;
    server.waiting[0]?.();
    await outbox.flush();
    expect(server.calls).toEqual(["options/floater/gap@1", "undo@2"]);
    expect(outbox.state.items).toEqual([]);
  });

  it("does not take back somebody else's change", async () => {
    const outbox = await made();
    server.fails = [new Refused(problem(412, { version: 5 }))];
    outbox.step("undo", "mm");
    await outbox.flush();
    expect(outbox.state.trouble).toContain("Someone else has changed this job");
    expect(outbox.state.items).toEqual([]);
  });

  it.each([new Unreachable("gone"), new Refused(problem(500)), new Refused(problem(503))])(
    "keeps a batch that the server failed on, and tries again",
    async (failure) => {
      const outbox = await made();
      server.fails = [failure];
      outbox.edit([gap("8"), { at: "title", to: "Net loft" }], "mm");
      await outbox.flush();
      expect(outbox.state.items).toHaveLength(1);
      expect(outbox.state.link).not.toBe("ok");
      expect(later).toHaveBeenCalled();
      expect(shelf.kept.items).toHaveLength(1);
      await outbox.flush();
      expect(outbox.state.items).toEqual([]);
      expect(outbox.state.link).toBe("ok");
      expect(shelf.kept.items).toEqual([]);
    },
  );

  it("shows what was accepted until a plan knows of it", async () => {
    const outbox = await made();
    server.fails = [new Unreachable("gone")];
    outbox.type("title", "Net loft", { at: "title", to: "Net loft" });
    outbox.accept("title", "mm");
    await outbox.flush();
    expect(outbox.state.drafts).toEqual({});
    expect(outbox.state.echoes.title?.typed).toBe("Net loft");
    const before = outbox.accepted - 1;
    outbox.planned(before, 1);
    expect(outbox.state.echoes.title).toBeDefined();
    outbox.planned(outbox.accepted, 1);
    expect(outbox.state.echoes).toEqual({});
  });

  it("comes back after a reload, and is saved", async () => {
    const first = await made();
    server.fails = [new Unreachable("gone")];
    first.edit([gap("8")], "in");
    first.type("title", "half", { at: "title", to: "half" });
    await first.flush();
    const again = new Outbox(server, shelf, () => {});
    expect(again.state.drafts.title?.typed).toBe("half");
    await again.load();
    await again.flush();
    expect(server.calls.at(-1)).toBe("options/floater/gap@1");
    expect(again.state.items).toEqual([]);
  });

  it("takes over what a closed tab left", async () => {
    const item: Item = { id: "i1", kind: "edits", edits: [gap("9")], typed: "9", system: "mm" };
    shelf.others = {
      items: [item],
      drafts: { title: { typed: "x", edit: { at: "title", to: "x" } } },
      clashes: {},
    };
    const outbox = await made();
    outbox.adopt();
    await outbox.flush();
    expect(server.calls).toEqual(["options/floater/gap@1"]);
    expect(outbox.state.drafts.title?.typed).toBe("x");
  });

  it("says so when the browser cannot keep what is typed, and loses nothing that is open", async () => {
    shelf.room = false;
    const outbox = await made();
    outbox.type("title", "Net loft", { at: "title", to: "Net loft" });
    expect(outbox.state.kept).toBe(false);
    expect(outbox.state.drafts.title?.typed).toBe("Net loft");
  });
});

describe("changes by someone else", () => {
  it("puts disjoint edits on top of theirs", async () => {
    const outbox = await made();
    server.fails = [new Refused(problem(412, { version: 7 }))];
    outbox.edit([gap("8")], "mm");
    await outbox.flush();
    expect(server.calls).toEqual(["options/floater/gap@1", "options/floater/gap@7"]);
  });

  it.each([
    ["a length", gap("8"), { mm: 6, typed: "6" }],
    ["words", { at: "title", to: "Net loft" }, "Slipway"],
    ["a choice", { at: "options/floater/face", to: "flush" }, "proud"],
    ["a list", { at: "hanging/demands", to: ["no wire"] }, ["acrylic only"]],
  ])("shows both values where %s clashes, and sends neither by itself", async (_, mine, theirs) => {
    const outbox = await made();
    const since = [{ at: mine.at, to: theirs }];
    server.fails = [new Refused(problem(412, { version: 4, clashing: [mine.at], since }))];
    outbox.edit([mine], "mm");
    await outbox.flush();
    expect(outbox.state.clashes[mine.at]).toMatchObject({ mine, theirs });
    expect(outbox.unsaved()).toEqual([]);
    expect(server.calls).toHaveLength(1);
    outbox.accept(mine.at, "mm");
    await outbox.flush();
    expect(server.calls.at(-1)).toBe(`${mine.at}@4`);
    expect(outbox.state.clashes).toEqual({});
  });

  it("takes theirs when mine is dropped", async () => {
    const outbox = await made();
    const mine = { at: "title", to: "Net loft" };
    server.fails = [new Refused(problem(412, { version: 4, clashing: ["title"], since: [mine] }))];
    outbox.edit([mine], "mm");
    await outbox.flush();
    outbox.drop("title");
    expect(outbox.state.clashes).toEqual({});
    expect(outbox.state.items).toEqual([]);
  });

  it("splits a batch: what clashes waits, the rest is saved", async () => {
    const outbox = await made();
    server.fails = [new Refused(problem(412, { version: 4, clashing: ["title"], since: [] }))];
    outbox.edit([{ at: "title", to: "a" }, gap("8")], "mm");
    await outbox.flush();
    expect(server.calls.at(-1)).toBe("options/floater/gap@4");
    expect(Object.keys(outbox.state.clashes)).toEqual(["title"]);
  });
});

describe("what the server refuses", () => {
  it("stands in its field again with the reason, and out of the plan", async () => {
    const outbox = await made();
    const errors = [{ at: "options/floater/gap", message: "possible here: 0 to 300 mm", found: 900 }];
    server.fails = [new Refused(problem(422, { errors }))];
    outbox.type("options/floater/gap", "900", gap("900"));
    outbox.accept("options/floater/gap", "mm");
    await outbox.flush();
    expect(outbox.state.drafts["options/floater/gap"]?.typed).toBe("900");
    expect(outbox.state.errors["options/floater/gap"]).toContain("possible here");
    expect(outbox.unsaved()).toEqual([]);
  });

  it("keeps a whole batch aside, to be tried again or let go", async () => {
    const outbox = await made();
    server.fails = [new Refused(problem(422, { detail: "not so" }))];
    outbox.edit(
      [
        { at: "a", to: 1 },
        { at: "b", to: 2 },
      ],
      "mm",
    );
    await outbox.flush();
    const aside = outbox.state.asides[0];
    expect(aside?.why).toBe("not so");
    outbox.again(aside?.item.id ?? "");
    await outbox.flush();
    expect(server.calls.at(-1)).toBe("a,b@1");
    expect(outbox.state.asides).toEqual([]);
  });

  it("forgets a job that is gone", async () => {
    server.read = async () => {
      throw new Refused(problem(404));
    };
    const outbox = await made();
    expect(outbox.state.gone).toBe(true);
  });
});

describe("equal pieces that are read once", () => {
  const wide = (piece: string, typed: string) => ({ at: `pieces/${piece}/detail/width`, to: { typed } });
  const typed = async (text: string) => {
    const outbox = await made();
    const also = [wide("b", text), wide("c", text)];
    outbox.type("pieces/a/detail/width", text, wide("a", text), also);
    return outbox;
  };
  const places = "pieces/a/detail/width,pieces/b/detail/width,pieces/c/detail/width";

  it("are planned and saved together", async () => {
    const outbox = await typed("36");
    expect(outbox.unsaved().map((e) => e.at)).toEqual(places.split(","));
    outbox.accept("pieces/a/detail/width", "mm");
    await outbox.flush();
    expect(server.calls).toEqual([`${places}@1`]);
  });

  it("stand in their one field again, whole, where the server refuses them", async () => {
    const outbox = await typed("36x");
    server.fails = [new Refused(problem(422, { detail: "no length" }))];
    outbox.accept("pieces/a/detail/width", "mm");
    await outbox.flush();
    expect(outbox.state.asides).toEqual([]);
    expect(outbox.state.errors["pieces/a/detail/width"]).toBe("no length");
    expect(outbox.state.drafts["pieces/a/detail/width"]?.also).toHaveLength(2);
  });

  it("survive a line that breaks, and go out once", async () => {
    const outbox = await typed("36");
    server.fails = [new Unreachable("gone")];
    outbox.accept("pieces/a/detail/width", "mm");
    await outbox.flush();
    expect(shelf.kept.items[0]?.edits).toHaveLength(3);
    await outbox.flush();
    expect(server.calls).toEqual([`${places}@1`, `${places}@1`]);
    expect(outbox.state.items).toEqual([]);
  });

  it("are kept but for the one that somebody else has changed", async () => {
    const outbox = await typed("36");
    const since = [{ at: "pieces/b/detail/width", to: { typed: "40" } }];
    server.fails = [new Refused(problem(412, { version: 4, clashing: ["pieces/b/detail/width"], since }))];
    outbox.accept("pieces/a/detail/width", "mm");
    await outbox.flush();
    expect(server.calls[1]).toBe("pieces/a/detail/width,pieces/c/detail/width@4");
    expect(Object.keys(outbox.state.clashes)).toEqual(["pieces/b/detail/width"]);
  });
});
