import { api, type Compared, type Edit, got, type System, type View, words } from "../api/client";
import { createLook, type Look, type PhotoMarks } from "./look";
import { Outbox, type Wire } from "./outbox";
import { Planner, type PlanWire } from "./planner";
import { type Item, shelfOf } from "./shelf";
import { FRESH_MS, heldTabs, tabName } from "./tabs";

export type { PhotoMarks } from "./look";

const RETRY_MS = 2000;

/** One job open in this browser: what waits to be saved, the newest plan of it all, and what is looked at. */
export class JobSession {
  readonly outbox: Outbox;
  readonly planner: Planner;
  readonly look_ = createLook();
  private adopting: ReturnType<typeof setTimeout> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private others: BroadcastChannel | null = null;

  constructor(readonly id: number) {
    this.outbox = new Outbox(
      wireOf(id),
      shelfOf(id, tabName(), heldTabs),
      () => this.planner.ask(false),
      (version) => this.others?.postMessage(version),
      this.later,
    );
    this.planner = new Planner(planWireOf(id), this.outbox, this.look_, this.later);
  }

  start() {
    window.addEventListener("online", this.retry);
    if ("BroadcastChannel" in window) {
      this.others = new BroadcastChannel(`shadbo.job.${this.id}`);
      this.others.onmessage = (e: MessageEvent<number>) => {
        if (e.data > (this.outbox.state.job?.version ?? 0)) void this.retry();
      };
    }
    void this.retry().then(() => this.outbox.adopt());
    this.adopting = setTimeout(() => this.outbox.adopt(), FRESH_MS + 1000);
  }
  stop() {
    clearTimeout(this.adopting);
    window.removeEventListener("online", this.retry);
    clearTimeout(this.timer);
    this.planner.stop();
    this.others?.close();
  }
  private later = () => {
    clearTimeout(this.timer);
    this.timer = setTimeout(this.retry, RETRY_MS);
  };
  private retry = async () => {
    await this.outbox.load();
    if (this.outbox.state.gone) return;
    this.planner.ask(false);
    await this.outbox.flush();
  };

  get system() {
    return this.planner.system;
  }
  inSystem(system: System) {
    if (this.planner.system === system && this.planner.state.plan) return;
    this.planner.system = system;
    if (this.outbox.state.job) this.planner.ask(false);
  }

  /** Show another view or station, or open the working of a line: the plan is asked for again with it. */
  look(change: Partial<Pick<Look, "open" | "station" | "turn">> & { view?: View }) {
    this.look_.setState({ ...change, photo: null });
    if (this.planner.state.plan) this.planner.ask(false);
  }
  /** Put a photograph on the board in place of the drawing, or take it off again. */
  photo(photo: PhotoMarks | null) {
    this.look_.setState({ photo });
  }
  /** Say in the strip what just happened, such as what a moved piece lines up with. */
  say(said: string) {
    this.look_.setState({ said });
  }
  light(lit: string) {
    if (lit !== this.look_.getState().lit) this.look_.setState({ lit });
  }
  trouble(trouble: string) {
    this.outbox.store.setState({ trouble });
  }

  type(at: string, typed: string, edit: Edit, also: Edit[] = []) {
    this.outbox.type(at, typed, edit, also);
    this.planner.follow();
  }
  drop(at: string) {
    this.outbox.drop(at);
  }
  accept(at: string) {
    this.outbox.accept(at, this.system);
  }
  edit(edits: Edit[], at = "") {
    this.planner.dropAdvice();
    this.look_.setState({ said: "" });
    this.outbox.edit(edits, this.system, at);
  }
  step(which: "undo" | "redo") {
    const { taken } = this.look_.getState();
    this.look_.setState({ taken: null });
    if (which === "undo" && taken?.after === this.outbox.accepted) {
      void this.bringBack(taken.id);
      return;
    }
    this.planner.dropAdvice();
    this.outbox.step(which, this.system);
  }
  /** A photograph was taken away: until something else is changed, undo means it. */
  tookAway(id: number) {
    this.look_.setState({ taken: { id, after: this.outbox.accepted } });
  }
  async bringBack(id: number) {
    try {
      const params = { path: { job_id: this.id, photo_id: id } };
      await got(api.POST("/api/jobs/{job_id}/photos-aside/{photo_id}", { params }));
    } catch (e) {
      this.trouble(words(e));
    }
    this.look_.setState(({ photos, taken }) => ({
      photos: photos + 1,
      taken: taken?.id === id ? null : taken,
    }));
  }
  goBack(version: number) {
    this.planner.dropAdvice();
    this.outbox.step("back", this.system, version);
  }
  unsaved(): Edit[] {
    return this.outbox.unsaved();
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
}

function wireOf(id: number): Wire {
  const params = { path: { job_id: id } };
  return {
    read: () => got(api.GET("/api/jobs/{job_id}", { params })),
    save: (item, version) => {
      const body = { version, edit_id: item.id, edits: item.edits, system: item.system };
      return got(api.POST("/api/jobs/{job_id}/edits", { params, body }));
    },
    step: (item: Item, version) => {
      const body = { edit_id: item.id, version };
      if (item.kind === "undo") return got(api.POST("/api/jobs/{job_id}/undo", { params, body }));
      if (item.kind === "redo") return got(api.POST("/api/jobs/{job_id}/redo", { params, body }));
      const path = { job_id: id, version: item.to ?? 1 };
      const back = { edit_id: item.id };
      return got(api.POST("/api/jobs/{job_id}/revisions/{version}", { params: { path }, body: back }));
    },
  };
}

function planWireOf(id: number): PlanWire {
  const params = { path: { job_id: id } };
  return {
    plan: (asked, look) => {
      const body = { ...asked, view: look.view, turn: look.turn, open: look.open, station: look.station };
      return got(api.POST("/api/jobs/{job_id}/plan", { params, body }));
    },
    advise: async (edits, system) => {
      const body = { edits, system };
      return (await got(api.POST("/api/jobs/{job_id}/remedies", { params, body }))).findings;
    },
  };
}
