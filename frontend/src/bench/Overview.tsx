import type { StepView } from "../api/client";
import { moment, span } from "./course";

const SIGNS: Record<StepView["state"], string> = {
  done: "✓",
  changed: "!",
  running: "▸",
  waiting: "◷",
  ready: "○",
  later: "…",
  blocked: "·",
};

/** All steps with what is done, running, waiting and next. */
export function Overview({
  steps,
  next,
  onPick,
}: {
  steps: StepView[];
  next: string;
  onPick: (id: string) => void;
}) {
  const stages = [...new Set(steps.map((s) => s.stage))];
  return (
    <section className="bench-overview" aria-label="All steps of this job">
      {stages.map((stage) => (
        <div key={stage}>
          <h2 className="small-caps pt-2 text-[15px]! text-soft">{stage}</h2>
          <ul>
            {steps
              .filter((s) => s.stage === stage)
              .map((s) => (
                <li key={s.id}>
                  <button
                    type="button"
                    className={`overview-step ${s.state} ${s.id === next ? "next" : ""}`}
                    onClick={() => onPick(s.id)}
                  >
                    <span aria-hidden="true" className="w-7 shrink-0 text-center">
                      {SIGNS[s.state]}
                    </span>
                    <span className="min-w-0 grow">
                      {s.says}
                      <span className="sr-only">: {s.state}</span>
                      {told(s) && <span className="block text-[16px] text-soft">{told(s)}</span>}
                    </span>
                    <span className="shrink-0 text-[16px] text-soft">{span(s.minutes)}</span>
                  </button>
                </li>
              ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function told(s: StepView): string {
  const parts = [];
  if (s.ended) parts.push(`${s.who ? `${s.who}, ` : ""}${moment(s.ended, new Date())}`);
  if (s.state === "waiting" && s.until) parts.push(`${s.why} until ${moment(s.until, new Date())}`);
  if (s.remade) parts.push(`remade ${s.remade} ×`);
  if (s.note) parts.push(s.note);
  return parts.join(" · ");
}
