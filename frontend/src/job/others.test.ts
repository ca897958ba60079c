import { beforeEach, describe, expect, it } from "vitest";
import { type Edit, type JobView, type Problem, Refused, Unreachable } from "../api/client";
import { Outbox, type Wire } from "./outbox";
import type { Item, Kept, Shelf } from "./shelf";

interface Made {
  version: number;
  id: string;
  by: string;
  edits: Edit[];
}

const meets = (a: string, b: string) => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);

/** What the server keeps of one job: every change with its version, each edit id once. */
class Books {
  past: Made[] = [];
  get version() {
    return (this.past.at(-1)?.version ?? 1) as number;
  }
  at(place: string) {
    return this.past.flatMap((m) => m.edits).findLast((e) => e.at === place)?.to;
  }
  write(by: string, id: string, edits: Edit[]): number {
    const version = this.version + 1;
    this.past.push({ version, id, by, edits });
    return version;
  }
  since(version: number): Edit[] {
    return this.past.filter((m) => m.version > version).flatMap((m) => m.edits);
  }
}

/** One person's line to the books: up, down, or one that swallows the answers. */
class Line implements Wire {
  how: "up" | "down" | "no answers" = "up";
  /** The newest version that an answer told of. */
  told = 1;
  /** The version of the header that was read last. */
  readAt = 0;
  constructor(
    private books: Books,
    readonly who: string,
  ) {}
  read = async () => {
    const header = this.answer(this.books.version);
    this.readAt = header.version;
    return header;
  };
  save = async (item: Item, version: number) => this.take(item, version, item.edits);
  step = async (item: Item, version: number) => this.take(item, version, [{ at: "undone", to: item.id }]);

  private take(item: Item, version: number, edits: Edit[]) {
    if (this.how === "down") throw new Unreachable("gone");
    const known = this.books.past.find((m) => m.id === item.id);
    if (known) return this.answer(known.version);
    if (version !== this.books.version) {
      const since = this.books.since(version);
      const clashing = edits.filter((e) => since.some((s) => meets(s.at, e.at))).map((e) => e.at);
      this.told = this.books.version;
      throw new Refused({ ...STALE, version: this.books.version, since, clashing });
    }
    return this.answer(this.books.write(this.who, item.id, edits));
  }
  private answer(version: number): JobView {
    if (this.how !== "up") throw new Unreachable("gone");
    this.told = Math.max(this.told, version);
    return { ...HEADER, version };
  }
}

const HEADER: JobView = {
  id: 101,
  version: 1,
  title: "",
  owner: "",
  due: null,
  changed_at: "2026-11-27T10:00:00Z",
  can_undo: true,
  can_redo: true,
  shelf: "rack",
  others: [],
};
const STALE: Problem = {
  type: "about:blank",
  title: "stale",
  status: 412,
  detail: "",
  errors: [],
  version: null,
  since: [],
  clashing: [],
};

class Memory implements Shelf {
  kept: Kept = { items: [], drafts: {}, clashes: {} };
  recall = () => this.kept;
  left = (): Kept => ({ items: [], drafts: {}, clashes: {} });
  remember = (kept: Kept) => {
    this.kept = JSON.parse(JSON.stringify(kept));
    return true;
  };
  forget = () => {};
}

let books: Books;
let shelf: Memory;
let line: Line;
const open = async () => {
  const outbox = new Outbox(line, shelf, () => {});
  await outbox.load();
  return outbox;
};
const title = (to: string): Edit => ({ at: "title", to });
const back = async (outbox: Outbox) => {
  line.how = "up";
  await outbox.load();
  await outbox.flush();
};

beforeEach(() => {
  books = new Books();
  shelf = new Memory();
  line = new Line(books, "Ann");
});

