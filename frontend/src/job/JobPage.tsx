import { useEffect, useRef, useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { Nowhere } from "../app/Nowhere";
import { BoardPane } from "./BoardPane";
import { Docket } from "./Docket";
import { Header } from "./Header";
import { History } from "./History";
import { Questions } from "./Questions";
import { SessionContext, useOpenJob, useSession } from "./useSession";
import { Verdict } from "./Verdict";

export function JobPage() {
  const id = Number(useParams().id);
  if (!Number.isInteger(id) || id < 1) return <Nowhere what="There is no such job." />;
  return <OpenJob key={id} id={id} />;
}

function OpenJob({ id }: { id: number }) {
  const session = useOpenJob(id);
  return (
    <SessionContext value={session}>
      <Page />
    </SessionContext>
  );
}

function Page() {
  const [session, { job, plan, gone, link }] = useSession();
  const [search, setSearch] = useSearchParams();
  const stations = plan?.stations ?? [];
  const [wanted, setWanted] = useState(search.get("at") ?? "measure");
  const history = wanted === "history";
  const station = stations.find((s) => s.name === wanted) ?? stations[1];
  const pane = useRef<HTMLElement>(null);

  const focusNext = useRef(true);
  const at = useRef(wanted);
  const go = (name: string, focus = true) => {
    at.current = name;
    setWanted(name);
    focusNext.current = focus;
    setSearch({ at: name }, { replace: true });
    const view = stations.find((s) => s.name === name)?.view;
    if (view) session.look({ view: view as "edge", open: "" });
  };
  const step = (by: number) => {
    const here = stations.findIndex((s) => s.name === at.current);
    const next = stations[Math.min(Math.max(here + by, 0), stations.length - 1)];
    if (next) go(next.name);
  };

  const shown = history ? "history" : station?.name;
  useEffect(() => {
    if (!shown || !focusNext.current) return;
    focusNext.current = false;
    pane.current?.querySelector<HTMLElement>("[data-field]")?.focus();
  }, [shown]);
  const first = useRef(true);
  useEffect(() => {
    if (!first.current || !station) return;
    first.current = false;
    session.look({ view: station.view as "edge" });
  }, [session, station]);

  useEffect(() => {
    document.title = job ? `${job.id} ${job.title || "untitled"} · Shadbo` : "Shadbo";
  }, [job]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key === "PageDown" || e.key === "PageUp") {
        e.preventDefault();
        step(e.key === "PageDown" ? 1 : -1);
      } else if (e.key === "Escape" && session.get().open) {
        session.look({ open: "" });
      } else if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "z" && !typing(session.get().drafts)) {
        e.preventDefault();
        void session.step(e.shiftKey ? "redo" : "undo");
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  if (gone) return <Nowhere what="There is no such job." />;
  if (!plan || !job || !station)
    return (
      <main className="grid min-h-dvh place-content-center text-xl text-soft">
        <h1>{link === "lost" ? "No connection. Trying again." : "Laying out the job…"}</h1>
      </main>
    );
  return (
    <div className="job-grid">
      <Header
        onHistory={() => go(history ? "measure" : "history", false)}
        historyOpen={history}
        elsewhere={<Elsewhere open={shown ?? ""} onStation={(name) => go(name, false)} />}
      />
      <Docket stations={stations} open={history ? "" : station.name} onOpen={go} />
      <main ref={pane} className="questions-area">
        {history ? <History /> : <Questions station={station} onPast={() => step(1)} />}
      </main>
      <BoardPane />
      <Verdict onStation={(name) => go(name, false)} />
    </div>
  );
}

/** A field at another station that needs an answer: refused, or changed by someone else meanwhile. */
function Elsewhere({ open, onStation }: { open: string; onStation: (name: string) => void }) {
  const [, { plan, errors, clashes }] = useSession();
  const waiting = new Set([...Object.keys(errors), ...Object.keys(clashes)]);
  for (const station of plan?.stations ?? []) {
    const question = station.questions.find((q) => waiting.has(q.at));
    if (!question || station.name === open) continue;
    const why = clashes[question.at] ? "changed by someone else" : "not accepted";
    return (
      <button
        type="button"
        className="link bar-button font-bold text-stop"
        onClick={() => onStation(station.name)}
      >
        {question.label}: {why}
      </button>
    );
  }
  return null;
}

const typing = (drafts: object) => Object.keys(drafts).length > 0;
