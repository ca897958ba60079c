import { useCallback, useEffect, useRef, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import {
  api,
  type Found,
  got,
  type Listed,
  newId,
  plainText,
  Refused,
  type Shelf,
  type Sort,
} from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { PageHeader } from "../doors/PageHeader";
import { dayOf, longDay, timeOf } from "../ui/dates";
import { Frac } from "../ui/Frac";
import { Sign } from "../ui/Sign";
import { useFetched } from "../ui/useFetched";

const NAMES = ["words", "state", "undated", "shelf", "sort", "page"] as const;
const SORTS: [Sort, string][] = [
  ["due", "day due"],
  ["changed", "last change"],
  ["number", "number"],
  ["owner", "owner"],
  ["title", "title"],
];
const SHELVES: [Shelf, string][] = [
  ["rack", "the rack"],
  ["pattern", "the patterns"],
  ["archive", "the archive"],
  ["bin", "the bin"],
];
const TITLES: Record<Shelf, string> = {
  rack: "On the rack",
  pattern: "Patterns",
  archive: "In the archive",
  bin: "In the bin",
};
const STATES = ["to measure", "to solve", "to cut", "cutting", "made", "handed over"];

const count = (list: Found, state: string) =>
  state ? (list.states[state] ?? 0) : Object.values(list.states).reduce((a, b) => a + b, 0);

export function JobList() {
  const { may } = useDoors();
  // What is looked for stands in the address: a reload, a bookmark and the way back find it again.
  const [params, setParams] = useSearchParams();
  const asked = Object.fromEntries(NAMES.map((name) => [name, params.get(name) ?? ""]));
  const { state = "", sort = "", undated = "" } = asked;
  const shelf = (asked.shelf || "rack") as Shelf;
  const page = Math.max(Number(asked.page) || 1, 1);
  const [words, setWords] = useState(asked.words ?? "");
  const [trouble, setTrouble] = useState("");
  const go = useNavigate();
  const making = useRef("");
  const ask = useCallback(
    (change: Partial<Record<(typeof NAMES)[number], string>>) => {
      // From the address itself: of two changes in one breath the second would else not know the first.
      const next = new URLSearchParams(window.location.search);
      for (const [name, value] of Object.entries({ page: "", ...change }))
        if (value) next.set(name, value);
        else next.delete(name);
      setParams(next, { replace: true });
    },
    [setParams],
  );

  const sought = asked.words ?? "";
  const askJobs = useCallback(() => {
    const query = {
      words: sought,
      state,
      undated: undated === "yes",
      shelf,
      sort: (sort || "due") as Sort,
      page,
    };
    return got(api.GET("/api/jobs", { params: { query } }));
  }, [sought, state, undated, shelf, sort, page]);
  const { view: list, trouble: away } = useFetched(askJobs);
  const jobs = list?.jobs ?? null;

  useEffect(() => {
    document.title = "Jobs · Shadbo";
  }, []);
  useEffect(() => {
    if (words === sought) return;
    const soon = setTimeout(() => ask({ words }), 150);
    return () => clearTimeout(soon);
  }, [words, sought, ask]);
  const make = async (guided = false) => {
    making.current ||= newId();
    setTrouble("");
    try {
      const body = {
        edit_id: making.current,
        edits: guided ? [{ at: "guided", to: true }] : [],
        system: "mm" as const,
      };
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
    setTrouble("");
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
      <PageHeader />
      <main className="grow">
        <div className="flex flex-wrap items-end gap-x-6 gap-y-3 py-5">
          <h1 className="grow text-3xl font-extrabold">{TITLES[shelf]}</h1>
          <label className="w-72 max-w-full">
            <span className="text-soft">Find by any word or number</span>
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
                onClick={() => make()}
              >
                New job
              </button>
            </>
          )}
        </div>
        <div className="flex flex-wrap items-baseline gap-x-6 border-b border-line">
          <fieldset className="flex grow flex-wrap gap-x-1">
            <legend className="sr-only">State</legend>
            {["", ...STATES].map((s) => (
              <button
                key={s}
                type="button"
                aria-pressed={!undated && state === s}
                onClick={() => ask({ state: s, undated: "" })}
                className={`min-h-11 px-3 ${!undated && state === s ? "border-b-4 border-accent font-bold" : "text-soft"}`}
              >
                {s || "all"} {list && <span className="font-normal">{count(list, s)}</span>}
              </button>
            ))}
            {(list?.undated ?? 0) > 0 && (
              <button
                type="button"
                aria-pressed={undated === "yes"}
                onClick={() => ask({ state: "", undated: undated ? "" : "yes" })}
                className={`min-h-11 px-3 ${undated ? "border-b-4 border-accent font-bold" : "text-caution"}`}
              >
                without a day <span className="font-normal">{list?.undated}</span>
              </button>
            )}
          </fieldset>
          <Pick
            word="by"
            label="In the order of"
            value={sort || "due"}
            choices={SORTS}
            onPick={(next) => ask({ sort: next === "due" ? "" : next })}
          />
          <Pick
            word="on"
            label="Shelf"
            value={shelf}
            choices={SHELVES.map(([s, label]) => [s, list ? `${label} (${list.shelves[s] ?? 0})` : label])}
            onPick={(next) => ask({ shelf: next === "rack" ? "" : next, state: "", undated: "" })}
          />
        </div>
        <p role="alert" className="text-stop empty:hidden">
          {trouble || away}
        </p>
        {jobs === null ? (
          <p className="py-8 text-soft">Looking through the rack…</p>
        ) : jobs.length === 0 ? (
          <div className="py-8 text-lg">
            <p>
              {words || state || undated
                ? "Nothing here answers to that."
                : shelf === "rack"
                  ? "The rack is empty."
                  : "Nothing stands here."}
            </p>
            {makes && shelf === "rack" && !words && !state && !undated && (
              <button
                type="button"
                className="action mt-4 bg-accent! font-bold text-white"
                onClick={() => make(true)}
              >
                A first job that leads me through
              </button>
            )}
          </div>
        ) : (
          <ul>
            {jobs.map((job) => (
              <Row key={job.id} job={job} />
            ))}
          </ul>
        )}
        {list && list.pages > 1 && (
          <nav aria-label="Pages" className="flex items-center gap-4 py-3">
            <button
              type="button"
              className="action disabled:opacity-45"
              disabled={page <= 1}
              onClick={() => ask({ page: String(page - 1) })}
            >
              Before
            </button>
            <span>
              {Math.min(page, list.pages)} of {list.pages}, {list.total} jobs
            </span>
            <button
              type="button"
              className="action disabled:opacity-45"
              disabled={page >= list.pages}
              onClick={() => ask({ page: String(page + 1) })}
            >
              After
            </button>
          </nav>
        )}
      </main>
      <KeptCopies />
    </div>
  );
}

interface PickProps {
  word: string;
  label: string;
  value: string;
  choices: [string, string][];
  onPick: (value: string) => void;
}

/** One of a few, after a small word. */
function Pick({ word, label, value, choices, onPick }: PickProps) {
  return (
    <label className="flex items-baseline gap-2 text-soft">
      <span aria-hidden="true">{word}</span>
      <select
        aria-label={label}
        className="min-h-11 bg-transparent text-ink"
        value={value}
        onChange={(e) => onPick(e.target.value)}
      >
        {choices.map(([v, text]) => (
          <option key={v} value={v}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

const LITTLE_MB = 1000;
const askHealth = () => got(api.GET("/api/health"));

/** What is kept of all this beside the database: the newest copy that was read back whole. */
function KeptCopies() {
  const { view: health } = useFetched(askHealth);
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
