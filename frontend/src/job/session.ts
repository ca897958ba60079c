import {
  type AdviceView,
  api,
  type Compared,
  type Edit,
  type FindingView,
  got,
  type JobView,
  newId,
  type PlanView,
  type Problem,
  Refused,
  type System,
  Unreachable,
  type View,
} from "../api/client";
import { type Batch, type Draft, forget, recall, remember } from "./kept";

export interface Clash {
  theirs: unknown;
}

/** A photograph on the board, and the points picked on it as shares of its width and height. */
export interface PhotoMarks {
  id: number;
  purpose: "zone" | "colour";
  at: string;
  points: [number, number][];
}

export interface State {
  job: JobView | null;
  plan: PlanView | null;
  plannedAt: number;
  advice: FindingView[] | null;
  pending: Batch[];
  drafts: Record<string, Draft>;
  errors: Record<string, string>;
  clashes: Record<string, Clash>;
  link: "ok" | "lost";
  gone: boolean;
  trouble: string;
  view: View;
  open: string;
  lit: string;
  photo: PhotoMarks | null;
  said: string;
}

const RETRY_MS = 2000;
const REST_MS = 500;
const ADVICE_MS = 200;

/** One job open in this browser: what is typed, what waits to be saved, and the newest plan of it all. */
export class JobSession {
  private state: State;
  private listeners = new Set<() => void>();
  private asked = false;
  private asking = false;
  private hold = false;
  private saving = false;
  private timers: Record<string, ReturnType<typeof setTimeout>> = {};
  system: System = "mm";

