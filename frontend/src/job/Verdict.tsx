import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import { useLayoutEffect, useRef, useState } from "react";
import type { FindingView, PlanView, RemedyView } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { Sign } from "../ui/Sign";
import { usePlan, useSession } from "./useSession";

const TONES: Record<string, string> = {
  stop: "bg-stop-tone",
  caution: "bg-caution-tone",
  measure: "bg-measure-tone",
  note: "bg-board",
};

/** One sentence on how the job stands, and what would mend it. */
export function Verdict({ onStation }: { onStation: (name: string) => void }) {
  const session = useSession();
  const { plan, advice } = usePlan(({ plan, advice }) => ({ plan, advice }));
  const { say } = useMeasures();
  const [at, setAt] = useState(0);
  const sentence = useFitting();
  if (!plan) return null;
  const findings = advice ?? plan.findings;
  const n = findings.length;
  const shown = Math.min(at, n - 1);
  const finding = findings[shown];
  const take = (remedy: RemedyView) => {
    setAt(0);
    session.edit(remedy.edits);
  };
  if (!finding) {
    const asks = plan.asks;
    return (
      <section className="verdict-area flex items-center gap-4 bg-board px-4" aria-label="Verdict">
        <Sign kind={asks ? "asks" : "fine"} />
        <p aria-live="polite" className="text-lg">
          {asks ? (
            <>
              <strong>{asks === 1 ? "One reading" : `${asks} readings`} to take.</strong>{" "}
              <Frac>{say(plan.stations.find((s) => s.mark === "asks")?.second)}</Frac>
            </>
          ) : (
            <>
              <strong>It fits.</strong> <Frac>{say(plan.next)}</Frac>
            </>
          )}
        </p>
      </section>
    );
  }
  const station = plan.stations.find((s) => s.name === finding.station);
  return (
    <section
      className={`verdict-area flex flex-wrap items-center gap-x-4 gap-y-1 px-4 lg:flex-nowrap ${TONES[finding.severity] ?? ""}`}
      aria-label="Verdict"
    >
      <Sign kind={finding.severity} />
      <p ref={sentence} aria-live="polite" className="sentence min-w-60 flex-1">
        <strong>
          <Frac>{say(finding.title)}</Frac>
        </strong>
        : <Frac>{say(finding.detail)}</Frac>.{" "}
        {finding.by_hand && (
          <span className="text-[14px]">
            <Frac>{say(finding.by_hand)}</Frac>{" "}
          </span>
        )}
        <button type="button" className="link min-h-6 text-[15px]" onClick={() => onStation(finding.station)}>
          {station?.label}
        </button>
      </p>
      {n > 1 && (
        <span className="flex items-center whitespace-nowrap">
          <button
            type="button"
            className="bar-button text-soft"
            aria-label="The finding before"
            onClick={() => setAt((shown + n - 1) % n)}
          >
            ◂
          </button>
          <AllFindings
            findings={findings}
            shown={shown}
            go={setAt}
            station={(name) => plan.stations.find((s) => s.name === name)?.label ?? ""}
            onStation={onStation}
            take={take}
          />
          <button
            type="button"
            className="bar-button text-soft"
            aria-label="The next finding"
            onClick={() => setAt((shown + 1) % n)}
          >
            ▸
          </button>
        </span>
      )}
      {finding.remedies.map((r) => (
        <RemedyButton key={r.label.mm} remedy={r} take={take} />
      ))}
      <Effects remedies={finding.remedies} />
    </section>
  );
}

/** A sentence in smaller letters where it does not fit its room in the usual ones. */
function useFitting() {
  const ref = useRef<HTMLParagraphElement>(null);
  useLayoutEffect(() => {
    const here = ref.current;
    const room = here?.parentElement;
    if (!here || !room) return;
    here.classList.remove("tight", "tighter");
    for (const closer of ["tight", "tighter"]) {
      if (here.scrollHeight <= room.clientHeight) return;
      here.classList.add(closer);
    }
  });
  return ref;
}

