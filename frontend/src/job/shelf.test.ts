import { beforeEach, describe, expect, it, vi } from "vitest";
import { same, wordsOf } from "./FieldNote";
import { type Item, shelfOf } from "./shelf";

const item: Item = { id: "a", kind: "edits", edits: [{ at: "title", to: "x" }], typed: "x", system: "in" };

function storage(limit = Number.POSITIVE_INFINITY) {
  const kept: Record<string, string> = {};
  return new Proxy(kept, {
    get: (_, name: string) =>
      ({
        getItem: (k: string) => kept[k] ?? null,
        setItem: (k: string, v: string) => {
          if (v.length > limit) throw new DOMException("full", "QuotaExceededError");
          kept[k] = v;
        },
        removeItem: (k: string) => {
          delete kept[k];
        },
      })[name] ?? kept[name],
  }) as unknown as Storage;
}

beforeEach(() => {
  vi.stubGlobal("localStorage", storage());
});

describe("what the browser keeps", () => {
  it("is read back as it was, with the system that it was typed in", () => {
    const shelf = shelfOf(101, "tab");
    expect(shelf.remember({ items: [item], drafts: {}, clashes: {} })).toBe(true);
    expect(shelfOf(101, "tab").recall().items).toEqual([item]);
    expect(shelfOf(102, "tab").recall().items).toEqual([]);
  });

  it("belongs to its tab as long as that is open", () => {
    shelfOf(101, "one").remember({ items: [item], drafts: {}, clashes: {} });
    expect(shelfOf(101, "two", () => ["one"]).left().items).toEqual([]);
    expect(shelfOf(101, "two").left().items).toEqual([item]);
    expect(shelfOf(101, "two").left().items).toEqual([]);
  });

  it("takes what an older page kept", () => {
    const pending = [{ id: "b", edits: [{ at: "title", to: "y" }], typed: "y" }];
    localStorage.setItem("shadbo.job.101", JSON.stringify({ pending, drafts: {} }));
    expect(shelfOf(101, "tab").left().items[0]).toMatchObject({ kind: "edits", typed: "y" });
  });

  it("says when there is no room, and when nothing may be kept at all", () => {
    vi.stubGlobal("localStorage", storage(10));
    expect(shelfOf(101, "tab").remember({ items: [item], drafts: {}, clashes: {} })).toBe(false);
    vi.stubGlobal("localStorage", undefined);
    const shelf = shelfOf(101, "tab");
    expect(shelf.remember({ items: [item], drafts: {}, clashes: {} })).toBe(false);
    expect(shelf.recall().items).toEqual([]);
    expect(shelf.left().items).toEqual([]);
  });

  it("reads nothing from what is damaged", () => {
    localStorage.setItem("shadbo.job.101.tab", "{half");
    expect(shelfOf(101, "tab").recall()).toEqual({ items: [], drafts: {}, clashes: {} });
  });
});

describe("answers in words", () => {
  const q = { choices: [{ to: { id: "a", n: 1 }, label: "oak" }], value: null } as never;
  it("finds a choice whatever the order of its fields", () => {
    expect(same({ id: "a", n: 1 }, { n: 1, id: "a" })).toBe(true);
    expect(same({ id: "a" }, { id: "a", n: 1 })).toBe(false);
    expect(wordsOf(q, { n: 1, id: "a" }, () => "")).toBe("oak");
    expect(wordsOf(q, null, () => "")).toBe("nothing");
    expect(wordsOf(q, { mm: 6, typed: "6" }, () => "")).toBe("6");
    expect(wordsOf(q, "flush", () => "")).toBe("flush");
  });
});
