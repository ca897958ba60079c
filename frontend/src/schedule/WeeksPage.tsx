import { useCallback, useEffect, useState } from "react";
import { Link } from "react-router";
import { api, got, type ReadyView, type WeeksView } from "../api/client";
import { useMeasures } from "../app/system";
import { PageHeader } from "../doors/PageHeader";
import { Drawing } from "../job/Drawing";
import { longDay } from "../ui/dates";
import { AskAbout } from "./AskAbout";
import { CalendarFeed } from "./CalendarFeed";
import { useAgain } from "./useAgain";

/** The weeks to come, drawn; beside them each job's day and why it is that. */
export function WeeksPage() {
  const { system } = useMeasures();
  const ask = useCallback(
    () => got(api.GET("/api/schedule/weeks", { params: { query: { system } } })),
    [system],
  );
  const { view, trouble, load } = useAgain<WeeksView>(ask);
  const [picked, setPicked] = useState<number | null>(null);
  useEffect(() => {
    document.title = "Weeks · Shadbo";
  }, []);
  const pick = (key: string) => {
    const number = Number(key);
    setPicked((was) => (was === number ? null : number));
    document.getElementById(`ready-${key}`)?.scrollIntoView({ block: "nearest" });
  };
  return (
    <div className="mx-auto flex min-h-dvh max-w-[1320px] flex-col px-4 lg:h-dvh lg:min-h-[40rem]">
      <PageHeader />
      <main className="flex min-h-0 grow flex-col">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 py-2">
          <h1 className="grow text-3xl font-extrabold">Weeks at the bench</h1>
          {view && (
            <p>
              planned {view.planned} · {view.summary}
              {view.behind > 0 && (
                <span className="text-caution"> · {view.behind} jobs are looked at yet</span>
              )}
              {view.later > 0 && (
                <span className="text-soft"> · {view.later} jobs due later are not planned yet</span>
              )}
            </p>
          )}
          <Link to="/today" className="action grid content-center bg-accent! px-5 font-bold text-white">
            Today's work ›
          </Link>
        </div>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        {!view ? (
          <p className="py-8 text-soft">Looking at what is left of every job…</p>
        ) : (
          <>
            <div className="grid min-h-0 grow gap-x-8 lg:grid-cols-[minmax(0,1fr)_19rem] lg:grid-rows-1">
              {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a drawing that scrolls is reached by its keys */}
              <section className="overflow-auto" tabIndex={0} aria-label="The weeks, drawn">
                <Drawing
                  svg={view.drawing}
                  lit={picked === null ? "" : String(picked)}
                  className="weeks-drawing min-w-[46rem]"
                  onPick={pick}
                />
              </section>
              <section aria-labelledby="ready-title" className="flex min-h-0 flex-col">
                <h2 id="ready-title" className="border-b border-ink text-xl font-extrabold">
                  Ready, and why
                </h2>
                {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a list that scrolls is reached by its keys */}
                <ul className="grow overflow-y-auto" tabIndex={0} aria-label="Jobs by the day promised">
                  {view.ready.map((job) => (
                    <Ready
                      key={job.number}
                      job={job}
                      open={picked === job.number}
                      pick={() => pick(String(job.number))}
                    />
                  ))}
                  {view.ready.length === 0 && <li className="py-3 text-soft">Nothing is on the rack.</li>}
                </ul>
              </section>
            </div>
            <div className="mt-3 flex flex-wrap items-start gap-x-6 gap-y-3 border-t border-ink py-3">
              <AskAbout examples={view.examples} picked={picked} />
              <CalendarFeed feed={view.feed} again={load} />
            </div>
          </>
        )}
      </main>
    </div>
  );
}

const TONES: Record<ReadyView["promise"], string> = {
  late: "text-stop",
  close: "text-caution",
  kept: "",
  "no day": "",
  "not planned": "text-stop",
  done: "text-soft",
};

function Ready({ job, open, pick }: { job: ReadyView; open: boolean; pick: () => void }) {
  return (
    <li id={`ready-${job.number}`} className={`border-b border-line ${open ? "bg-board" : ""}`}>
      <button type="button" aria-expanded={open} className="block w-full px-1 py-2 text-left" onClick={pick}>
        <span className="flex items-baseline gap-x-3">
          <span className="grow font-bold">
            {job.number} {job.title}
          </span>
          <span className={`shrink-0 font-bold ${TONES[job.promise]}`}>{job.ready}</span>
        </span>
        <span className="block text-[16px] text-soft">{job.says}</span>
        {job.note && <span className="block text-[16px] text-caution">{job.note}</span>}
      </button>
      {open && <Way job={job} />}
    </li>
  );
}

/** The stretches of work and waiting that make a job's day. */
function Way({ job }: { job: ReadyView }) {
  return (
    <div className="px-1 pb-3 text-[16px]">
      <p className="flex items-center gap-x-5">
        <span className="grow">{job.due ? `promised for ${longDay(job.due)}` : "promised for no day"}</span>
        <Link className="link grid min-h-11 content-center" to={`/jobs/${job.number}`}>
          job
        </Link>
        <Link className="link grid min-h-11 content-center" to={`/jobs/${job.number}/bench`}>
          bench
        </Link>
      </p>
      <ol className="pt-1">
        {job.way.map((link, n) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: stretches of a way have no name but their place
            key={n}
            className={`grid grid-cols-[1fr_auto] gap-x-3 ${link.kind === "work" ? "" : "border-l-3 border-line pl-2 text-soft"}`}
          >
            <span>
              {link.says}
              {link.who && <span className="text-soft"> · {link.who}</span>}
            </span>
            <span className="text-soft">{link.lasts}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}