/** A remedy: what it is, what it changes, what it costs. */
function RemedyButton({ remedy, take }: { remedy: RemedyView; take: (remedy: RemedyView) => void }) {
  const { say } = useMeasures();
  return (
    <button type="button" className="action max-w-60 px-3 py-0.5 leading-[1.1]" onClick={() => take(remedy)}>
      <span className="block font-bold">
        <Frac>{say(remedy.label)}</Frac>
      </span>
      <span className="block text-[14px]">
        <Frac>{say(remedy.changes)}</Frac>
      </span>
      <span className="block text-[14px] whitespace-nowrap">{remedy.cost}</span>
    </button>
  );
}

interface AllProps {
  findings: FindingView[];
  shown: number;
  go: (n: number) => void;
  station: (name: string) => string;
  onStation: (name: string) => void;
  take: (remedy: RemedyView) => void;
}

/** Every finding at once, the worst first, each with its remedies. */
function AllFindings({ findings, shown, go, station, onStation, take }: AllProps) {
  const { say } = useMeasures();
  return (
    <Disclosure as="div">
      <DisclosureButton className="link min-h-11 px-1 whitespace-nowrap">
        {shown + 1} of {findings.length}
      </DisclosureButton>
      <DisclosurePanel className="fixed right-4 bottom-24 z-20 flex max-h-[70vh] w-[44rem] max-w-[94vw] flex-col border border-ink bg-board whitespace-normal shadow-lg">
        {({ close }) => (
          <>
            <h2 className="border-b border-line px-4 py-2 text-xl font-extrabold">
              All that was found, the worst first
            </h2>
            <ol className="overflow-auto">
              {findings.map((f, i) => (
                <li
                  key={`${f.code} ${f.place}`}
                  className={`grid grid-cols-[2rem_minmax(0,1fr)] gap-x-3 border-b border-line px-4 py-3 ${i === shown ? "bg-paper" : ""}`}
                >
                  <Sign kind={f.severity} bare />
                  <div>
                    <button
                      type="button"
                      className="min-h-6 text-left font-bold"
                      onClick={() => {
                        go(i);
                        close();
                      }}
                    >
                      <Frac>{say(f.title)}</Frac>
                    </button>
                    <p className="text-[15px]">
                      <Frac>{say(f.detail)}</Frac>. {f.by_hand && <Frac>{say(f.by_hand)}</Frac>}{" "}
                      <button
                        type="button"
                        className="link min-h-6"
                        onClick={() => {
                          onStation(f.station);
                          close();
                        }}
                      >
                        {station(f.station)}
                      </button>
                    </p>
                    {f.remedies.length > 0 && (
                      <div className="flex flex-wrap gap-2 pt-2">
                        {f.remedies.map((r) => (
                          <RemedyButton
                            key={r.label.mm}
                            remedy={r}
                            take={(remedy) => {
                              take(remedy);
                              close();
                            }}
                          />
                        ))}
                      </div>
                    )}
                  </div>
                </li>
              ))}
            </ol>
          </>
        )}
      </DisclosurePanel>
    </Disclosure>
  );
}

type Remedies = PlanView["findings"][number]["remedies"];

/** Every line, piece and part that each remedy changes. */
function Effects({ remedies }: { remedies: Remedies }) {
  const { say } = useMeasures();
  const telling = remedies.filter((r) => r.effects.length > 0);
  if (!telling.length) return null;
  return (
    <Disclosure as="div">
      <DisclosureButton className="link min-h-11 px-1 text-[15px] whitespace-nowrap">
        what changes
      </DisclosureButton>
      <DisclosurePanel className="fixed right-4 bottom-20 z-20 grid max-h-[60vh] w-max max-w-[90vw] auto-cols-fr gap-x-6 overflow-auto border border-ink bg-board p-4 lg:grid-flow-col">
        {telling.map((r) => (
          <table key={r.label.mm} className="self-start text-[15px]">
            <caption className="pb-1 text-left font-bold">
              <Frac>{say(r.label)}</Frac>
            </caption>
            <tbody>
              {r.effects.map((e) => (
                <tr key={`${e.label} ${e.after.mm}`} className="align-top">
                  <th scope="row" className="max-w-56 pr-3 text-left font-normal">
                    {e.label}
                  </th>
                  <td className="text-right whitespace-nowrap">
                    {e.before.mm && (
                      <>
                        <Frac>{say(e.before)}</Frac> →{" "}
                      </>
                    )}
                    <Frac>{say(e.after)}</Frac>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </DisclosurePanel>
    </Disclosure>
  );
}
