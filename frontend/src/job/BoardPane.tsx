import { useState } from "react";
import type { Question } from "../api/client";
import { timeOf } from "../ui/dates";
import { Drawing } from "./Drawing";
import { LengthSpot } from "./LengthRow";
import { PapersBoard } from "./PapersBoard";
import { PhotoBoard } from "./PhotoBoard";
import { TurnButtons, useTurn } from "./turning";
import { useDrag } from "./useDrag";
import { useLook, useOutbox, usePlan, useSession } from "./useSession";
import { WorkingStrip } from "./WorkingStrip";
import { onward } from "./walk";

/** Drawing and depth ladder. The server writes the pictures; here they are only lit up. */
export function BoardPane({ questions, onPast }: { questions: Question[]; onPast: () => void }) {
  const session = useSession();
  const { plan, plannedAt, link } = usePlan(({ plan, plannedAt, link }) => ({ plan, plannedAt, link }));
  const { view, lit, open, photo, said } = useLook((s) => s);
  const { job, lost } = useOutbox((s) => ({ job: s.job, lost: s.link !== "ok" }));
  const [papers, setPapers] = useState(false);
  const drag = useDrag();
  const turn = useTurn();
  if (!plan || !job) return null;
  const shown = papers || photo ? null : view;
  return (
    <section className="board-area flex flex-col" aria-label="Board">
      <div className="flex min-h-9 items-stretch gap-x-2 overflow-x-auto border-b border-line px-3 whitespace-nowrap xl:gap-x-3">
        {plan.views.map(({ view: name, label }) => (
          <button
            key={name}
            type="button"
            aria-pressed={shown === name}
            onClick={() => {
              setPapers(false);
              session.look({ view: name });
            }}
            className={`px-1 ${shown === name ? "border-b-3 border-accent font-bold" : "text-soft"}`}
          >
            {label}
          </button>
        ))}
        <span
          aria-live="polite"
          className="min-w-0 grow self-center truncate text-right text-[15px] text-accent"
        >
          {said}
        </span>
        {(lost || link === "lost") && (
          <span className="self-center font-bold text-stop">drawn {timeOf(plannedAt)}</span>
        )}
        <button
          type="button"
          aria-pressed={papers}
          onClick={() => setPapers(!papers)}
          className={`px-1 ${papers ? "border-b-3 border-accent font-bold" : "text-soft"}`}
        >
          Paper &amp; files
        </button>
      </div>
      <div className="board-room">
        {papers && <PapersBoard />}
        {!papers && photo && <PhotoBoard key={photo.id} photo={photo} />}
        <div
          className={`board-fit relative ${view === "tape" ? "taping" : ""}`}
          hidden={papers || photo !== null}
        >
          <Drawing
            svg={plan.board.svg ?? ""}
            lit={lit || open}
            className="bg-board"
            onPick={(open) => session.look({ open })}
            {...(view === "front" ? { drag } : view === "apart" ? { drag: turn } : {})}
          />
          {shown === "apart" && <TurnButtons />}
          {shown === "tape" && <Spots questions={questions} onPast={onPast} />}
          <div
            className={`min-h-0 border-t border-ink ${view === "tape" ? "over-tape" : "relative"}`}
            hidden={view === "tape" && !(plan.line && open)}
          >
            {plan.line && open ? (
              <WorkingStrip line={plan.line} />
            ) : (
              <Drawing
                svg={plan.ladder.svg ?? ""}
                lit={lit}
                className="h-full bg-board"
                onPick={(open) => session.look({ open })}
              />
            )}
          </div>
        </div>
      </div>
    </section>
  );
}

/** Fields where the tape lies, in the tape's order. */
function Spots({ questions, onPast }: { questions: Question[]; onPast: () => void }) {
  const next = (from: HTMLElement) => {
    if (!onward(from)) onPast();
  };
  return (
    <div className="spots">
      {questions.map((q, order) =>
        q.spot ? <LengthSpot key={q.id} q={q} order={order} onNext={next} /> : null,
      )}
    </div>
  );
}
