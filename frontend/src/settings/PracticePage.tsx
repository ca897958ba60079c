import { useCallback, useEffect, useRef, useState } from "react";
import {
  api,
  got,
  type MarkedView,
  type Progress,
  Refused,
  type StandingExercise,
  words,
} from "../api/client";
import { useMeasures } from "../app/system";
import { PageHeader } from "../doors/PageHeader";
import { Frac } from "../ui/Frac";
import { useFetched } from "../ui/useFetched";

type Level = 1 | 2 | 3;
const LEVELS: [Level, string][] = [
  [1, "one step"],
  [2, "some steps"],
  [3, "the whole sum"],
];

/** Sums to be worked out by hand, marked by their working: each wrong answer is told which slip it shows. */
export function PracticePage() {
  const { system } = useMeasures();
  const [progress, setProgress] = useState<Progress | null>(null);
  const [level, setLevel] = useState<Level>(1);
  const [given, setGiven] = useState<StandingExercise | null>(null);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [marked, setMarked] = useState<MarkedView | null>(null);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const [trouble, setTrouble] = useState("");
  const first = useRef<HTMLInputElement>(null);
  const next = useCallback(
    async (at: Level) => {
      setTrouble("");
      try {
        setGiven(await got(api.POST("/api/exercises", { body: { level: at, system } })));
        setTyped({});
        setMarked(null);
        setWrong({});
      } catch (e) {
        setTrouble(words(e));
      }
    },
    [system],
  );
  const shownIn = useRef(system);
  shownIn.current = system;
  const begin = useCallback(async () => {
    const now = await got(api.GET("/api/exercises"));
    const body = { level: now.level as Level, system: shownIn.current };
    return { now, one: await got(api.POST("/api/exercises", { body })) };
  }, []);
  const { view: begun, trouble: lost } = useFetched(begin);
  useEffect(() => {
    document.title = "Practice · Shadbo";
    if (!begun) return;
    setProgress(begun.now);
    setLevel(begun.now.level as Level);
    setGiven(begun.one);
  }, [begun]);
  useEffect(() => {
    if (given && !marked) first.current?.focus();
  }, [given, marked]);
  const answer = async () => {
    if (!given) return;
    if (marked) return next(level);
    setWrong({});
    setTrouble("");
    try {
      const params = { path: { exercise_id: given.id } };
      const body = { answers: typed, system };
      const found = await got(api.POST("/api/exercises/{exercise_id}", { params, body }));
      setMarked(found);
      setProgress(found.progress);
    } catch (e) {
      const [bad] = e instanceof Refused ? (e.problem.errors ?? []) : [];
      if (bad) setWrong({ [bad.at]: bad.message });
      else setTrouble(words(e));
    }
  };
  const go = (at: Level) => {
    setLevel(at);
    void next(at);
  };
  return (
    <div className="mx-auto flex min-h-dvh max-w-6xl flex-col px-4 pb-8">
      <PageHeader />
      <main className="grow">
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 py-3">
          <h1 className="grow text-3xl font-extrabold">Practice</h1>
          <fieldset className="flex">
            <legend className="sr-only">How much of a sum</legend>
            {LEVELS.map(([n, label]) => (
              <button
                key={n}
                type="button"
                aria-pressed={level === n}
                onClick={() => go(n)}
                className={`min-h-11 px-3 ${level === n ? "border-b-4 border-accent font-bold" : "text-soft"}`}
              >
                {label}
              </button>
            ))}
          </fieldset>
        </div>
        <p role="alert" className="text-stop empty:hidden">
          {trouble || lost}
        </p>
        <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[18rem_minmax(0,1fr)_15rem]">
          {given && (
            <section aria-label="What is framed">
              <p className="text-xl font-bold">{given.exercise.title}</p>
              <p className="text-soft">{given.exercise.display}</p>
              <div className="practice-picture" dangerouslySetInnerHTML={{ __html: given.exercise.front }} />
              <div className="practice-picture" dangerouslySetInnerHTML={{ __html: given.exercise.edge }} />
            </section>
          )}
          {given && (
            <form
              aria-label="Sums"
              onSubmit={(e) => {
                e.preventDefault();
                void answer();
              }}
            >
              {given.exercise.tasks.map((task, n) => (
                <Task
                  key={task.key}
                  task={task}
                  value={typed[task.key] ?? ""}
                  set={(value) => setTyped((was) => ({ ...was, [task.key]: value }))}
                  wrong={wrong[task.key]}
                  mark={marked?.marks.find((m) => m.key === task.key)}
                  input={n === 0 ? first : undefined}
                />
              ))}
              <button type="submit" className="action mt-3 bg-accent! px-6 text-lg font-bold text-white">
                {marked ? "The next one" : "Mark it"}
              </button>
            </form>
          )}
          <Learned progress={progress} />
        </div>
      </main>
    </div>
  );
}

