import { useEffect, useState } from "react";
import { api, got, type Revision } from "../api/client";
import { useDoors } from "../doors/here";
import { timeOf } from "../ui/dates";
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
  const job = useOutbox((s) => s.job);
  const [past, setPast] = useState<Revision[]>([]);
  const version = job?.version;
  useEffect(() => {
    if (version === undefined) return;
    const params = { path: { job_id: session.id } };
    got(api.GET("/api/jobs/{job_id}/revisions", { params }))
      .then(setPast)
      .catch(() => {});
  }, [session, version]);
  return (
    <section aria-labelledby="history-title" className="px-5 pt-3 pb-6">
      <h2 id="history-title" className="text-2xl font-extrabold">
        What was changed
      </h2>
      <p className="pb-2 text-soft">Going back is a new change; nothing is ever lost.</p>
      <ol>
        {past.map((r) => (
          <li key={r.version} className="flex min-h-14 items-center gap-3 border-t border-line py-1">
            <span className="min-w-0 grow">
              <span className="block">
                {timeOf(r.at)} · {WORDS[r.kind] ?? r.kind}
                {r.who && ` · ${r.who}`}
              </span>
              <span className="block truncate text-[15px] text-soft">
                {r.places.map((p) => p.split("/").at(-1)?.replaceAll("_", " ")).join(", ")}
              </span>
            </span>
            {r.version !== version && may("plan") && (
              <button type="button" className="action" onClick={() => session.goBack(r.version)}>
                Go back here
              </button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
