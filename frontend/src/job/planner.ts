import { createStore } from "zustand/vanilla";
import type { Edit, FindingView, PlanView, Problem, System } from "../api/client";
import { passes, Refused } from "../api/client";
import type { ViewStore } from "./look";
import type { Outbox } from "./outbox";

export interface PlannerState {
  plan: PlanView | null;
  plannedAt: number;
  advice: FindingView[] | null;
  /** What keeps the newest state from being planned; the drawing is the last that could be made. */
  trouble: string;
  link: "ok" | "lost";
  /** Labels of the fields that were seen, and the station that asks them. */
  places: Record<string, { label: string; station: string }>;
}

export interface Asked {
  edits: Edit[];
  system: System;
  hold: PlanView["board"]["fit"] | null;
  seen: string[];
}
/** The calls to the server that planning needs. */
export interface PlanWire {
  plan(asked: Asked, look: ReturnType<ViewStore["getState"]>): Promise<PlanView>;
  advise(edits: Edit[], system: System): Promise<FindingView[]>;
}

const REST_MS = 500;
const ADVICE_MS = 200;

/** The newest plan of what is saved, what waits and what is being typed. */
export class Planner {
  readonly store = createStore<PlannerState>(() => ({
    plan: null,
    plannedAt: 0,
    advice: null,
    trouble: "",
    link: "ok",
    places: {},
  }));
  private asked = false;
  private asking = false;
  private held = false;
  private opened = false;
  private timers: Record<string, ReturnType<typeof setTimeout>> = {};
  system: System = "mm";

  constructor(
    private wire: PlanWire,
    private outbox: Outbox,
    private look: ViewStore,
    private later: () => void = () => {},
  ) {}

  get state() {
    return this.store.getState();
  }
  stop() {
    for (const timer of Object.values(this.timers)) clearTimeout(timer);
  }
  private after(name: string, ms: number, what: () => void) {
    clearTimeout(this.timers[name]);
    this.timers[name] = setTimeout(what, ms);
  }

  /** While typing the drawing follows at held scale; scale and verdict change when typing rests. */
  follow() {
    this.ask(true);
    this.after("rest", REST_MS, () => this.ask(false));
  }
  ask(hold: boolean) {
    this.held = hold;
    this.asked = true;
    if (!this.asking) void this.run();
  }
  /** What changes the job makes the old advice void. */
  dropAdvice() {
    if (this.state.advice) this.store.setState({ advice: null });
  }

  private async run() {
    this.asking = true;
    while (this.asked) {
      this.asked = false;
      // Opening always shows the saved job first, whatever was left in this browser.
      const edits = this.opened ? this.outbox.unsaved() : [];
      const known = this.opened ? this.outbox.accepted : 0;
      const sent = { ...this.outbox.state.drafts };
      try {
        this.took(await this.plan(edits), known);
        if (!this.opened) {
          this.opened = true;
          this.asked ||= this.outbox.unsaved().length > 0;
        }
        this.store.setState({ trouble: "" });
        if (!this.held) this.after("advice", ADVICE_MS, () => void this.advise());
      } catch (e) {
        if (e instanceof Refused && !passes(e.problem.status)) await this.refused(e.problem, sent, edits);
        else this.lost();
      }
    }
    this.asking = false;
  }
  private plan(edits: Edit[]): Promise<PlanView> {
    const look = this.look.getState();
    const before = this.state.plan;
    const hold = this.held && before?.board.view === look.view ? before.board.fit : null;
    const seen = before ? [before.board.mark, before.ladder.mark] : [];
    return this.wire.plan({ edits, system: this.system, hold, seen }, look);
  }
  private took(next: PlanView, known: number) {
    const before = this.state.plan;
    const plan = {
      ...next,
      board: { ...next.board, svg: next.board.svg ?? before?.board.svg ?? "" },
      ladder: { ...next.ladder, svg: next.ladder.svg ?? before?.ladder.svg ?? "" },
    };
    const places = { ...this.state.places };
    for (const station of next.stations) {
      for (const q of station.questions) if (q.at) places[q.at] = { label: q.label, station: station.name };
    }
    this.store.setState({ plan, plannedAt: Date.now(), link: "ok", places });
    this.outbox.planned(known, next.version);
  }
  private lost() {
    this.store.setState({ link: "lost" });
    this.later();
  }

  /** Put a refusal at the field that it is about; where it is about none, find the draft that it comes from. */
  private async refused(problem: Problem, sent: Record<string, { typed: string }>, edits: Edit[]) {
    const wrong = problem.errors?.[0];
    const why = wrong ? wrong.message : problem.detail || problem.title;
    const place = Object.keys(sent).find((at) => wrong && (wrong.at === at || wrong.at.startsWith(`${at}/`)));
    if (place) {
      this.outbox.refuse(place, sent[place]?.typed ?? "", why);
      this.asked = true;
      return;
    }
    const last = Object.keys(sent)
      .filter((at) => edits.some((e) => e.at === at))
      .at(-1);
    if (last && this.outbox.refuse(last, sent[last]?.typed ?? "", why)) {
      this.asked = true;
      return;
    }
    this.store.setState({ trouble: wrong ? `${wrong.at}: ${wrong.message}` : why });
    if (edits.length === 0 || this.state.plan) return;
    try {
      this.took(await this.plan([]), 0);
    } catch {
      // The saved job cannot be planned either: the page says so, and history and undo are still there.
    }
  }

  private async advise() {
    try {
      const advice = await this.wire.advise(this.outbox.unsaved(), this.system);
      if (!this.asked) this.store.setState({ advice });
    } catch {
      // The verdict stands without remedies until the next plan.
    }
  }
}