interface TaskProps {
  task: StandingExercise["exercise"]["tasks"][number];
  value: string;
  set: (value: string) => void;
  wrong: string | undefined;
  mark: MarkedView["marks"][number] | undefined;
  input: React.RefObject<HTMLInputElement | null> | undefined;
}

function Task({ task, value, set, wrong, mark, input }: TaskProps) {
  const { say, system } = useMeasures();
  const id = `task-${task.key.replaceAll(".", "-")}`;
  return (
    <div className="border-t border-ink py-2">
      {task.options?.length ? (
        <p className="text-xl font-bold">{task.label}</p>
      ) : (
        <label htmlFor={id} className="text-xl font-bold">
          {task.label}
        </label>
      )}
      <ul className="text-soft">
        {task.given.map((g) => (
          <li key={g.label}>
            {g.label}: <Frac>{say(g.value)}</Frac>
          </li>
        ))}
      </ul>
      {task.options && task.options.length > 0 ? (
        <fieldset className="pt-1" aria-describedby={`${id}-says`} disabled={mark !== undefined}>
          <legend className="sr-only">{task.label}</legend>
          {task.options.map((o) => (
            <label
              key={o.id}
              className="flex min-h-11 cursor-pointer items-center gap-x-3 border-t border-line"
            >
              <input
                type="radio"
                className="h-5 w-5 accent-accent"
                name={id}
                value={o.id}
                checked={value === o.id}
                onChange={() => set(o.id)}
              />
              <Frac>{say(o.says)}</Frac>
            </label>
          ))}
        </fieldset>
      ) : (
        <p className="flex items-baseline gap-x-2 pt-2">
          <input
            id={id}
            ref={input}
            className="entry max-w-48"
            autoComplete="off"
            value={value}
            readOnly={mark !== undefined}
            maxLength={40}
            aria-invalid={wrong ? true : undefined}
            aria-describedby={`${id}-says`}
            onChange={(e) => set(e.target.value)}
          />
          <span className="text-soft">{system}</span>
        </p>
      )}
      <div id={`${id}-says`} aria-live="polite">
        {wrong && <p className="text-stop">{wrong}</p>}
        {mark && <Mark mark={mark} />}
      </div>
    </div>
  );
}

function Mark({ mark }: { mark: MarkedView["marks"][number] }) {
  const { say } = useMeasures();
  return (
    <div className={mark.right ? "text-fine" : ""}>
      <p className={`font-bold ${mark.right ? "" : "text-stop"}`}>
        {mark.right ? "✓ right" : `✗ ${mark.says}`}
      </p>
      <p>
        <Frac>
          {[say(mark.answer), mark.working.map((t) => say(t.text)).join(" ")].filter(Boolean).join(" = ")}
        </Frac>
      </p>
      {mark.happens && (
        <p className="text-caution">
          Made so: <Frac>{mark.happens}</Frac>
        </p>
      )}
      {mark.picture && (
        <div className="practice-happens" dangerouslySetInnerHTML={{ __html: mark.picture }} />
      )}
    </div>
  );
}

function Learned({ progress }: { progress: Progress | null }) {
  return (
    <section aria-label="So far">
      <h2 className="border-b border-ink text-xl font-extrabold">So far</h2>
      {progress && (
        <>
          <p>
            {progress.right} of {progress.answers} right
          </p>
          <ul className="text-soft">
            {progress.slips.map((s) => (
              <li key={s.kind}>
                {s.times} × {s.says}
              </li>
            ))}
          </ul>
          {progress.slips.length > 0 && (
            <p className="pt-2 text-[16px] text-soft">
              The next sums are such in which these can happen again.
            </p>
          )}
        </>
      )}
    </section>
  );
}
