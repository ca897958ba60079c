import type { StepView } from "../api/client";
import { span } from "./course";

const SHORT_MIN = 30;

/** The work as a stick cut into its steps, each as long as its minutes; waits are gaps between them. */
export function Stick({
  steps,
  at,
  onPick,
}: {
  steps: StepView[];
  at: string;
  onPick: (id: string) => void;
}) {
  return (
    <nav aria-label="The work, step by step" className="stick-area">
      <ol className="stick">
        {steps.map((step) => (
          <Segment key={step.id} step={step} here={step.id === at} onPick={onPick} />
        ))}
      </ol>
    </nav>
  );
}

function Segment({ step, here, onPick }: { step: StepView; here: boolean; onPick: (id: string) => void }) {
  const done = Boolean(step.ended);
  const waits = step.wait_min >= SHORT_MIN;
  return (
    <>
      <li
        className={`stick-step ${step.stuff} ${done ? "done" : ""} ${here ? "here" : ""} ${step.state}`}
        style={{ flexGrow: here ? 0 : Math.sqrt(step.minutes) }}
      >
        <button
          type="button"
          tabIndex={-1}
          aria-current={here ? "step" : undefined}
          aria-label={`${step.says}: ${done ? "done" : step.state}`}
          title={step.says}
          onClick={() => onPick(step.id)}
        >
          {here ? <span className="truncate">{step.says}</span> : null}
        </button>
      </li>
      {waits && (
        <li className={`stick-wait ${done ? "over" : ""}`} aria-hidden="true">
          <span>{span(step.wait_min)}</span>
        </li>
      )}
    </>
  );
}
