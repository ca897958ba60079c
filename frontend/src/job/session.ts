import { api, type Compared, type Edit, got, type System, type View, words } from "../api/client";
import { createLook, type Look, type PhotoMarks } from "./look";
import { OpenJob } from "./open";
import { Planner, type PlanWire } from "./planner";

export type { PhotoMarks } from "./look";

/** How often it is looked for what is done at another machine, such as at the bench. */
const AROUND_MS = 5000;

/** A job on its own page: besides what waits to be saved, the newest plan of it all, and what is looked at. */
export class JobSession extends OpenJob {
  readonly planner: Planner;
  readonly look_ = createLook();
  private around: ReturnType<typeof setInterval> | undefined;

  constructor(id: number) {
    super(id);
    this.planner = new Planner(planWireOf(id), this.outbox, this.look_, this.later);
  }
  protected ask() {
    this.planner.ask(false);
  }
  override start() {
    super.start();
    this.around = setInterval(() => void this.lookAround(), AROUND_MS);
  }
  override stop() {
    super.stop();
    clearInterval(this.around);
    this.planner.stop();
  }
  /** Nothing is asked while somebody types here, or where nobody looks. */
  private async lookAround() {
    const { job, drafts, items, link } = this.outbox.state;
    const busy = Object.keys(drafts).length > 0 || items.length > 0;
    if (!job || busy || link !== "ok" || document.visibilityState !== "visible") return;
    await this.outbox.load();
    if ((this.outbox.state.job?.version ?? 0) > job.version) this.ask();
  }

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
