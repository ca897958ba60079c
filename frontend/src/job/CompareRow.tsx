import { useEffect, useState } from "react";
import type { Compared, Question } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { Sign } from "../ui/Sign";
import { usePlan, useSession } from "./useSession";

/** Every display that suits the piece, each planned; picking one keeps what was decided for the others. */
export function CompareRow({
  q,
  order,
  onNext,
}: {
  q: Question;
  order: number;
  onNext: (from: HTMLElement) => void;
}) {
  const session = useSession();
  const plan = usePlan((s) => s.plan);
  const { say, system } = useMeasures();
  const [held, setHeld] = useState<Compared[] | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new plan is compared again
  useEffect(() => {
    let gone = false;
    const timer = setTimeout(() => {
      void session.compare().then((all) => {
        if (!gone && all) setHeld(all);
      });
    }, 150);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [plan, system]);
  const choices = q.choices ?? [];
  return (
    <fieldset className="border-t border-line pt-2">
      <legend className="sr-only">{q.label}</legend>
      {choices.map((c) => {
        const line = held?.find((h) => h.kind === c.to);
        return (
          <button
            key={c.label}
            type="button"
            data-field={(c.picked && !q.aside) || undefined}
            data-order={order}
            onKeyDown={(e) => {
              if (e.key === "ArrowDown" || e.key === "ArrowUp") {
                e.preventDefault();
                const beside = e.key === "ArrowDown" ? "nextElementSibling" : "previousElementSibling";
                (e.currentTarget[beside] as HTMLElement | null)?.focus();
              }
              if (e.key !== "Enter" || !c.picked) return;
              e.preventDefault();
              onNext(e.currentTarget);
            }}
            aria-pressed={c.picked}
            onClick={() => !c.picked && session.edit([{ at: q.at ?? "", to: c.to }])}
            className={`compare ${c.picked ? "picked" : ""}`}
          >
            <span
              className="compare-drawing drawing"
              dangerouslySetInnerHTML={{ __html: `${line?.front ?? ""}${line?.picture ?? ""}` }}
            />
            <span className="min-w-0">
              <span className="flex items-baseline justify-between gap-2">
                <span className="text-[18px] font-bold">{c.label}</span>
                {line && <Count line={line} />}
              </span>
              <span className="block text-[15px]">
                <Frac>{say(line?.says)}</Frac>
              </span>
              <span className="block text-[14px] text-soft">
                <Frac>{say(line?.second)}</Frac>
              </span>
              {line?.first && (
                <span className="block text-[14px] text-stop">
                  <Frac>{say(line.first)}</Frac>
                </span>
              )}
            </span>
          </button>
        );
      })}
    </fieldset>
  );
}

function Count({ line }: { line: Compared }) {
  if (line.asks) return <span className="small-caps text-soft">{line.asks} to read</span>;
  const worst = line.stops ? "stop" : line.cautions ? "caution" : "fine";
  const said = line.stops
    ? `${line.stops} stop${line.stops > 1 ? "s" : ""}`
    : line.cautions
      ? `${line.cautions} caution${line.cautions > 1 ? "s" : ""}`
      : "no caution";
  return (
    <span className="flex shrink-0 items-center gap-1 text-[14px] whitespace-nowrap">
      <Sign kind={worst} bare /> {said}
    </span>
  );
}
