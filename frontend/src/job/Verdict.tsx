import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import { useState } from "react";
import type { PlanView } from "../api/client";
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
  if (!plan) return null;
  const findings = advice ?? plan.findings;
  const n = findings.length;
  const finding = findings[Math.min(at, n - 1)];
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
      <p aria-live="polite" className="min-w-60 flex-1 text-[16px] leading-[1.15]">
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
        <button
          type="button"
          className="min-h-11 px-2 text-soft whitespace-nowrap"
          onClick={() => setAt((Math.min(at, n - 1) + 1) % n)}
        >
          {Math.min(at, n - 1) + 1} of {n} ▸
        </button>
      )}
      {finding.remedies.map((r) => (
        <button
          key={r.label.mm}
          type="button"
          className="action max-w-60 px-3 py-1 leading-[1.1]"
          onClick={() => {
            setAt(0);
            session.edit(r.edits);
          }}
        >
          <span className="block font-bold">
            <Frac>{say(r.label)}</Frac>
          </span>
          <span className="block text-[14px]">
            <Frac>{say(r.changes)}</Frac>
          </span>
          <span className="block text-[14px] whitespace-nowrap">{r.cost}</span>
        </button>
      ))}
      <Effects remedies={finding.remedies} />
    </section>
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
