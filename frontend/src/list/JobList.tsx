import { useCallback, useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, got, type Health, type Listed, newId, plainText, Refused, Unreachable } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { PageHeader } from "../doors/PageHeader";
import { dayOf, longDay, timeOf } from "../ui/dates";
import { Frac } from "../ui/Frac";
import { Sign } from "../ui/Sign";

const STATES = ["to measure", "to solve", "to cut", "cutting", "made", "handed over"];

export function JobList() {
  const { may } = useDoors();
  const [words, setWords] = useState("");
  const [state, setState] = useState("");
  const [jobs, setJobs] = useState<Listed[] | null>(null);
  const [trouble, setTrouble] = useState("");
  const go = useNavigate();
  const making = useRef("");

  const load = useCallback(() => {
    const query = { words, state };
    got(api.GET("/api/jobs", { params: { query } }))
      .then((list) => {
        setJobs(list.jobs);
        setTrouble("");
      })
      .catch((e: Error) => setTrouble(e instanceof Unreachable ? "No connection. Trying again." : e.message));
  }, [words, state]);

  useEffect(() => {
    document.title = "Jobs · Shadbo";
    const soon = setTimeout(load, words ? 150 : 0);
    return () => clearTimeout(soon);
  }, [load, words]);
  useEffect(() => {
    if (!trouble) return;
    const again = setInterval(load, 3000);
    return () => clearInterval(again);
  }, [trouble, load]);

  const make = async () => {
    making.current ||= newId();
    try {
      const body = { edit_id: making.current, edits: [], system: "mm" as const };
      const job = await got(api.POST("/api/jobs", { body }));
      go(`/jobs/${job.id}?at=receive`);
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  const makes = may("plan");
  // biome-ignore lint/correctness/useExhaustiveDependencies: it makes one job, whichever list is shown
  useEffect(() => {
    if (!makes) return;
    const onKey = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && e.target.closest("input, textarea, select");
      if (e.key !== "n" || typing || e.ctrlKey || e.metaKey || e.altKey) return;
      e.preventDefault();
      void make();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [makes]);
  const takeIn = async (file: File | undefined) => {
    if (!file) return;
    try {
      const params = { query: { edit_id: newId() } };
      const body = await file.text();
      const job = await got(api.POST("/api/files", { params, body, ...plainText }));
      go(`/jobs/${job.id}`);
    } catch (e) {
      setTrouble(e instanceof Refused ? `${file.name} — ${e.message}` : (e as Error).message);
    }
  };

  return (
    <div className="mx-auto flex min-h-dvh max-w-6xl flex-col px-4 pb-10">
      <PageHeader home>
        <Link to="/stock" className="link grid min-h-10 content-center">
          Stock
        </Link>
      </PageHeader>
      <main className="grow">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-3 py-5">
          <h1 className="grow text-3xl font-extrabold">On the rack</h1>
          <label className="w-72 max-w-full">
            <span className="text-soft">Find by title, owner or number</span>
            <input
              className="entry"
              type="search"
              value={words}
              maxLength={100}
              onChange={(e) => setWords(e.target.value)}
            />
          </label>
          {makes && (
            <>
              <label className="action grid cursor-pointer content-center focus-within:outline-3 focus-within:outline-accent">
                Open a job file
                <input
                  className="sr-only"
                  type="file"
                  accept=".json,application/json"
                  onChange={(e) => takeIn(e.target.files?.[0])}
                />
              </label>
              <button
                type="button"
                aria-keyshortcuts="n"
                title="n"
                className="action bg-accent! font-bold text-white"
                onClick={make}
              >
                New job
              </button>
            </>
          )}
        </div>
        <fieldset className="flex flex-wrap gap-x-1 border-b border-line">
          <legend className="sr-only">State</legend>
          {["", ...STATES].map((s) => (
            <button
              key={s}
              type="button"
              aria-pressed={state === s}
              onClick={() => setState(s)}
              className={`min-h-11 px-3 ${state === s ? "border-b-4 border-accent font-bold" : "text-soft"}`}
            >
              {s || "all"}
            </button>
          ))}
        </fieldset>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        {jobs === null ? (
          <p className="py-8 text-soft">Looking through the rack…</p>
        ) : jobs.length === 0 ? (
          <p className="py-8 text-lg">
            {words || state
              ? "Nothing on the rack answers to that."
              : "The rack is empty. Make the first job."}
          </p>
        ) : (
          <ul>
            {jobs.map((job) => (
              <Row key={job.id} job={job} />
            ))}
          </ul>
        )}
      </main>
      <KeptCopies />
    </div>
  );
}

const LITTLE_MB = 1000;

/** What is kept of all this beside the database: the newest copy that was read back whole. */
function KeptCopies() {
  const [health, setHealth] = useState<Health | undefined>(undefined);
  useEffect(() => {
    got(api.GET("/api/health"))
      .then(setHealth)
      .catch(() => setHealth(undefined));
  }, []);
  const told = health?.copies;
  const full = health?.free_mb != null && health.free_mb < LITTLE_MB;
  const failed = told?.said.startsWith("failed");
  return (
    <footer className="flex flex-wrap gap-x-6 border-t border-line pt-3 text-soft">
      <p className={`grow ${failed || told === null ? "text-stop" : ""}`}>
        {told === null
          ? "Nobody keeps copies of this workshop: see “Keeping it” in the README."
          : told?.good_at
            ? `Newest copy, read back whole: ${longDay(told.good_at.slice(0, 10))}, ${timeOf(told.good_at)}.`
            : told && "No copy of this workshop has been made yet."}
        {failed && ` The last try ${told?.said}`}
        {full && (
          <span className="block text-stop">
            Only {health.free_mb} MB are free on the disk: make room before it is full.
          </span>
        )}
      </p>
      <a className="link" href="/notices.txt">
        Whose work this ships with
      </a>
    </footer>
  );
}

function Row({ job }: { job: Listed }) {
  const { say } = useMeasures();
  const due = dayOf(job.due);
  const says = say({ mm: job.says_mm, inch: job.says_inch });
  return (
    <li className="border-b border-line">
      <Link
        to={`/jobs/${job.id}`}
        className="grid min-h-20 grid-cols-[4.5rem_1fr] items-center gap-x-5 py-2 hover:bg-board sm:grid-cols-[4.5rem_1fr_16rem]"
      >
        <span
          className={`text-center leading-none ${due.late && job.state !== "handed over" ? "text-stop" : ""}`}
        >
          <span className="block text-3xl font-extrabold">{due.day}</span>
          <span className="small-caps">{due.month}</span>
        </span>
        <span>
          <span className="block text-xl font-bold">{job.title || "untitled"}</span>
          <span className="text-soft">
            {job.id} · {job.owner ? `for ${job.owner}` : "no owner yet"}
            {due.late && job.state !== "handed over" ? " · overdue" : ""}
          </span>
        </span>
        <span className="col-start-2 sm:col-start-3">
          <span className="small-caps block">{job.state}</span>
          <span className="flex items-baseline gap-2 text-soft">
            {says && <Sign kind={job.worst} bare />}
            <Frac>{says}</Frac>
          </span>
        </span>
      </Link>
    </li>
  );
}
