import { createStore } from "zustand/vanilla";
import {
  api,
  type BenchView,
  type Edit,
  got,
  newId,
  passes,
  Refused,
  type StepView,
  type System,
} from "../api/client";
import { OpenJob } from "../job/open";

export interface BenchState {
  view: BenchView | null;
  /** The server's clock less this device's, in ms: waits are told by the server's. */
  ahead: number;
  /** The step that is shown; empty: whatever comes next. */
  at: string;
  /** The step that came up last, and the version of the job at which it did. */
  up: { step: string; version: number };
  link: "ok" | "lost";
  trouble: string;
}

/** A job at the bench: its steps as the server tells them, with what is done here and not saved yet. */
export class BenchSession extends OpenJob {
  readonly store = createStore<BenchState>(() => ({
    view: null,
    ahead: 0,
    at: "",
    up: { step: "", version: 0 },
    link: "ok",
    trouble: "",
  }));
  system: System = "mm";
  private asked = false;
  private asking = false;
  private again: ReturnType<typeof setInterval> | undefined;

  override start() {
    super.start();
    // What another tablet does, and waits that pass, are looked for now and then.
    this.again = setInterval(() => this.ask(), 5000);
  }
  override stop() {
    super.stop();
    clearInterval(this.again);
  }
  inSystem(system: System) {
    if (this.system === system) return;
    this.system = system;
    this.ask();
  }
  show(at: string) {
    this.store.setState({ at });
    this.ask();
  }
  now(): Date {
    return new Date(Date.now() + this.store.getState().ahead);
  }
  ask() {
    this.asked = true;
    if (!this.asking) void this.run();
  }
  private async run() {
    this.asking = true;
    while (this.asked) {
      this.asked = false;
      const known = this.outbox.accepted;
      // What is still being typed is not asked about: half a reading would move what the others are held against.
      const edits = this.outbox.state.items.flatMap((item) => item.edits);
      const before = this.store.getState();
      try {
        const params = { path: { job_id: this.id } };
        const seen = before.view?.mark ?? "";
        const since = before.up.version || null;
        const body = { edits, system: this.system, step: before.at, seen, since };
        const sent = Date.now();
        const next = await got(api.POST("/api/jobs/{job_id}/bench", { params, body }));
        const view = { ...next, drawing: next.drawing ?? before.view?.drawing ?? "" };
        const ahead = Date.parse(next.now) - (sent + Date.now()) / 2;
        const up = before.up.step === next.drawn ? before.up : { step: next.drawn, version: next.version };
        this.store.setState({ view, ahead, up, link: "ok", trouble: "" });
        // At the bench the header's version counts as seen: where it is told that somebody else was at it too, work goes on.
        this.outbox.planned(known);
      } catch (e) {
        if (e instanceof Refused && !passes(e.problem.status)) await this.refused(e, edits);
        else {
          this.store.setState({ link: "lost" });
          this.later();
        }
      }
    }
    this.asking = false;
  }
  /** What is not taken goes back to its field when it is saved; what is left is asked for again. */
  private async refused(e: Refused, edits: Edit[]) {
    if (edits.length) {
      await this.outbox.flush();
      if (this.outbox.state.items.length) this.later();
      else this.asked = true;
    } else this.store.setState({ trouble: e.problem.errors?.[0]?.message ?? e.message });
  }

  type(at: string, typed: string, edit: Edit) {
    this.outbox.type(at, typed, edit);
  }
  edit(edits: Edit[], at = "") {
    if (edits.length) this.outbox.edit(edits, this.system, at);
  }
  /** What was typed at a check is meant: it is saved, with when its step began. */
  read(step: StepView, at: string, who: string, shown: Date) {
    const { drafts, errors } = this.outbox.state;
    const draft = drafts[at];
    if (draft && !errors[at]) this.edit([draft.edit, ...this.begin(step, who, shown)], at);
  }

  /** Edits that say when a step began, where nobody said so yet, and who is at it. */
  begin(step: StepView, who: string, shown: Date): Edit[] {
    if (step.began || this.outbox.state.echoes[`work/${step.id}/began`]) return [];
    const edits: Edit[] = [{ at: `work/${step.id}/began`, to: shown.toISOString() }];
    return who ? [...edits, { at: `work/${step.id}/who`, to: who }] : edits;
  }
  finish(step: StepView, who: string, shown: Date, more: Edit[] = []) {
    const began = this.begin(step, who, shown);
    const ended = { at: `work/${step.id}/ended`, to: this.now().toISOString() };
    const clear = (field: string, so: boolean): Edit[] =>
      so ? [{ at: `work/${step.id}/${field}`, to: null }] : [];
    this.store.setState({ at: "" });
    // Done once more, it is done by what the plan asks for now.
    this.edit([
      ...began,
      ended,
      ...clear("later", step.state === "later"),
      ...clear("used", Boolean(step.ended)),
      ...more,
    ]);
  }
  /** Take a photograph in; its number, or what went wrong. */
  async photograph(file: File): Promise<number | string> {
    const query = new URLSearchParams({ edit_id: newId(), name: file.name.slice(0, 120) });
    try {
      const answer = await fetch(`/api/jobs/${this.id}/photos?${query}`, { method: "POST", body: file });
      const body = (await answer.json()) as { id?: number; title?: string; errors?: { message: string }[] };
      if (answer.ok && body.id) return body.id;
      return body.errors?.[0]?.message ?? body.title ?? "It was not taken in.";
    } catch {
      return "It was not sent: no connection. Choose it again when it is back.";
    }
  }
}
