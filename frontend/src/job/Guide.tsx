import { Link } from "react-router";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { useOutbox, usePlan, useSession } from "./useSession";
import { standAt } from "./walk";

/** What a first job leads to next: what to do, why, and the way to where it is done. */
export function Guide({ onStation }: { onStation: (name: string) => void }) {
  const session = useSession();
  const { say } = useMeasures();
  const lead = usePlan((s) => s.plan?.lead);
  const job = useOutbox((s) => s.job);
  if (!lead || !job) return null;
  return (
    <aside aria-label="First job" className="mx-5 mt-3 border-l-4 border-accent bg-board px-3 py-2">
      <p className="text-[15px] text-soft">
        First job, {lead.n} of {lead.of}
      </p>
      <p className="font-bold" aria-live="polite">
        <Frac>{say(lead.says)}</Frac>
      </p>
      <p className="text-[15px] text-soft">{say(lead.why)}</p>
      <div className="flex flex-wrap gap-x-4">
        {lead.bench ? (
          <Link className="link min-h-11 content-center" to={`/jobs/${job.id}/bench`}>
            To the bench
          </Link>
        ) : (
          <button
            type="button"
            className="link min-h-11"
            onClick={() => {
              onStation(lead.station);
              standAt(lead.at);
            }}
          >
            Show me where
          </button>
        )}
        <button
          type="button"
          className="link min-h-11 text-soft"
          onClick={() => session.edit([{ at: "guided", to: false }])}
        >
          I know my way
        </button>
      </div>
    </aside>
  );
}