describe("while the line is broken", () => {
  it("somebody else's change is told, not overwritten", async () => {
    const ann = await open();
    line.how = "down";
    ann.edit([title("Net loft")], "mm");
    await ann.flush();
    books.write("Ben", "b1", [title("Slipway")]);
    await back(ann);
    expect(books.at("title")).toBe("Slipway");
    expect(ann.state.clashes.title).toMatchObject({ mine: title("Net loft"), theirs: "Slipway" });
    expect(line.readAt).toBe(books.version);
    ann.accept("title", "mm");
    await ann.flush();
    expect(books.at("title")).toBe("Net loft");
  });

  it("all that waits is held against it, not only what goes first", async () => {
    const ann = await open();
    line.how = "down";
    ann.edit([{ at: "notes", to: "by Friday" }], "mm");
    ann.edit([title("Net loft")], "mm");
    await ann.flush();
    books.write("Ben", "b1", [title("Slipway")]);
    await back(ann);
    expect(books.at("notes")).toBe("by Friday");
    expect(books.at("title")).toBe("Slipway");
    expect(ann.state.clashes.title?.theirs).toBe("Slipway");
    expect(ann.state.items).toEqual([]);
  });

  it("one's own changes of one place follow one another", async () => {
    const ann = await open();
    line.how = "down";
    for (const to of ["N", "Net", "Net loft"]) ann.edit([title(to)], "mm");
    await ann.flush();
    books.write("Ben", "b1", [{ at: "notes", to: "by Friday" }]);
    await back(ann);
    expect(books.at("title")).toBe("Net loft");
    expect(ann.state.clashes).toEqual({});
  });

  it("a save whose answer was lost passes nobody over", async () => {
    const ann = await open();
    line.how = "no answers";
    ann.edit([{ at: "notes", to: "by Friday" }], "mm");
    ann.edit([title("Net loft")], "mm");
    await ann.flush();
    expect(books.at("notes")).toBe("by Friday");
    books.write("Ben", "b1", [title("Slipway")]);
    await back(ann);
    expect(books.past.filter((m) => m.by === "Ann")).toHaveLength(1);
    expect(books.at("title")).toBe("Slipway");
    expect(ann.state.clashes.title?.theirs).toBe("Slipway");
  });

  it("a newer header is not what was seen: the plan that is shown is", async () => {
    const ann = await open();
    ann.planned(0, 1);
    books.write("Ben", "b1", [title("Slipway")]);
    await ann.load();
    ann.edit([title("Net loft")], "mm");
    await ann.flush();
    expect(books.at("title")).toBe("Slipway");
    expect(ann.state.clashes.title?.theirs).toBe("Slipway");
  });

  it("one's own saves are seen, though the plan that is shown is older", async () => {
    const ann = await open();
    ann.planned(0, 1);
    books.write("Ben", "b1", [{ at: "owner", to: "rowing club" }]);
    ann.edit([title("Net")], "mm");
    await ann.flush();
    ann.planned(1, 2);
    for (const to of ["Net l", "Net loft"]) {
      ann.edit([title(to)], "mm");
      await ann.flush();
    }
    expect(books.at("title")).toBe("Net loft");
    expect(ann.state.clashes).toEqual({});
  });

  it("what is half typed clashes when it is accepted", async () => {
    const ann = await open();
    ann.type("title", "Net lo", title("Net lo"));
    books.write("Ben", "b1", [title("Slipway")]);
    await ann.load();
    ann.type("title", "Net loft", title("Net loft"));
    ann.accept("title", "mm");
    await ann.flush();
    expect(books.at("title")).toBe("Slipway");
    expect(ann.state.clashes.title).toMatchObject({ typed: "Net loft", theirs: "Slipway" });
  });

  it("a reload forgets nothing of that", async () => {
    const before = await open();
    line.how = "down";
    before.edit([title("Net loft")], "mm");
    await before.flush();
    books.write("Ben", "b1", [title("Slipway")]);
    line.how = "up";
    const ann = await open();
    await ann.flush();
    expect(books.at("title")).toBe("Slipway");
    expect(ann.state.clashes.title?.theirs).toBe("Slipway");
  });

  it("what waits for an answer waits through a reload", async () => {
    const before = await open();
    books.write("Ben", "b1", [title("Slipway")]);
    before.edit([title("Net loft")], "mm");
    await before.flush();
    const ann = await open();
    await ann.flush();
    expect(ann.state.clashes.title).toMatchObject({ mine: title("Net loft"), theirs: "Slipway" });
    ann.accept("title", "mm");
    await ann.flush();
    expect(books.at("title")).toBe("Net loft");
    expect(shelf.kept.clashes).toEqual({});
  });

  it("an answer given to one clash is no answer to the next", async () => {
    const ann = await open();
    books.write("Ben", "b1", [title("Slipway")]);
    ann.edit([title("Net loft")], "mm");
    await ann.flush();
    books.write("Ben", "b2", [title("Slipway at noon")]);
    await ann.load();
    ann.accept("title", "mm");
    await ann.flush();
    expect(books.at("title")).toBe("Slipway at noon");
    expect(ann.state.clashes.title?.theirs).toBe("Slipway at noon");
  });

  it("undo means what was seen", async () => {
    const ann = await open();
    ann.edit([title("Net loft")], "mm");
    await ann.flush();
    line.how = "down";
    ann.edit([{ at: "notes", to: "by Friday" }], "mm");
    ann.step("undo", "mm");
    await ann.flush();
    books.write("Ben", "b1", [{ at: "owner", to: "rowing club" }]);
    await back(ann);
    expect(books.at("notes")).toBe("by Friday");
    expect(books.at("undone")).toBeUndefined();
    expect(ann.state.trouble).toContain("Someone else");
  });
});

