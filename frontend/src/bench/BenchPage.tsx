import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import type { CheckView, Edit, StepView } from "../api/client";
import { TRYING } from "../api/client";
import { Nowhere } from "../app/Nowhere";
import { SystemSwitch, useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import type { Heard } from "../gauge/listener";
import { type GaugeState, useGauge } from "../gauge/useGauge";
import { Drawing } from "../job/Drawing";
import { Saves } from "../job/Saves";
import { longDay, timeOf } from "../ui/dates";
import { Frac } from "../ui/Frac";
import { Checks } from "./Checks";
import { forward, moment, onItsWay, shownStep, span } from "./course";
import { Deviation } from "./Deviation";
import { Overview } from "./Overview";
import { Reopen } from "./Reopen";
import { Stick } from "./Stick";
import { BenchContext, useAwake, useBench, useBenchState, useOpenBench, useWaiting } from "./useBench";
import { useRing } from "./useRing";
import { Waiting } from "./Waiting";

/** The bench: one step at a time, read from two metres, worked with dirty hands or a foot switch of two keys. */
export function BenchPage() {
  const id = Number(useParams().id);
  if (!Number.isInteger(id) || id < 1) return <Nowhere what="There is no such job." />;
  return <OpenBench key={id} id={id} />;
}

function OpenBench({ id }: { id: number }) {
  const session = useOpenBench(id);
  return (
    <BenchContext value={session}>
      <Page />
    </BenchContext>
  );
}

const WHO_KEY = "shadbo.bench.who";

/** Who works here: who is signed in, or the name that was written at this bench. */
function useWho(): [string, (who: string) => void] {
  const { here } = useDoors();
  const [own, setOwn] = useState(() => localStorage.getItem(WHO_KEY) ?? "");
  const set = (who: string) => {
    localStorage.setItem(WHO_KEY, who);
    setOwn(who);
  };
  return [own || here.name || "", set];
}

function Page() {
  const session = useBench();
  const { view, at, link, trouble } = useBenchState((s) => s);
  const waiting = useWaiting(({ echoes, drafts }) => ({ echoes, drafts }));
  const { gone, lost, clashes, kept } = useWaiting((s) => ({
    gone: s.gone,
    lost: s.link !== "ok",
    clashes: s.clashes,
    kept: s.items.length,
  }));
  const [who, setWho] = useWho();
  const [panel, setPanel] = useState<"" | "all" | "deviation">("");
  const [why, setWhy] = useState("");
  const { may } = useDoors();
  useAwake();
  const steps = view?.bench.steps ?? [];
  const step = view ? shownStep(view, at, waiting.echoes) : undefined;
  const shown = useRef<{ id: string; at: Date }>({ id: "", at: session.now() });
  if (step && shown.current.id !== step.id) shown.current = { id: step.id, at: session.now() };
  const { over, hush } = useRing(steps);
  const closed = (view?.bench.closed ?? false) || !may("work");
  const move = step ? forward(step, waiting, closed, steps) : undefined;
  const current = move && "check" in move ? move.check : undefined;

  const opened = useRef({ at: "", when: 0 });
  const place = move?.kind === "read" ? move.check.at : "";
  if (opened.current.at !== place) opened.current = { at: place, when: Date.now() };
  const write = (heard: Heard) => {
    if (!step || !place || panel) return false;
    const { typed, tool, system } = heard;
    session.edit(
      [{ at: place, to: { typed, tool, system } }, ...session.begin(step, who, shown.current.at)],
      place,
    );
    return true;
  };
  const gauge = useGauge((heard) => Date.now() - heard.ageMs >= opened.current.when && write(heard));

  const pick = (id: string) => {
    setPanel("");
    session.show(id);
  };
  const begun = (step: StepView) => session.begin(step, who, shown.current.at);
  const answer = (check: CheckView, word: "yes" | "no" | "later") => {
    if (!step) return;
    session.edit([...begun(step), { at: check.at, to: word }], check.at);
    if (word === "no") {
      setWhy(`${check.words}: no`);
      setPanel("deviation");
    }
  };
  const read = (check: CheckView) => step && session.read(step, check.at, who, shown.current.at);
  const finish = (more: Edit[] = []) => {
    if (!step) return;
    hush();
    if (step.ended && step.state === "done") pick(after(steps, step));
    else session.finish(step, who, shown.current.at, [...more, ...step.ends_with]);
  };
  const onForward = () => {
    if (!step || !move) return;
    if (move.kind === "yes") answer(move.check, "yes");
    else if (move.kind === "read" || move.kind === "sign") {
      if (waiting.drafts[move.check.at]?.typed.trim()) read(move.check);
      else document.querySelector<HTMLElement>(`[data-reads="${move.check.at}"]`)?.focus();
    } else if (move.kind === "done") finish();
  };
  const onBack = () => {
    if (panel) setPanel("");
    else if (step) pick(before(steps, step));
  };
  const onLater = () => {
    if (!step) return;
    const next = steps.slice(steps.indexOf(step) + 1).find((s) => s.state === "ready" && !s.ended);
    session.edit([{ at: `work/${step.id}/later`, to: true }]);
    pick(next?.id ?? "");
  };

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement;
      if (target.closest("textarea, select, [role=menu]")) return;
      const onButton = target.closest("button, a");
      if (e.key === "PageDown" || (e.key === "Enter" && !onButton)) {
        e.preventDefault();
        if (!panel) onForward();
      } else if (e.key === "PageUp" || e.key === "Escape") {
        e.preventDefault();
        onBack();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  useEffect(() => {
    document.title = view ? `${session.id} at the bench · Shadbo` : "Shadbo";
  }, [session, view]);

  if (gone) return <Nowhere what="There is no such job." />;
  if (!view || !step)
    return (
      <main className="grid min-h-dvh place-content-center text-xl text-soft">
        <h1>{link === "lost" ? TRYING : trouble || "Laying out the work…"}</h1>
      </main>
    );
  const number = steps.indexOf(step) + 1;
  const places = Object.keys(clashes);
  const mine = places.flatMap((place) => clashes[place]?.typed || []);
  const clashing = steps.find((s) => places.some((place) => of(s, place)));
  const settle = (what: (place: string) => void) => {
    for (const place of places) what(place);
    pick("");
  };
  return (
    <div className="bench-grid">
      <header className="bench-head">
        <Link to="/" className="small-caps grid h-11 content-center" title="To all jobs">
          Shadbo
        </Link>
        <h1 className="min-w-0 grow truncate text-[20px] font-extrabold">
          Job {session.id} · {view.title || "untitled"}
        </h1>
        <Link to={`/jobs/${session.id}`} className="link grid min-h-11 content-center">
          the plan
        </Link>
        <Worker who={who} onWho={setWho} />
        <span className="lg:whitespace-nowrap">
          step {number} of {steps.length} · {span(view.bench.left_min)} of work left
          {view.due ? ` · due ${longDay(view.due)}` : ""}
        </span>
        {gauge.there && <GaugeKey gauge={gauge} />}
        <Saved lost={lost || link === "lost"} kept={kept} />
        <SystemSwitch />
      </header>
      <Stick steps={steps} at={step.id} onPick={pick} />
      <main className="bench-text">
        {over && (
          <p role="alert" className="bench-over">
            {over}{" "}
            <button type="button" className="link min-h-11" onClick={hush}>
              heard
            </button>
          </p>
        )}
        {places[0] && (
          <p role="alert" className="bench-over">
            {clashing?.who || "Somebody else"} was at it too meanwhile
            {clashing ? `: ${clashing.says}` : ""}. {mine.length > 0 && `Yours: ${mine.join(", ")}. `}
            <button
              type="button"
              className="link min-h-11"
              onClick={() => settle((place) => session.outbox.drop(place))}
            >
              go on with theirs
            </button>{" "}
            <button
              type="button"
              className="link min-h-11"
              onClick={() => settle((place) => session.outbox.accept(place, session.system))}
            >
              with mine
            </button>
          </p>
        )}
        {gauge.late && (
          <p role="alert" className="bench-over">
            {gauge.late.device}: {gauge.late.typed}, which no open field has taken.{" "}
            {place && (
              <button
                type="button"
                className="link min-h-11"
                onClick={() => {
                  if (gauge.late) write(gauge.late);
                  gauge.letGo();
                }}
              >
                take it here
              </button>
            )}{" "}
            <button type="button" className="link min-h-11" onClick={gauge.letGo}>
              let go
            </button>
          </p>
        )}
        {trouble && (
          <p role="alert" className="bench-over text-stop">
            {trouble}
          </p>
        )}
        {panel === "all" ? (
          <Overview steps={steps} next={view.bench.next} onPick={pick} />
        ) : panel === "deviation" && view.bench.closed ? (
          <Reopen
            onLeave={() => setPanel("")}
            onReopen={(reason) => {
              setPanel("");
              session.edit([...view.bench.reopen, { at: view.bench.reason_at, to: reason }]);
            }}
          />
        ) : panel === "deviation" ? (
          <Deviation
            key={step.id}
            step={step}
            why={why}
            onLeave={() => setPanel("")}
            onDone={(edits, goOn) => {
              setPanel("");
              if (goOn) finish(edits);
              else session.edit([...edits]);
            }}
          />
        ) : (
          <StepSheet
            step={step}
            current={current}
            closed={closed}
            onAnswer={answer}
            onRead={read}
            onEarly={() => session.edit([{ at: `work/${step.id}/early`, to: true }])}
            onPick={pick}
          />
        )}
      </main>
      <section className="bench-board" aria-label="Drawing of this step">
        <Drawing
          svg={view.drawing ?? ""}
          lit={current?.key ?? ""}
          noted={step.lit}
          className="bg-board"
          onPick={() => {}}
        />
      </section>
      <nav className="bench-foot" aria-label="Where to go">
        <button type="button" className="bench-target" onClick={onBack}>
          ‹ back
        </button>
        <button
          type="button"
          className="bench-target"
          aria-pressed={panel === "all"}
          onClick={() => setPanel(panel === "all" ? "" : "all")}
        >
          all steps
        </button>
        <button
          type="button"
          className="bench-target"
          disabled={!may("work")}
          onClick={() => {
            setWhy("");
            setPanel(panel === "deviation" ? "" : "deviation");
          }}
        >
          {view.bench.closed ? "reopen …" : "not as planned …"}
        </button>
        <button
          type="button"
          className="bench-target"
          disabled={closed || Boolean(step.ended)}
          onClick={onLater}
        >
          later
        </button>
        <button
          type="button"
          className="bench-target forward"
          aria-keyshortcuts="Enter PageDown"
          disabled={
            move?.kind === "wait" || move?.kind === "stuck" || move?.kind === "closed" || panel !== ""
          }
          onClick={onForward}
        >
          {WORDS[move?.kind ?? "stuck"](step)}
        </button>
      </nav>
    </div>
  );
}

const WORDS: Record<ReturnType<typeof forward>["kind"], (step: StepView) => string> = {
  read: () => "next reading ›",
  sign: () => "write the name ›",
  yes: () => "yes ›",
  done: (s) => (s.ended && s.state === "done" ? "next ›" : s.state === "changed" ? "still good ›" : "done ›"),
  wait: (s) => (s.until ? `waits until ${moment(s.until, new Date())}` : "waits"),
  stuck: () => "not yet",
  closed: () => "handed over",
};

const before = (steps: StepView[], step: StepView) => steps[Math.max(steps.indexOf(step) - 1, 0)]?.id ?? "";
const after = (steps: StepView[], step: StepView) => steps[steps.indexOf(step) + 1]?.id ?? "";

interface SheetProps {
  step: StepView;
  current: CheckView | undefined;
  closed: boolean;
  onAnswer: (check: CheckView, word: "yes" | "no" | "later") => void;
  onRead: (check: CheckView) => void;
  onEarly: () => void;
  onPick: (id: string) => void;
}

/** One step: its sentence, how, with what, what is read and looked at, what can hurt. */
function StepSheet({ step, current, closed, onAnswer, onRead, onEarly, onPick }: SheetProps) {
  const { say } = useMeasures();
  const view = useBenchState((s) => s.view);
  const settling = useWaiting(({ echoes }) => onItsWay(echoes, view?.bench.steps ?? []));
  const meanwhile = view?.bench.steps.filter((s) => view.bench.meanwhile.includes(s.id)) ?? [];
  const changes = view?.bench.changes ?? [];
  const long = step.says.length > 46;
  return (
    <>
      <h2 className={`leading-[1.08] font-extrabold ${long ? "text-[36px]" : "text-[48px]"}`}>{step.says}</h2>
      {step.ended && (
        <p className="pt-1 text-[20px] text-fine">
          ✓ done {step.who && `by ${step.who}, `}
          {timeOf(step.ended)}
          {step.note && `; ${step.note}`}
        </p>
      )}
      {step.changed.length > 0 && (
        <ul role="status" className={`bench-care ${step.to_remake ? "stop" : ""}`}>
          {step.changed.map((c) => (
            <li key={c.mm}>
              <Frac>{say(c)}</Frac>
            </li>
          ))}
        </ul>
      )}
      {step.state === "blocked" && !settling && (
        <p role="status" className="bench-care">
          {step.why}
        </p>
      )}
      {step.state === "waiting" && (
        <Waiting step={step} meanwhile={meanwhile} onEarly={onEarly} onPick={onPick} />
      )}
      <ul className="bench-how">
        {step.how.map((line) => (
          <li key={line.mm}>
            <Frac>{say(line)}</Frac>
          </li>
        ))}
        {step.people > 1 && <li className="font-bold">two people</li>}
      </ul>
      {step.fetched.length > 0 && (
        <ul className="bench-fetch" aria-label="What it takes">
          {step.fetched.map((f) => (
            <li key={`${f.name} ${f.size.mm}`}>
              <b>{f.count} ×</b> {f.name}
              {f.size.mm && (
                <span className="whitespace-nowrap">
                  {" "}
                  <Frac>{say(f.size)}</Frac>
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      {step.state !== "waiting" && (
        <Checks step={step} current={current} closed={closed} onAnswer={onAnswer} onRead={onRead} />
      )}
      {changes.length > 0 && (
        <section className="bench-care" aria-label="What changes further on">
          <p className="font-bold">Further on this changes:</p>
          <ul>
            {changes.slice(0, 5).map((c) => (
              <li key={c.label}>
                {c.label}: <Frac>{`${say(c.before)} → ${say(c.after)}`}</Frac>
              </li>
            ))}
          </ul>
        </section>
      )}
      {step.cautions.map((c) => (
        <p key={c} className="bench-caution">
          {c}
        </p>
      ))}
      {step.tools.length > 0 && <p className="bench-tools">with {step.tools.join(", ")}</p>}
      {step.papers.length > 0 && <Papers papers={step.papers} />}
    </>
  );
}

/** What the step works by on paper, or hands on. */
function Papers({ papers }: { papers: StepView["papers"] }) {
  const session = useBench();
  const { system } = useMeasures();
  return (
    <p className="bench-tools flex flex-wrap items-center gap-x-5">
      on paper:
      {papers.map(({ name, title }) => (
        <Saves
          key={name}
          className="link grid min-h-11 content-center"
          href={`/api/jobs/${session.id}/papers/${name}?page=a4&system=${system}`}
        >
          {title}
        </Saves>
      ))}
    </p>
  );
}

/** Whether a place belongs to a step: what is done in it, or what it measures. */
const of = (step: StepView, place: string) =>
  place.startsWith(`work/${step.id}/`) || step.checks.some((c) => c.at === place);

function Worker({ who, onWho }: { who: string; onWho: (who: string) => void }) {
  return (
    <label className="flex items-baseline gap-2 whitespace-nowrap text-soft">
      at work
      <input
        className="w-36 border-b border-line bg-transparent text-ink"
        value={who}
        maxLength={60}
        onChange={(e) => onWho(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === "Enter") {
            e.stopPropagation();
            e.currentTarget.blur();
          }
        }}
      />
    </label>
  );
}

function GaugeKey({ gauge }: { gauge: GaugeState }) {
  return (
    <button
      type="button"
      aria-pressed={gauge.on}
      className={`bar-button max-w-64 truncate ${gauge.on ? "font-bold text-accent" : "text-soft"}`}
      onClick={() => gauge.setOn(!gauge.on)}
    >
      gauge{gauge.on ? `: ${gauge.says || "…"}` : ""}
    </button>
  );
}

function Saved({ lost, kept }: { lost: boolean; kept: number }) {
  return (
    <span role="status" className={`whitespace-nowrap ${lost ? "font-bold text-stop" : "text-soft"}`}>
      {lost ? `no connection${kept ? `, ${kept} kept here` : ""}` : kept ? "saving…" : "saved"}
    </span>
  );
}
