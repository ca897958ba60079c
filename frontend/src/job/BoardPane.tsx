import { useEffect, useRef, useState } from "react";
import { timeOf } from "../ui/dates";
import { PapersBoard } from "./PapersBoard";
import { PhotoBoard } from "./PhotoBoard";
import { TurnButtons, useTurn } from "./turning";
import { useDrag } from "./useDrag";
import { useLook, useOutbox, usePlan, useSession } from "./useSession";
import { WorkingStrip } from "./WorkingStrip";

/** Drawing and depth ladder. The server writes the pictures; here they are only lit up. */
export function BoardPane() {
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
      <div className="flex min-h-9 items-stretch gap-4 overflow-x-auto border-b border-line px-4 whitespace-nowrap">
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
        <div className="board-fit relative" hidden={papers || photo !== null}>
          <Drawing
            svg={plan.board.svg ?? ""}
            lit={lit || open}
            className="bg-board"
            onPick={(open) => session.look({ open })}
            {...(view === "front" ? { drag } : view === "apart" ? { drag: turn } : {})}
          />
          {shown === "apart" && <TurnButtons />}
          <div className="relative min-h-0 border-t border-ink">
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

interface DrawingProps {
  svg: string;
  lit: string;
  className: string;
  onPick: (key: string) => void;
  drag?: Pick<ReturnType<typeof useDrag>, "handlers" | "dragged"> | ReturnType<typeof useTurn>;
}

function Drawing({ svg, lit, className, onPick, drag }: DrawingProps) {
  const box = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new picture must be lit again
  useEffect(() => {
    for (const g of box.current?.querySelectorAll<SVGElement>("[data-key]") ?? []) {
      g.classList.toggle("lit", Boolean(lit) && g.dataset.key === lit);
    }
  }, [svg, lit]);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: every key stands in the questions as a button too
    // biome-ignore lint/a11y/useKeyWithClickEvents: the same
    <div
      ref={box}
      className={`drawing min-h-0 ${className}`}
      {...drag?.handlers}
      onClick={(e) => {
        if (drag?.dragged.current) return;
        const key = (e.target as Element).closest<SVGElement>("[data-key]")?.dataset.key;
        if (key) onPick(key);
      }}
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}
