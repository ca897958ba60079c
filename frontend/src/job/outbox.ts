import { createStore } from "zustand/vanilla";
import type { Edit, JobView, Problem, System } from "../api/client";
import { newId, passes, Refused } from "../api/client";
import type { Clash, Draft, Item, Shelf } from "./shelf";

/** What was accepted at a place, shown there until a plan that knows of it has come. */
export interface Echo {
  typed: string;
  edit: Edit;
  n: number;
}
/** A change that the server refused whole: kept aside with its reason. */
export interface Aside {
  item: Item;
  why: string;
}

export interface OutboxState {
  job: JobView | null;
  items: Item[];
  drafts: Record<string, Draft>;
  errors: Record<string, string>;
  clashes: Record<string, Clash>;
  echoes: Record<string, Echo>;
  asides: Aside[];
  link: "ok" | "lost" | "failing";
  kept: boolean;
  trouble: string;
  gone: boolean;
}

/** The calls to the server that a queue of changes needs. */
export interface Wire {
  read(): Promise<JobView>;
  save(item: Item, version: number): Promise<JobView>;
  step(item: Item, version: number): Promise<JobView>;
}

const without = <T>(record: Record<string, T>, at: string) => {
  const { [at]: _, ...rest } = record;
  return rest;
};

/** What waits to be saved, in its order: typing, picking, undo and going back are all items of one queue. */
export class Outbox {
  readonly store;
  private count = 0;
  /** The version whose plan is shown: what is put in now is put in by somebody who sees that one. */
  private shown = 0;
  /** What was saved here: on which version, and the one that it made. */
  private readonly own = new Map<number, number>();
  private flushing: Promise<void> | null = null;

  constructor(
    private wire: Wire,
    private shelf: Shelf,
    /** Called when anything changed that a plan should know of. */
    private changed: () => void,
    /** Called after something was saved here. */
    private saved: (version: number) => void = () => {},
    /** Called when something is to be tried again later. */
    private later: () => void = () => {},
  ) {
    const kept = shelf.recall();
    this.store = createStore<OutboxState>(() => ({
      job: null,
      items: kept.items,
      drafts: kept.drafts,
      errors: {},
      clashes: kept.clashes,
      echoes: {},
      asides: [],
      link: "ok",
      kept: true,
      trouble: "",
      gone: false,
    }));
    for (const item of kept.items) this.echo(item);
  }

  /** Take over what closed tabs left unsaved. */
  adopt() {
    const { items, drafts, clashes } = this.shelf.left();
    if (!items.length && !Object.keys({ ...drafts, ...clashes }).length) return;
    this.set({
      items: [...this.state.items, ...items],
      drafts: { ...drafts, ...this.state.drafts },
      clashes: { ...clashes, ...this.state.clashes },
    });
    for (const item of items) this.echo(item);
    this.changed();
    void this.flush();
  }

  get state(): OutboxState {
    return this.store.getState();
  }
  private set(change: Partial<OutboxState>) {
    this.store.setState(change);
    if (change.items || change.drafts || change.clashes) {
      const { items, drafts, clashes } = this.state;
      this.store.setState({ kept: this.shelf.remember({ items, drafts, clashes }) });
    }
  }
  private echo(item: Item) {
    this.count += 1;
    const echoes = { ...this.state.echoes };
    for (const edit of item.edits) echoes[edit.at] = { typed: item.typed, edit, n: this.count };
    this.store.setState({ echoes });
  }
  /** How many changes were accepted so far: a plan that is asked for now knows of all of them. */
  get accepted() {
    return this.count;
  }
  /** A plan has come that knows of so many changes: the fields show it from now on. */
  planned(n: number, version = 0) {
    this.shown = Math.max(this.shown, version);
    const echoes = Object.fromEntries(Object.entries(this.state.echoes).filter(([, e]) => e.n > n));
    if (Object.keys(echoes).length !== Object.keys(this.state.echoes).length) this.set({ echoes });
  }

  /** The version that something new is made on: what it comes from has one already, or what is shown and our own. */
  private base(from?: { base?: number }): { base?: number } {
    let base = from?.base ?? (this.shown || this.state.job?.version);
    for (let next = base && this.own.get(base); next; next = this.own.get(next)) base = next;
    return base ? { base } : {};
  }

