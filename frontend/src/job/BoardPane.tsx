import { useEffect, useRef } from "react";
import type { View } from "../api/client";
import { useMeasures } from "../app/system";
import { timeOf } from "../ui/dates";
import { useSession } from "./useSession";
import { WorkingStrip } from "./WorkingStrip";

const VIEWS: [View, string][] = [
  ["edge", "Edge section"],
  ["front", "Front"],
  ["back", "Back"],
  ["parts", "Parts"],
  ["stretch", "Stretch"],
];

/** Drawing and depth ladder. The server writes the pictures; here they are only lit up. */
export function BoardPane() {
  const [session, { plan, view, lit, open, link, plannedAt, job }] = useSession();
  const { system } = useMeasures();
  if (!plan || !job) return null;
  const files = `/api/jobs/${job.id}`;
  return (
    <section className="board-area flex flex-col" aria-label="Board">
      <div className="flex min-h-9 items-stretch gap-4 overflow-x-auto border-b border-line px-4 whitespace-nowrap">
        {VIEWS.filter(([name]) => plan.views.includes(name)).map(([name, label]) => (
          <button
            key={name}
            type="button"
            aria-pressed={view === name}
            onClick={() => session.look({ view: name })}
            className={`px-1 ${view === name ? "border-b-3 border-accent font-bold" : "text-soft"}`}
          >
            {label}
          </button>
        ))}
        <span className="grow" />
        {link === "lost" && (
          <span className="self-center font-bold text-stop">drawn {timeOf(plannedAt)}</span>
        )}
        <span className="flex items-center gap-3 text-[15px]">
          <span className="text-soft">save</span>
          <a className="link" href={`${files}/drawings/${view}?system=${system}`} download>
            drawing
          </a>
          <a className="link" href={`${files}/figures`} download>
            figures
          </a>
          <a className="link" href={`${files}/file`} download>
            job file
          </a>
        </span>
      </div>
      <div className="board-room">
        <div className="board-fit">
          <Drawing
            svg={plan.board.svg}
            lit={lit || open}
            className="bg-board"
            onPick={(open) => session.look({ open })}
          />
          <div className="relative min-h-0 border-t border-ink">
            {plan.line && open ? (
              <WorkingStrip line={plan.line} />
            ) : (
              <Drawing
                svg={plan.ladder}
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
}

function Drawing({ svg, lit, className, onPick }: DrawingProps) {
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
      onClick={(e) => {
        const key = (e.target as Element).closest<SVGElement>("[data-key]")?.dataset.key;
        if (key) onPick(key);
      }}
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}
