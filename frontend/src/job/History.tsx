import { useCallback } from "react";
import { api, got } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { longDay, timeOf } from "../ui/dates";
import { Frac } from "../ui/Frac";
import { useFetched } from "../ui/useFetched";
import { useOutbox, useSession } from "./useSession";

const WORDS: Record<string, string> = {
  made: "made",
  edit: "changed",
  undo: "undone",
  redo: "done again",
  back: "went back",
};

/** Every saved change, the newest first; any of them can be gone back to. */
export function History() {
  const session = useSession();
  const { may } = useDoors();
  const { say } = useMeasures();
  const job = useOutbox((s) => s.job);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again with every version of the job
  const ask = useCallback(
    () => got(api.GET("/api/jobs/{job_id}/revisions", { params: { path: { job_id: session.id } } })),
    [session, job?.version],
  );
  const { view: past, trouble } = useFetched(ask);
  return (
    <section aria-labelledby="history-title" className="px-5 pt-3 pb-6">
      <h2 id="history-title" className="text-2xl font-extrabold">
        What was changed
      </h2>
      <p className="pb-2 text-soft">Going back is a new change; nothing is ever lost.</p>
      <p role="alert" className="text-stop empty:hidden">
        {trouble}
      </p>
      <ol>
        {past?.map((r) => (
          <li key={r.version} className="border-t border-line py-2">
            <div>
              <p>
                <span className="font-bold">{WORDS[r.kind] ?? r.kind}</span>
                <span className="text-soft">
                  {r.who && ` by ${r.who}`}, {longDay(r.at.slice(0, 10))}, {timeOf(r.at)}
                </span>
              </p>
              <ul className="text-[15px]">
                {r.changes.map((c) => (
                  <li key={c.label} className="flex flex-wrap gap-x-2">
                    <span className="text-soft">{c.label}:</span>
                    <span>
                      {c.before && (
                        <>
                          <span className="text-soft line-through decoration-1">
                            <Frac>{say(c.before)}</Frac>
                          </span>{" "}
                        </>
                      )}
                      {c.after ? (
                        <Frac>{say(c.after)}</Frac>
                      ) : (
                        <em className="text-soft">left to the plan</em>
                      )}
                    </span>
                  </li>
                ))}
              </ul>
              {r.more > 0 && <p className="text-[15px] text-soft">and {r.more} more</p>}
            </div>
            {r.version !== job?.version && may("plan") && (
              <button
                type="button"
                className="link min-h-11 text-[15px]"
                onClick={() => session.goBack(r.version)}
              >
                Go back here
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