  /** Something is being typed at a place. */
  type(at: string, typed: string, edit: Edit, also: Edit[] = []) {
    const base = this.base(this.state.drafts[at]);
    const draft: Draft = { typed, edit, ...(also.length ? { also } : {}), ...base };
    this.set({
      drafts: { ...this.state.drafts, [at]: draft },
      errors: without(this.state.errors, at),
    });
    this.changed();
  }
  /** What was typed at a place is dropped; what counted before stands again. */
  drop(at: string) {
    this.set({
      drafts: without(this.state.drafts, at),
      errors: without(this.state.errors, at),
      clashes: without(this.state.clashes, at),
    });
    this.changed();
  }
  /** What was typed at a place is meant: save it. */
  accept(at: string, system: System) {
    const clash = this.state.clashes[at];
    const draft: Draft | undefined =
      this.state.drafts[at] ?? (clash && { typed: clash.typed, edit: clash.mine });
    if (draft) this.edit([draft.edit, ...(draft.also ?? [])], system, at);
  }
  /** Make edits and save them. */
  edit(edits: Edit[], system: System, at = "") {
    const from = this.state.drafts[at] ?? this.state.clashes[at];
    this.put({ id: newId(), kind: "edits", edits, typed: from?.typed ?? "", system, ...this.base(from) }, at);
  }
  /** Take the last change back, bring it again, or go back: after all that was done before. */
  step(kind: "undo" | "redo" | "back", system: System, to?: number) {
    const item: Item = { id: newId(), kind, edits: [], typed: "", system, ...this.base() };
    this.put(to === undefined ? item : { ...item, to });
  }
  private put(item: Item, at = "") {
    this.set({
      items: [...this.state.items, item],
      drafts: without(this.state.drafts, at),
      errors: without(this.state.errors, at),
      clashes: without(this.state.clashes, at),
      trouble: "",
    });
    this.echo(item);
    this.changed();
    void this.flush();
  }
  /** A change that was refused as a whole: tried again, or let go. */
  again(id: string) {
    const aside = this.state.asides.find((a) => a.item.id === id);
    this.letGo(id);
    if (aside) this.put({ ...aside.item, id: newId() });
  }
  letGo(id: string) {
    this.set({ asides: this.state.asides.filter((a) => a.item.id !== id) });
  }

  /** Edits that are not saved yet; what cannot be read stands aside, so that the rest is still planned. */
  unsaved(): Edit[] {
    const { items, drafts, errors } = this.state;
    const typed = Object.entries(drafts).filter(([at]) => !errors[at]);
    return [
      ...items.flatMap((i) => i.edits),
      ...typed.flatMap(([, draft]) => [draft.edit, ...(draft.also ?? [])]),
    ];
  }

  /** Set a draft aside at its field with the reason; false when more was typed there meanwhile, or nothing. */
  refuse(at: string, typed: string, why: string): boolean {
    if (this.state.drafts[at]?.typed !== typed) return false;
    this.set({ errors: { ...this.state.errors, [at]: why } });
    return true;
  }

  /** Read the job's header anew. */
  async load(): Promise<void> {
    try {
      const job = await this.wire.read();
      this.set({ job: atLeast(job, this.state.job?.version ?? 0), link: "ok" });
    } catch (e) {
      if (e instanceof Refused && e.problem.status === 404) {
        this.shelf.forget();
        this.set({ gone: true, items: [], drafts: {}, clashes: {} });
      } else this.lost(e);
    }
  }
  private lost(e: unknown) {
    const failing = e instanceof Refused;
    this.set({ link: failing ? "failing" : "lost" });
    this.later();
  }

  /** Save what waits, one after the other. */
  flush(): Promise<void> {
    this.flushing ??= this.run().finally(() => {
      this.flushing = null;
    });
    return this.flushing;
  }
  private async run() {
    while (this.state.items[0] && this.state.job) {
      const item: Item = this.state.items[0];
      const base = item.base ?? this.state.job.version;
      try {
        const call = item.kind === "edits" ? this.wire.save : this.wire.step;
        const job = await call(item, base);
        this.set({ job: atLeast(job, this.state.job.version), items: this.state.items.slice(1), link: "ok" });
        this.own.set(base, job.version);
        this.rebase(base, job.version);
        this.saved(job.version);
        if (item.kind !== "edits") this.changed();
      } catch (e) {
        // A save that fails is "not saved yet", whatever the server stumbled over.
        if (!(e instanceof Refused) || e.problem.status >= 500 || passes(e.problem.status)) {
          this.lost(e);
          return;
        }
        if (e.problem.status === 412) await this.stale(item, base, e.problem);
        else this.giveBack(item, e.problem);
        this.changed();
      }
    }
  }

