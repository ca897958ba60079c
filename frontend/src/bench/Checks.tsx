import { useEffect, useRef } from "react";
import type { CheckView, Edit, StepView, Tool } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { answered, said } from "./course";
import { useBench, useWaiting } from "./useBench";

interface Props {
  step: StepView;
  current: CheckView | undefined;
  closed: boolean;
  onAnswer: (check: CheckView, answer: "yes" | "no" | "later") => void;
  onRead: (check: CheckView) => void;
}

/** What is measured and looked at before the step counts as done. */
export function Checks({ step, current, closed, onAnswer, onRead }: Props) {
  if (!step.checks.length) return null;
  return (
    <ul className="bench-checks">
      {step.checks.map((check) => {
        const now = check.id === current?.id;
        return (
          <li key={check.id} className={now ? "now" : ""}>
            {check.sort === "answer" ? (
              <Answer check={check} now={now} closed={closed} onAnswer={onAnswer} />
            ) : (
              <Reading check={check} now={now} closed={closed} onRead={onRead} />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function Answer({
  check,
  now,
  closed,
  onAnswer,
}: { check: CheckView; now: boolean; closed: boolean } & Pick<Props, "onAnswer">) {
  const { say } = useMeasures();
  const { echoes } = useWaiting(({ echoes }) => ({ echoes }));
  const so = said(check, { echoes, drafts: {} });
  return (
    <fieldset className="bench-answer" disabled={closed}>
      <legend>{check.words}</legend>
      <span className="flex gap-2">
        {(["yes", "no", "later"] as const).map((word) => (
          <button
            key={word}
            type="button"
            tabIndex={now ? 0 : -1}
            aria-pressed={so === word}
            className={`bench-word ${word}`}
            onClick={() => onAnswer(check, word)}
          >
            {so === word && word === "yes" ? "✓ yes" : word}
          </button>
        ))}
      </span>
      {check.says && so === check.answer && (
        <p className="w-full text-[20px] text-stop" role="status">
          {say(check.says)}
        </p>
      )}
    </fieldset>
  );
}

function Reading({
  check,
  now,
  closed,
  onRead,
}: { check: CheckView; now: boolean; closed: boolean } & Pick<Props, "onRead">) {
  const session = useBench();
  const { say, system, tools } = useMeasures();
  const { draft, echo, error, echoes, drafts } = useWaiting(({ drafts, echoes, errors }) => ({
    drafts,
    draft: drafts[check.at],
    echo: echoes[check.at],
    error: errors[check.at],
    echoes,
  }));
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (now && !closed) field.current?.focus();
  }, [now, closed]);
  const shown = draft?.typed ?? echo?.typed ?? say(check.value);
  const tool: Tool = check.tool;
  const measured = check.sort === "size";
  const edit = (typed: string): Edit => ({
    at: check.at,
    to: !typed.trim() ? null : measured ? { typed, tool, system } : typed.trim(),
  });
  const done = answered(check, { echoes, drafts });
  return (
    <div className={`bench-reading ${measured ? "" : "named"}`}>
      <label htmlFor={`read-${check.id}`}>{check.words}</label>
      <input
        ref={field}
        id={`read-${check.id}`}
        className={`bench-field ${done ? "" : "open"}`}
        autoComplete="off"
        spellCheck={false}
        disabled={closed}
        value={shown}
        placeholder={say(check.wanted)}
        aria-invalid={Boolean(error)}
        aria-describedby={`said-${check.id}`}
        data-reads={check.at}
        onChange={(e) => session.type(check.at, e.target.value, edit(e.target.value))}
        onFocus={(e) => e.target.select()}
        onKeyDown={(e) => {
          // A reading that stands already is gone past like any answer.
          if ((e.key !== "Enter" && e.key !== "PageDown") || (!draft && done)) return;
          e.preventDefault();
          e.stopPropagation();
          if (!error) onRead(check);
        }}
        onBlur={() => {
          if (draft && !error) onRead(check);
        }}
      />
      {measured && (
        <span className="bench-wanted">
          <Frac>{`${say(check.wanted)} ± ${say(check.within)}`}</Frac>
          <span className="text-soft"> · {tools.find((t) => t.tool === tool)?.label ?? tool}</span>
        </span>
      )}
      <p id={`said-${check.id}`} className={`bench-said ${error || check.out ? "out" : ""}`}>
        {error || <Frac>{say(check.says)}</Frac>}
      </p>
    </div>
  );
}
