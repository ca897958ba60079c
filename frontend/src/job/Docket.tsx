import type { Station } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { Sign } from "../ui/Sign";

interface Props {
  stations: Station[];
  open: string;
  onOpen: (name: string) => void;
}

const intoSight = (button: HTMLButtonElement | null) => {
  button?.scrollIntoView({ block: "nearest", inline: "nearest" });
};

/** The eight stations in the order of work, each with its answer, always in sight. */
export function Docket({ stations, open, onOpen }: Props) {
  const { say } = useMeasures();
  return (
    <nav className="docket-area" aria-label="Stations">
      <ol className="flex lg:h-full lg:flex-col">
        {stations.map((s, i) => {
          const here = s.name === open;
          const sign = s.mark === "fine" || s.mark === "open" ? null : s.mark;
          return (
            <li key={s.name} className="lg:min-h-0 lg:flex-1 lg:max-h-20">
              <button
                type="button"
                ref={here ? intoSight : undefined}
                aria-current={here ? "step" : undefined}
                onClick={() => onOpen(s.name)}
                className={`flex h-full min-h-14 w-44 items-start gap-3 border-b border-line px-3 py-1.5 text-left lg:w-full ${here ? "bg-ink text-board" : "hover:bg-board"}`}
              >
                <span className={`small-caps pt-px ${here ? "text-line" : "text-soft"}`}>{i + 1}</span>
                <span className="min-w-0 grow leading-tight">
                  <span className={`small-caps flex justify-between ${here ? "text-line" : "text-soft"}`}>
                    {s.label}
                    {sign && (
                      <span className={here ? "[&_*]:text-board" : ""}>
                        <Sign kind={sign} bare />
                      </span>
                    )}
                  </span>
                  <span className="block truncate font-bold">
                    <Frac>{say(s.answer)}</Frac>
                  </span>
                  <span className={`block truncate text-[15px] ${here ? "text-line" : "text-soft"}`}>
                    <Frac>{say(s.second)}</Frac>
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
