import { useCallback, useEffect } from "react";
import { Link } from "react-router";
import { api, type DayView, got, type HandView, type Ring, type Slot } from "../api/client";
import { PageHeader } from "../doors/PageHeader";
import { useAgain } from "./useAgain";

/** A day of the shop: what everybody does now and after that, and which waits end when. */
export function TodayPage() {
  const ask = useCallback(() => got(api.GET("/api/schedule/today")), []);
  const { view, trouble } = useAgain<DayView>(ask);
  useEffect(() => {
    document.title = "Today · Shadbo";
  }, []);
  const day = view?.today;
  return (
    <div className="mx-auto flex min-h-dvh max-w-7xl flex-col px-4 pb-6">
      <PageHeader />
      <main className="flex grow flex-col">
        <div className="flex flex-wrap items-baseline gap-x-6 py-3">
          <h1 className="grow text-3xl font-extrabold">
            {day && day.says !== "today" ? `Next: ${day.says}` : "Today"}
          </h1>
          <p className="text-soft">{view && `planned ${view.planned}`}</p>
        </div>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        {!day ? (
          <p className="py-8 text-soft">Looking at what is left of every job…</p>
        ) : (
          <>
            <Rings rings={day.rings} />
            {day.hands.length === 0 && (
              <p className="py-6 text-lg">
                Nobody works here yet.{" "}
                <Link className="link" to="/people">
                  Put people in
                </Link>
                , and their day is planned.
              </p>
            )}
            <div className="grid grow content-start gap-x-6 gap-y-8 sm:grid-cols-2 lg:grid-cols-[repeat(auto-fit,minmax(15rem,1fr))]">
              {day.hands.map((hand) => (
                <Hand key={hand.id} hand={hand} mine={hand.id === view.me} />
              ))}
            </div>
          </>
        )}
      </main>
    </div>
  );
}

/** Steps of one job one after the other are told together. */
function together(slots: Slot[]): Slot[][] {
  const out: Slot[][] = [];
  for (const slot of slots) {
    const last = out.at(-1);
    if (last && last[0]?.job === slot.job) last.push(slot);
    else out.push([slot]);
  }
  return out;
}

function Hand({ hand, mine }: { hand: HandView; mine: boolean }) {
  const [first, ...later] = hand.slots;
  return (
    <section
      aria-label={hand.name}
      className={mine ? "border-t-4 border-accent pt-1" : "border-t border-ink pt-2"}
    >
      <h2 className="text-xl font-extrabold">
        {hand.name} {hand.learning && <span className="text-[15px] font-normal text-soft">learning</span>}
      </h2>
      {!first && <p className="pt-2 text-soft">{hand.away || "nothing to do"}</p>}
      {first && (
        <Link to={`/jobs/${first.job}/bench`} className="mt-1 block bg-board p-3 hover:bg-white">
          <span className="block text-soft">
            {first.running ? "at it now" : first.start} · {first.job} {first.title}
          </span>
          <span className="block text-2xl leading-tight font-bold">{first.says}</span>
          <span className="block text-soft">
            {first.minutes} min{first.others && `, with ${first.others}`}
          </span>
        </Link>
      )}
      <ol className="pt-2">
        {together(later).map((run) => {
          const [head] = run;
          if (!head) return null;
          return (
            <li key={`${head.start} ${head.job} ${head.step}`} className="border-b border-line">
              <Link
                to={`/jobs/${head.job}/bench`}
                className="grid min-h-11 grid-cols-[3.2rem_1fr] gap-x-2 py-1.5 hover:bg-board"
              >
                <span className="font-bold">{head.start}</span>
                <span>
                  <span className="font-bold">
                    {head.job} {head.title}
                  </span>
                  <span className="block text-soft">
                    {head.says}
                    {run.length > 1 && `, and ${run.length - 1} more`}
                    {head.others && ` · with ${head.others}`}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function Rings({ rings }: { rings: Ring[] }) {
  const sure = rings.filter((r) => r.sure);
  const planned = rings.filter((r) => !r.sure);
  return (
    <section
      aria-labelledby="rings-title"
      className="flex flex-wrap items-baseline gap-x-8 border-t border-line pb-3"
    >
      <h2 id="rings-title" className="font-extrabold">
        What is over when
      </h2>
      {rings.length === 0 && <p className="grid min-h-11 content-center text-soft">No wait ends by then.</p>}
      <RingList rings={sure} />
      {planned.length > 0 && (
        <details>
          <summary className="link grid min-h-11 cursor-pointer content-center">
            {planned.length} more, if all goes well
          </summary>
          <RingList rings={planned} />
        </details>
      )}
    </section>
  );
}

function RingList({ rings }: { rings: Ring[] }) {
  if (rings.length === 0) return null;
  return (
    <ul className="flex flex-wrap gap-x-8">
      {rings.map((r) => (
        <li key={`${r.job} ${r.step} ${r.at}`}>
          <Link to={`/jobs/${r.job}/bench`} className="grid min-h-11 content-center hover:bg-board">
            <span>
              <span className="font-bold">{r.when}</span> {r.job} {r.says}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
