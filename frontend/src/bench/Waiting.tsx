import type { StepView } from "../api/client";
import { moment, span } from "./course";
import { useNow } from "./useBench";

interface Props {
  step: StepView;
  meanwhile: StepView[];
  onEarly: () => void;
  onPick: (id: string) => void;
}

/** What is waited for and until when, what comes of not waiting, and what can be done meanwhile. */
export function Waiting({ step, meanwhile, onEarly, onPick }: Props) {
  const now = useNow();
  if (!step.until) return null;
  const left = Math.max((Date.parse(step.until) - now.getTime()) / 60_000, 0);
  return (
    <section className="bench-wait" aria-label="It waits">
      <p className="text-[22px]">{step.why}, until</p>
      <p role="timer" className="text-[56px] leading-none font-extrabold">
        {moment(step.until, now)}
      </p>
      <p className="pt-1 text-[22px]">{left > 0 ? `${span(left)} left` : "over: go on"}</p>
      <button type="button" className="bench-choice mt-3 w-full" onClick={onEarly}>
        Go on all the same
        {step.early && <span className="block text-[18px] font-normal text-caution">{step.early}</span>}
      </button>
      {meanwhile.length > 0 && (
        <>
          <p className="pt-4 text-[20px] text-soft">Meanwhile</p>
          {meanwhile.slice(0, 3).map((s) => (
            <button
              key={s.id}
              type="button"
              className="bench-choice mt-2 w-full"
              onClick={() => onPick(s.id)}
            >
              {s.says}
            </button>
          ))}
        </>
      )}
    </section>
  );
}
