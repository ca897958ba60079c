import { useCallback } from "react";
import { api, got } from "../api/client";
import { useMeasures } from "../app/system";
import { useFetched } from "../ui/useFetched";
import { Saves } from "./Saves";
import { useLook, useOutbox, usePlan, useSession } from "./useSession";

const PAGES = [
  ["a4", "A4"],
  ["letter", "Letter"],
] as const;

/** What goes to the bench on paper and to machines as files, made from the job as it is saved. */
export function PapersBoard() {
  const session = useSession();
  const job = useOutbox((s) => s.job);
  const plan = usePlan((s) => s.plan);
  const view = useLook((s) => s.view);
  const { system } = useMeasures();
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again with every version of the job
  const ask = useCallback(() => {
    const params = { path: { job_id: session.id }, query: { system } };
    return got(api.GET("/api/jobs/{job_id}/papers", { params }));
  }, [session, system, job?.version]);
  const { view: papers, trouble } = useFetched(ask);
  const files = `/api/jobs/${session.id}`;
  return (
    <section aria-label="Paper and files" className="h-full overflow-auto bg-board px-6 py-4">
      <h3 className="text-xl font-extrabold">To the bench, and to machines</h3>
      <p className="text-soft">
        Made from the job as it is saved.
        {plan?.worst === "stop" && " Something still stops it; the work sheet says what."}
      </p>
      <p role="alert" className="text-stop empty:hidden">
        {trouble}
      </p>
      <ul className="pt-2">
        {papers?.map((p) => (
          <li key={p.name} className="paper-row">
            <span className="min-w-0 grow">
              <span className="block text-[18px] font-bold">{p.title}</span>
              <span className="block text-[15px] text-soft">{p.says}</span>
            </span>
            {p.paged ? (
              PAGES.map(([page, label]) => (
                <Saves
                  key={page}
                  href={`${files}/papers/${p.name}?page=${page}&system=${system}`}
                  label={`${label}: ${p.title}`}
                >
                  {label}
                </Saves>
              ))
            ) : (
              <Saves href={`${files}/papers/${p.name}?system=${system}`} label={`save: ${p.title}`}>
                save
              </Saves>
            )}
          </li>
        ))}
        {(
          [
            ["The drawing last shown", `SVG: ${view}`, `drawings/${view}?system=${system}`],
            ["Figures", "every line of the sheet of sums, CSV", "figures"],
            ["Job file", "the whole job as JSON, to be opened again", "file"],
          ] as const
        ).map(([title, says, path]) => (
          <li key={title} className="paper-row">
            <span className="min-w-0 grow">
              <span className="block text-[18px] font-bold">{title}</span>
              <span className="block text-[15px] text-soft">{says}</span>
            </span>
            <a
              className="action content-center"
              href={`${files}/${path}`}
              aria-label={`save: ${title}`}
              download
            >
              save
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}
