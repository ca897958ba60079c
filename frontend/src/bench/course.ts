import type { BenchView, CheckView, StepView } from "../api/client";
import type { OutboxState } from "../job/outbox";
import { longDay, timeOf } from "../ui/dates";

type Waiting = Pick<OutboxState, "echoes" | "drafts">;

/** What the forward key does now: read, answer, finish, or nothing while it has to wait. */
export type Forward =
  | { kind: "read"; check: CheckView }
  | { kind: "sign"; check: CheckView }
  | { kind: "yes"; check: CheckView }
  | { kind: "done" }
  | { kind: "wait" }
  | { kind: "stuck" }
  | { kind: "closed" };

/** Whether a check has its reading or its answer, here or at the server. */
export function answered(check: CheckView, { echoes, drafts }: Waiting): boolean {
  if (drafts[check.at]) return false; // it is still being typed, though the server may know of it
  const echo = echoes[check.at];
  if (echo) return echo.edit.to !== null && echo.edit.to !== "no";
  return check.sort === "answer"
    ? check.answer === "yes" || check.answer === "later"
    : Boolean(check.value) || check.answer === "yes";
}

/** A check of which somebody said no, or later. */
export function said(check: CheckView, { echoes }: Waiting): string {
  const echo = echoes[check.at];
  if (echo && check.sort === "answer") return String(echo.edit.to ?? "");
  return check.answer ?? "";
}

/**
 * Whether something was finished here that the server has not answered yet: what it kept back may be free. Not where
 * what was finished is followed by a wait: that is told first.
 */
export function onItsWay(echoes: Waiting["echoes"], steps: StepView[]): boolean {
  const gone = steps.filter((s) => echoes[`work/${s.id}/ended`]?.edit.to);
  return gone.length > 0 && gone.every((s) => s.wait_min === 0);
}

export function forward(step: StepView, waiting: Waiting, closed: boolean, steps: StepView[]): Forward {
  if (closed) return { kind: "closed" };
  if (step.ended && step.state === "done") return { kind: "done" };
  if (step.state === "blocked" && !onItsWay(waiting.echoes, steps)) return { kind: "stuck" };
  if (step.state === "waiting") return { kind: "wait" };
  const open = step.checks.find((c) => !c.book && !answered(c, waiting));
  if (!open) return { kind: "done" };
  const kinds = { answer: "yes", size: "read", name: "sign" } as const;
  return { kind: kinds[open.sort], check: open };
}

/** The step that is shown: the one that was chosen while there is one, else what comes next, known here first. */
export function shownStep(view: BenchView, at: string, echoes: Waiting["echoes"]): StepView | undefined {
  const { steps, next } = view.bench;
  const chosen = steps.find((s) => s.id === at);
  if (chosen) return chosen;
  const first = steps.findIndex((s) => s.id === next);
  const left = steps
    .slice(Math.max(first, 0))
    .find((s) => !s.ended && !echoes[`work/${s.id}/ended`]?.edit.to);
  return left ?? steps[first] ?? steps.at(-1);
}

/** A moment as it is said: its day too where that is another. */
export function moment(iso: string, now: Date): string {
  const at = new Date(iso);
  const same = at.toDateString() === now.toDateString();
  return same ? timeOf(iso) : `${longDay(iso.slice(0, 10))}, ${timeOf(iso)}`;
}

/** So long in words, what is begun of a minute left out: 45 min, 3 h 20, 5 days. */
export function span(minutes: number): string {
  if (minutes < 1) return "less than a minute";
  if (minutes < 90) return `${Math.trunc(minutes)} min`;
  if (minutes < 48 * 60) {
    const rest = Math.trunc(minutes % 60);
    return `${Math.trunc(minutes / 60)} h${rest ? ` ${rest}` : ""}`;
  }
  return `${Math.trunc(minutes / 1440)} days`;
}