  /** What was made on one version is now made on a later one, if it meets nothing that others changed since. */
  private rebase(from: number, to: number, since?: Edit[]) {
    const moved = <T extends { base?: number }>(x: T, edits: Edit[]): T =>
      x.base === from && !edits.some((e) => met(e, since ?? [])) ? { ...x, base: to } : x;
    const each = <T extends { base?: number }>(record: Record<string, T>, edits: (x: T) => Edit[]) =>
      Object.fromEntries(Object.entries(record).map(([at, x]) => [at, moved(x, edits(x))]));
    // Undo, redo and going back mean the state that was seen: somebody else's change is never passed over.
    const mine = (i: Item) => (since && i.kind !== "edits" ? i : moved(i, i.edits));
    this.set({
      items: this.state.items.map(mine),
      drafts: each(this.state.drafts, (d) => [d.edit, ...(d.also ?? [])]),
      clashes: each(this.state.clashes, (c) => [c.mine]),
      asides: this.state.asides.map((a) => ({ ...a, item: mine(a.item) })),
    });
  }

  /** Someone else saved first: disjoint edits go on top of theirs, clashing ones wait for an answer. */
  private async stale(item: Item, base: number, problem: Problem) {
    if (item.kind !== "edits") {
      this.set({
        items: this.state.items.slice(1),
        trouble: `Someone else has changed this job meanwhile; look, then ${item.kind} again.`,
      });
      await this.load();
      return;
    }
    const version = problem.version ?? base;
    const since = problem.since ?? [];
    const job = this.state.job;
    if (job) this.set({ job: atLeast(job, version) });
    const clashing = (e: Edit, of: Item) =>
      met(e, since) || (of === item && problem.clashing?.includes(e.at));
    const clashes = { ...this.state.clashes };
    const echoes = { ...this.state.echoes };
    const items: Item[] = [];
    // All that waits and was made on the same version is held against theirs, not only what was sent.
    for (const i of this.state.items) {
      if (i !== item && (i.base !== base || i.kind !== "edits")) {
        items.push(i);
        continue;
      }
      const rest = i.edits.filter((e) => !clashing(e, i));
      for (const edit of i.edits.filter((e) => clashing(e, i))) {
        const other = since.findLast((s) => meets(s.at, edit.at));
        clashes[edit.at] = { mine: edit, typed: i.typed, theirs: other?.to, base: version };
        delete echoes[edit.at];
      }
      if (rest.length === i.edits.length) items.push({ ...i, base: version });
      else if (rest.length) items.push({ ...i, id: newId(), edits: rest, base: version });
    }
    this.set({ clashes, echoes, items });
    this.rebase(base, version, since);
    if (items[0]?.base !== version) await this.load(); // nothing goes out that would bring the new header
  }

  /** The server will not have it: it stands in its field again, or aside as a whole, with the reason. */
  private giveBack(item: Item, problem: Problem) {
    const wrong = problem.errors?.[0];
    const why = wrong ? wrong.message : problem.detail || problem.title;
    const first = item.edits[0];
    const echoes = { ...this.state.echoes };
    for (const edit of item.edits) delete echoes[edit.at];
    const items = this.state.items.slice(1);
    if (first && (item.edits.length === 1 || item.typed)) {
      const also = item.edits.slice(1);
      const typed = item.typed || String(first.to ?? "");
      this.set({
        items,
        echoes,
        drafts: {
          ...this.state.drafts,
          [first.at]: {
            typed,
            edit: first,
            ...(also.length ? { also } : {}),
            ...(item.base ? { base: item.base } : {}),
          },
        },
        errors: { ...this.state.errors, [first.at]: why },
      });
    } else if (first) {
      this.set({ items, echoes, asides: [...this.state.asides, { item, why }] });
    } else this.set({ items, echoes, trouble: why });
  }
}

const meets = (a: string, b: string) => a === b || a.startsWith(`${b}/`) || b.startsWith(`${a}/`);
const met = (edit: Edit, since: Edit[]) => since.some((s) => meets(s.at, edit.at));
/** A header, never of an earlier version than one that is known. */
const atLeast = (job: JobView, version: number): JobView => ({
  ...job,
  version: Math.max(job.version, version),
});