/** A small generator of its own, so that a run that fails can be run again. */
function dice(seed: number) {
  let x = seed * 2654435761 + 1;
  return (n: number) => {
    x = (Math.imul(x ^ (x >>> 15), 2246822519) + 3266489917) >>> 0;
    return (x >>> 8) % n;
  };
}

describe("two people at one job, whatever their lines do", () => {
  it.each(Array.from({ length: 60 }, (_, n) => n + 1))("run %i", async (seed) => {
    const roll = dice(seed);
    const places = ["title", "notes", "pieces/a/detail", "pieces/a/detail/width"];
    const people = await Promise.all(
      ["Ann", "Ben"].map(async (who) => {
        const wire = new Line(books, who);
        const outbox = new Outbox(wire, new Memory(), () => {});
        await outbox.load();
        return { wire, outbox };
      }),
    );
    /** By what was written, the newest version that whoever wrote it had been told of. */
    const knew = new Map<string, number>();
    let n = 0;
    for (let turn = 0; turn < 60; turn++) {
      const { wire, outbox } = people[roll(2)] as (typeof people)[0];
      const at = places[roll(places.length)] as string;
      n += 1;
      switch (roll(7)) {
        case 0:
          wire.how = (["up", "down", "no answers"] as const)[roll(3)] as Line["how"];
          break;
        case 1:
          if (!outbox.state.drafts[at]) knew.set(`${n}`, wire.told);
          else knew.set(`${n}`, knew.get(outbox.state.drafts[at]?.typed ?? "") ?? 0);
          outbox.type(at, `${n}`, { at, to: `${n}` });
          break;
        case 2:
          if (outbox.state.clashes[at] && !outbox.state.drafts[at]) {
            knew.set(outbox.state.clashes[at]?.typed ?? "", wire.told);
          }
          outbox.accept(at, "mm");
          break;
        case 3:
          await outbox.load();
          await outbox.flush();
          break;
        default:
          if (outbox.state.drafts[at] || outbox.state.clashes[at]) break;
          knew.set(`${n}`, wire.told);
          outbox.type(at, `${n}`, { at, to: `${n}` });
          outbox.accept(at, "mm");
      }
      await outbox.flush();
    }
    for (const { wire, outbox } of people) {
      wire.how = "up";
      await outbox.load();
      await outbox.flush();
      expect(outbox.state.items).toEqual([]);
    }
    expect(books.past.length).toBeGreaterThan(2);
    expect(new Set(books.past.map((m) => m.id)).size).toBe(books.past.length);
    for (const [i, made] of books.past.entries()) {
      for (const edit of made.edits) {
        const passedOver = books.past
          .slice(0, i)
          .filter((m) => m.by !== made.by && m.version > (knew.get(`${edit.to}`) ?? 0))
          .filter((m) => m.edits.some((e) => meets(e.at, edit.at)));
        expect(passedOver, `${made.by} wrote ${edit.at} over what was never told`).toEqual([]);
      }
    }
  });
});
