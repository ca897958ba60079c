import { useEffect, useRef, useState } from "react";
import { useParams, useSearchParams } from "react-router";
import type { View } from "../api/client";
import { TRYING } from "../api/client";
import { Nowhere } from "../app/Nowhere";
import { BoardPane } from "./BoardPane";
import { Docket } from "./Docket";
import { Guide } from "./Guide";
import { Header } from "./Header";
import { History } from "./History";
import { Keys } from "./Keys";
import { Questions } from "./Questions";
import { Told } from "./Told";
import { SessionContext, useOpenJob, useOutbox, usePlan, useSession } from "./useSession";
import { Verdict } from "./Verdict";
import { adrift, begin, onwardToAdd } from "./walk";

/** What stands in the place of a station and is none. */
const ASIDE = ["history", "keys"] as const;

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
  const session = useSession();
  const { job, gone, link } = useOutbox(({ job, gone, link }) => ({ job, gone, link }));
  const { plan, trouble } = usePlan(({ plan, trouble }) => ({ plan, trouble }));
  const [search, setSearch] = useSearchParams();
  const stations = plan?.stations ?? [];
  const [wanted, setWanted] = useState(search.get("at") ?? "measure");
  const aside = ASIDE.find((a) => a === wanted);
  const history = aside === "history";
  const station = stations.find((s) => s.name === wanted) ?? stations[1];
  const measuring = station?.view === "tape" && !aside;
  const focusNext = useRef(true);
  const at = useRef(wanted);
  const go = (name: string, focus = true) => {
    at.current = name;
    setWanted(name);
    focusNext.current = focus;
    setSearch({ at: name }, { replace: true });
    const view = stations.find((s) => s.name === name)?.view;
    session.look({ station: name, open: "", ...(view ? { view: view as View } : {}) });
  };
  const step = (by: number) => {
    const here = stations.findIndex((s) => s.name === at.current);
    const next = stations[Math.min(Math.max(here + by, 0), stations.length - 1)];
    if (next) go(next.name);
  };

  const after = stations[stations.findIndex((s) => s.name === station?.name) + 1]?.label ?? "";
  const shown = aside ?? station?.name;
  const asked = aside !== undefined || plan?.station === station?.name;
  useEffect(() => {
    // Rows that are on their way take what was focused with them: the focus comes back with the new ones.
    if (!asked && adrift()) focusNext.current = true;
    if (!shown || !asked || !focusNext.current) return;
    focusNext.current = false;
    begin();
  }, [shown, asked]);
  useEffect(() => {
    session.look_.setState({ station: ASIDE.some((a) => a === at.current) ? "measure" : at.current });
  }, [session]);
  const first = useRef(true);
  useEffect(() => {
    if (!first.current || !station) return;
    first.current = false;
    if (session.look_.getState().view !== station.view || plan?.station !== station.name)
      session.look({ station: station.name, view: station.view as View });
  }, [session, station, plan?.station]);

  useEffect(() => {
    document.title = job ? `${job.id} ${job.title || "untitled"} · Shadbo` : "Shadbo";
  }, [job]);

  useEffect(() => {
    // By the key's place: with Alt some keyboards write something else.
    const numbered = (e: KeyboardEvent) => stations[Number(/^Digit(\d)$/.exec(e.code)?.[1] ?? 0) - 1];
    const onKey = (e: KeyboardEvent) => {
      if (e.key === "PageDown" || e.key === "PageUp") {
        e.preventDefault();
        step(e.key === "PageDown" ? 1 : -1);
      } else if (e.altKey && !e.ctrlKey && numbered(e)) {
        e.preventDefault();
        go(numbered(e)?.name ?? "");
      } else if (e.key === "?" && !document.activeElement?.matches("[data-words]")) {
        e.preventDefault();
        go(aside === "keys" ? "measure" : "keys", aside === "keys");
      } else if (e.key === "+" && !e.ctrlKey && !e.metaKey && !e.altKey) {
        const here = document.activeElement;
        if (!here?.matches("[data-words]") && onwardToAdd(here)) e.preventDefault();
      } else if (e.key === "Escape" && session.look_.getState().open) {
        session.look({ open: "" });
      } else if (
        (e.ctrlKey || e.metaKey) &&
        e.key.toLowerCase() === "z" &&
        !typing(session.outbox.state.drafts)
      ) {
        e.preventDefault();
        session.step(e.shiftKey ? "redo" : "undo");
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  if (gone) return <Nowhere what="There is no such job." />;
  if (!plan && trouble && job) return <Unplanned trouble={trouble} />;
  if (!plan || !job || !station)
    return (
      <main className="grid min-h-dvh place-content-center text-xl text-soft">
        <h1>{link === "lost" ? TRYING : "Laying out the job…"}</h1>
      </main>
    );
  return (
    <div className={`job-grid ${measuring ? "measuring" : ""}`}>
      <Header
        onHistory={() => go(history ? "measure" : "history", false)}
        onKeys={() => go("keys", false)}
        historyOpen={history}
        told={<Told open={shown ?? ""} onStation={(name) => go(name, false)} />}
      />
      <Docket stations={stations} open={aside ? "" : station.name} onOpen={go} />
      <main className="questions-area">
        {!history && <Guide onStation={(name) => go(name, false)} />}
        {history ? (
          <History />
        ) : aside ? (
          <Keys />
        ) : (
          <Questions
            station={station}
            after={after}
            asked={asked}
            onPast={() => step(1)}
            onStation={(name) => go(name)}
          />
        )}
      </main>
      <BoardPane questions={aside ? [] : station.questions} onPast={() => step(1)} />
      <Verdict onStation={(name) => go(name, false)} />
    </div>
  );
}

/** A job that cannot be planned as it stands: what was done to it can still be seen and taken back. */
function Unplanned({ trouble }: { trouble: string }) {
  return (
    <div className="job-grid">
      <Header
        onHistory={() => {}}
        onKeys={() => {}}
        historyOpen
        told={<Told open="" onStation={() => {}} />}
      />
      <main className="questions-area">
        <p role="alert" className="m-5 border-l-4 border-stop bg-stop-tone px-3 py-2">
          {trouble}
        </p>
        <History />
      </main>
    </div>
  );
}

const typing = (drafts: object) => Object.keys(drafts).length > 0;
