import { api, type Edit, got, type JobView, type System } from "../api/client";
import { Outbox, type Wire } from "./outbox";
import { type Item, shelfOf } from "./shelf";
import { FRESH_MS, heldTabs, tabName } from "./tabs";

const RETRY_MS = 2000;

/** One job open in this browser: what waits to be saved, kept through reloads and tried again when it fails. */
export abstract class OpenJob {
  readonly outbox: Outbox;
  private adopting: ReturnType<typeof setTimeout> | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private others: BroadcastChannel | null = null;

  constructor(readonly id: number) {
    this.outbox = new Outbox(
      wireOf(id),
      shelfOf(id, tabName(), heldTabs),
      () => this.ask(),
      (version) => this.others?.postMessage(version),
      this.later,
    );
  }

  /** Something changed that the server's answer should know of. */
  protected abstract ask(): void;

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
    this.others?.close();
  }
  protected later = () => {
    clearTimeout(this.timer);
    this.timer = setTimeout(this.retry, RETRY_MS);
  };
  protected retry = async () => {
    await this.outbox.load();
    if (this.outbox.state.gone) return;
    this.ask();
    await this.outbox.flush();
  };
  unsaved(): Edit[] {
    return this.outbox.unsaved();
  }
}

function wireOf(id: number): Wire {
  const params = { path: { job_id: id } };
  return {
    read: (): Promise<JobView> => got(api.GET("/api/jobs/{job_id}", { params })),
    save: (item, version) => {
      const body = { version, edit_id: item.id, edits: item.edits, system: item.system as System };
      return got(api.POST("/api/jobs/{job_id}/edits", { params, body }));
    },
    step: (item: Item, version) => {
      const body = { edit_id: item.id, version };
      if (item.kind === "undo") return got(api.POST("/api/jobs/{job_id}/undo", { params, body }));
      if (item.kind === "redo") return got(api.POST("/api/jobs/{job_id}/redo", { params, body }));
      const path = { job_id: id, version: item.to ?? 1 };
      return got(api.POST("/api/jobs/{job_id}/revisions/{version}", { params: { path }, body }));
    },
  };
}