  constructor(readonly id: number) {
    const kept = recall(id);
    this.state = {
      job: null,
      plan: null,
      plannedAt: 0,
      advice: null,
      pending: kept.pending,
      drafts: kept.drafts,
      errors: {},
      clashes: {},
      link: "ok",
      gone: false,
      trouble: "",
      view: "edge",
      open: "",
      lit: "",
      photo: null,
      said: "",
    };
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  get = () => this.state;

  private set(change: Partial<State>) {
    this.state = { ...this.state, ...change };
    if (change.pending || change.drafts) remember(this.id, this.state.pending, this.state.drafts);
    for (const listener of this.listeners) listener();
  }

  start() {
    window.addEventListener("online", this.retry);
    void this.load();
  }
  stop() {
    window.removeEventListener("online", this.retry);
    for (const timer of Object.values(this.timers)) clearTimeout(timer);
  }

  private later(name: string, ms: number, what: () => void) {
    clearTimeout(this.timers[name]);
    this.timers[name] = setTimeout(what, ms);
  }

  private retry = () => void this.load();

  private async load() {
    try {
      const job = await got(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: this.id } } }));
      this.set({ job, link: "ok" });
      await this.flush();
      this.ask(false);
    } catch (e) {
      if (e instanceof Refused && e.problem.status === 404) {
        forget(this.id);
        this.set({ gone: true });
      } else this.lost(e);
    }
  }

  private lost(e: unknown) {
    if (!(e instanceof Unreachable)) this.set({ trouble: (e as Error).message });
    this.set({ link: "lost" });
    this.later("retry", RETRY_MS, this.retry);
  }

  /** Show another view, or open the working of a line: the plan is asked for again with it. */
  look(change: Partial<Pick<State, "view" | "open">>) {
    this.set({ ...change, photo: null });
    this.ask(false);
  }
  /** Put a photograph on the board in place of the drawing, or take it off again. */
  photo(photo: PhotoMarks | null) {
    this.set({ photo });
  }
  /** Say in the strip what just happened, such as what a moved piece lines up with. */
  say(said: string) {
    this.set({ said });
  }
  trouble(trouble: string) {
    this.set({ trouble });
  }
  light(lit: string) {
    if (lit !== this.state.lit) this.set({ lit });
  }
  inSystem(system: System) {
    if (this.system === system && this.state.plan) return;
    this.system = system;
    if (this.state.job) this.ask(false);
  }

  /** Something is being typed: the drawing follows at held scale; scale and verdict change when typing rests. */
  type(at: string, typed: string, edit: Edit) {
    const { [at]: _, ...errors } = this.state.errors;
    this.set({ drafts: { ...this.state.drafts, [at]: { typed, edit } }, errors });
    this.ask(true);
    this.later("rest", REST_MS, () => this.ask(false));
  }
  /** What was typed at a place is dropped; what counted before stands again. */
  drop(at: string) {
    const { [at]: _, ...drafts } = this.state.drafts;
    const { [at]: __, ...errors } = this.state.errors;
    const { [at]: ___, ...clashes } = this.state.clashes;
    this.set({ drafts, errors, clashes });
    this.ask(false);
  }
  /** What was typed at a place is meant: save it. */
  accept(at: string) {
    const draft = this.state.drafts[at];
    if (draft) this.edit([draft.edit], at);
  }
  /** Make edits and save them. */
  edit(edits: Edit[], at = "") {
    const { [at]: _, ...drafts } = this.state.drafts;
    const { [at]: __, ...clashes } = this.state.clashes;
    const { [at]: ___, ...errors } = this.state.errors;
    const batch = { id: newId(), edits, typed: this.state.drafts[at]?.typed ?? "" };
    this.set({
      drafts,
      clashes,
      errors,
      pending: [...this.state.pending, batch],
      advice: null,
      trouble: "",
      said: "",
    });
    this.ask(false);
    void this.flush();
  }

  async step(which: "undo" | "redo") {
    await this.flush();
    const params = { path: { job_id: this.id } };
    const body = { edit_id: newId() };
    const call =
      which === "undo"
        ? api.POST("/api/jobs/{job_id}/undo", { params, body })
        : api.POST("/api/jobs/{job_id}/redo", { params, body });
    await this.newest(call);
  }
  async goBack(version: number) {
    await this.flush();
    const params = { path: { job_id: this.id, version } };
    await this.newest(
      api.POST("/api/jobs/{job_id}/revisions/{version}", { params, body: { edit_id: newId() } }),
    );
  }
  private async newest(call: Promise<{ data?: JobView; error?: unknown; response: Response }>) {
    try {
      this.set({ job: await got(call), advice: null });
      this.ask(false);
    } catch (e) {
      if (e instanceof Refused) this.set({ trouble: e.message });
      else this.lost(e);
    }
  }

  /** Edits that are not saved yet; what cannot be read stands aside, so that the rest is still planned. */
  unsaved(): Edit[] {
    const { pending, drafts, errors } = this.state;
    const readable = Object.entries(drafts).filter(([at]) => !errors[at]);
    return [...pending.flatMap((b) => b.edits), ...readable.map(([, draft]) => draft.edit)];
  }

  private ask(hold: boolean) {
    this.hold = hold;
    this.asked = true;
    if (!this.asking) void this.plan();
  }

  private async plan() {
    this.asking = true;
    while (this.asked) {
      this.asked = false;
      const { view, open, plan, drafts } = this.state;
      const hold = this.hold && plan?.board.view === view ? plan.board.fit : null;
      const body = { edits: this.unsaved(), system: this.system, view, hold, open };
      try {
        const params = { path: { job_id: this.id } };
        const next = await got(api.POST("/api/jobs/{job_id}/plan", { params, body }));
        this.set({ plan: next, plannedAt: Date.now(), link: "ok" });
        if (!this.hold) this.later("advice", ADVICE_MS, () => void this.advise());
      } catch (e) {
        if (e instanceof Refused) this.asked = this.blame(e.problem, drafts) || this.asked;
        else this.lost(e);
      }
    }
    this.asking = false;
  }

  /** Put a refusal at the field that it is about; true when that field was not known to be wrong before. */
  private blame(problem: Problem, sent = this.state.drafts): boolean {
    const wrong = problem.errors?.[0];
    const place = Object.keys(sent).find((at) => wrong?.at.startsWith(at));
    // More was typed there meanwhile: the refusal is about words that no longer stand.
    if (place && this.state.drafts[place]?.typed !== sent[place]?.typed) return true;
    const news = Boolean(place && !this.state.errors[place]);
    if (wrong && place) this.set({ errors: { ...this.state.errors, [place]: wrong.message } });
    else this.set({ trouble: wrong ? `${wrong.at}: ${wrong.message}` : problem.detail || problem.title });
    return news;
  }

  private async advise() {
    try {
      const params = { path: { job_id: this.id } };
      const body = { edits: this.unsaved(), system: this.system };
      const advice: AdviceView = await got(api.POST("/api/jobs/{job_id}/remedies", { params, body }));
      if (!this.asked) this.set({ advice: advice.findings });
    } catch {
      // The verdict stands without remedies until the next plan.
    }
  }

  /** Every display that suits the piece, with what is typed and not saved yet; null when it cannot be asked now. */
  async compare(): Promise<Compared[] | null> {
    try {
      const params = { path: { job_id: this.id } };
      const body = { edits: this.unsaved(), system: this.system };
      return await got(api.POST("/api/jobs/{job_id}/compare", { params, body }));
    } catch {
      return null;
    }
  }

  /** Save what waits to be saved. */
  async flush(): Promise<void> {
    if (this.saving || !this.state.job) return;
    this.saving = true;
    let refreshed = false;
    while (this.state.pending[0] && this.state.job) {
      const batch: Batch = this.state.pending[0];
      try {
        const params = { path: { job_id: this.id } };
        const body = {
          version: this.state.job.version,
          edit_id: batch.id,
          edits: batch.edits,
          system: this.system,
        };
        const job: JobView = await got(api.POST("/api/jobs/{job_id}/edits", { params, body }));
        this.set({ job, pending: this.state.pending.slice(1), link: "ok" });
      } catch (e) {
        if (!(e instanceof Refused)) {
          this.lost(e);
          break;
        }
        if (e.problem.status === 412) await this.rebase(batch, e.problem);
        else this.giveBack(batch, e.problem);
        refreshed = true;
      }
    }
    this.saving = false;
    if (refreshed) this.ask(false);
  }

  /** Someone else saved first. Disjoint edits go on top of theirs; where both clash, both are shown. */
  private async rebase(batch: Batch, problem: Problem) {
    const clashing = new Set(problem.clashing);
    const job = this.state.job;
    if (job) this.set({ job: { ...job, version: problem.version ?? job.version } });
    if (clashing.size === 0) return;
    const clashes = { ...this.state.clashes };
    const drafts = { ...this.state.drafts };
    for (const edit of batch.edits.filter((e) => clashing.has(e.at))) {
      clashes[edit.at] = { theirs: problem.since?.findLast((s) => s.at === edit.at)?.to };
      drafts[edit.at] = { typed: batch.typed, edit };
    }
    const rest = batch.edits.filter((e) => !clashing.has(e.at));
    const others = this.state.pending.slice(1);
    this.set({
      clashes,
      drafts,
      pending: rest.length ? [{ ...batch, id: newId(), edits: rest }, ...others] : others,
    });
  }

  /** The server will not have it: it stands in its field again, with the reason. */
  private giveBack(batch: Batch, problem: Problem) {
    const drafts = { ...this.state.drafts };
    const first = batch.edits[0];
    if (first && batch.edits.length === 1) drafts[first.at] = { typed: batch.typed, edit: first };
    this.set({ drafts, pending: this.state.pending.slice(1) });
    this.blame(problem);
  }
}
