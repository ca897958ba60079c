import { useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { api, got, type PracticeView, type Worked } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { PageHeader } from "../doors/PageHeader";
import { Frac } from "../ui/Frac";
import { ShopChanges } from "../ui/ShopChanges";
import { useFetched } from "../ui/useFetched";
import { AboutForm } from "./AboutForm";
import { HabitRow } from "./HabitRow";

const ABOUT = "about";

/** The shop's own habits, by the station where they count, each with an example of what it changes. */
const ask = () => got(api.GET("/api/practice"));

export function SettingsPage() {
  const { view, setView, trouble, load } = useFetched<PracticeView>(ask);
  const [group, setGroup] = useState(ABOUT);
  const [open, setOpen] = useState("");
  const [sought, setSought] = useState("");
  const [worked, setWorked] = useState<Worked | null>(null);
  const { may } = useDoors();
  const { again } = useMeasures();
  const mayChange = may("practice");
  useEffect(() => {
    document.title = "Settings · Shadbo";
  }, []);
  const rows = useMemo(() => {
    const all = view?.groups ?? [];
    const asked = sought.trim().toLowerCase();
    if (asked) return all.flatMap((g) => g.rows).filter((h) => h.label.toLowerCase().includes(asked));
    return all.find((g) => g.station === group)?.rows ?? [];
  }, [view, group, sought]);
  const took = (next: PracticeView) => {
    setView(next);
    again();
    load();
  };
  const owns = (name: string) =>
    view?.groups.find((g) => g.station === name)?.rows.filter((h) => h.own).length ?? 0;
  const about = group === ABOUT && !sought;
  return (
    <div className="mx-auto flex min-h-dvh max-w-7xl flex-col px-4 pb-10">
      <PageHeader />
      <main className="grow">
        <div className="flex flex-wrap items-end gap-x-6">
          <h1 className="grow py-5 text-3xl font-extrabold">How this shop works</h1>
          <Link className="link grid min-h-11 content-center pb-4" to="/learned">
            What its own jobs say
          </Link>
          <label className="w-full pb-4 sm:w-80">
            <span className="sr-only">Find a setting</span>
            <input
              type="search"
              placeholder="Find: border, wire, factor…"
              className="entry text-[19px]!"
              value={sought}
              onChange={(e) => setSought(e.target.value)}
            />
          </label>
        </div>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        <div className="grid items-start gap-x-8 gap-y-6 md:grid-cols-[13rem_minmax(0,1fr)] xl:grid-cols-[13rem_minmax(0,1fr)_30rem]">
          <nav aria-label="Groups of settings">
            <ul className="border-t border-ink">
              {[
                { station: ABOUT, title: "The workshop" },
                ...(view?.groups ?? []).map(({ station, title }) => ({ station: String(station), title })),
              ].map((g) => (
                <li key={g.station} className="border-b border-line">
                  <button
                    type="button"
                    aria-pressed={!sought && group === g.station}
                    className={`min-h-12 w-full px-3 text-left ${!sought && group === g.station ? "bg-ink font-bold text-paper" : ""}`}
                    onClick={() => {
                      setSought("");
                      setGroup(g.station);
                      setOpen("");
                      setWorked(null);
                    }}
                  >
                    {g.title}
                    {owns(g.station) > 0 && (
                      <span className="block text-[15px] font-normal opacity-80">
                        {owns(g.station)} of your own
                      </span>
                    )}
                  </button>
                </li>
              ))}
            </ul>
          </nav>
          <section aria-label="Settings">
            {view === null && !trouble && <p className="text-soft">Fetching how this shop works…</p>}
            {view && about && <AboutForm about={view.about} may={mayChange} onSet={took} />}
            {view && !about && rows.length === 0 && <p className="text-soft">No setting answers to that.</p>}
            {!about && (
              <ul className="border-t border-ink">
                {rows.map((h) => (
                  <HabitRow
                    key={h.name}
                    habit={h}
                    may={mayChange}
                    open={open === h.name}
                    onOpen={() => {
                      setOpen(open === h.name ? "" : h.name);
                      setWorked(null);
                    }}
                    onShown={setWorked}
                    onSet={took}
                    onLate={load}
                  />
                ))}
              </ul>
            )}
          </section>
          <aside className="md:col-start-2 xl:sticky xl:top-4 xl:col-start-3">
            {!about && open && worked && <Example worked={worked} />}
            {!about && open && !worked && (
              <p className="text-soft">
                This one shows in no figure: it sets marks, drawings, or when something is said.
              </p>
            )}
            {!about && !open && <p className="text-soft">Open a setting to see what it changes.</p>}
            {about && (
              <ShopChanges
                after={view}
                undone={() => {
                  load();
                  again();
                }}
              />
            )}
          </aside>
        </div>
      </main>
    </div>
  );
}

/** What a setting comes to in one example, now and with what is typed; drawn as it would be. */
function Example({ worked }: { worked: Worked }) {
  const { say } = useMeasures();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    for (const g of box.current?.querySelectorAll<SVGElement>("[data-key]") ?? [])
      g.classList.toggle("lit", Boolean(worked.line) && g.dataset.key === worked.line);
  }, [worked]);
  const then = say(worked.then);
  return (
    <section aria-label="What it changes">
      <h2 className="text-xl font-extrabold">
        <Frac>{say(worked.title)}</Frac>
      </h2>
      <p role="status" className="pb-2 text-lg">
        <span
          className={then && then !== say(worked.now) ? "text-soft line-through decoration-1" : "font-bold"}
        >
          <Frac>{say(worked.now)}</Frac>
        </span>
        {then && then !== say(worked.now) && (
          <strong className="block">
            <Frac>{then}</Frac>
          </strong>
        )}
        {then && then === say(worked.now) && <span className="text-soft"> as before</span>}
      </p>
      <div
        ref={box}
        className="drawing border border-line bg-board"
        dangerouslySetInnerHTML={{ __html: worked.picture }}
      />
    </section>
  );
}
