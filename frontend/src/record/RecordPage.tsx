import { useCallback, useEffect } from "react";
import { Link, useParams } from "react-router";
import { api, got, type RecordView } from "../api/client";
import { Nowhere } from "../app/Nowhere";
import { useMeasures } from "../app/system";
import { PageHeader } from "../doors/PageHeader";
import { longDay } from "../ui/dates";
import { Frac } from "../ui/Frac";
import { useFetched } from "../ui/useFetched";

/** The record of a job: as planned against as built, all that was done, by whom; a page to read, and to print. */
export function RecordPage() {
  const id = Number(useParams().id);
  return Number.isInteger(id) && id > 0 ? <RecordOf id={id} /> : <Nowhere what="There is no such job." />;
}

function RecordOf({ id }: { id: number }) {
  const ask = useCallback(
    () => got(api.GET("/api/jobs/{job_id}/record", { params: { path: { job_id: id } } })),
    [id],
  );
  const { view, trouble } = useFetched<RecordView>(ask);
  useEffect(() => {
    if (view) document.title = `Record of ${view.number} · Shadbo`;
  }, [view]);
  return (
    <div className="record mx-auto max-w-5xl px-4 pb-10">
      <div className="print:hidden">
        <PageHeader />
      </div>
      <main>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        {view ? <Pages view={view} /> : !trouble && <p className="py-8 text-soft">Looking it up…</p>}
      </main>
    </div>
  );
}

/** So many lines are printed on one page in letters of the usual size. */
const LINES_A_PAGE = 75;

function Pages({ view }: { view: RecordView }) {
  const r = view.record;
  const lines = r.sizes.length + r.doings.length * 2 + r.used.length;
  const days = [
    r.received && `received ${longDay(r.received)}`,
    r.due && `promised for ${longDay(r.due)}`,
    r.handed_over && `handed over ${longDay(r.handed_over)}`,
    r.taken_by && `taken by ${r.taken_by}`,
  ].filter(Boolean);
  return (
    <div className={`record-page ${lines > LINES_A_PAGE ? "long" : ""}`}>
      <div className="record-head flex flex-wrap items-end gap-x-6 gap-y-2 py-4">
        <div className="grow">
          <p className="small-caps">
            record of job {view.number} · {view.shop}
          </p>
          <h1 className="text-3xl font-extrabold">{r.title}</h1>
          <p>{[r.owner && `for ${r.owner}`, r.display, r.moulding].filter(Boolean).join(" · ")}</p>
          <p className="text-soft">{days.join(" · ")}</p>
        </div>
        <p className="flex flex-wrap gap-2 print:hidden">
          <Link className="action grid content-center" to={`/jobs/${view.number}`}>
            The job
          </Link>
          <a className="action grid content-center" href={`/api/jobs/${view.number}/archive.zip`}>
            Archive
          </a>
          <button type="button" className="action" onClick={() => window.print()}>
            Print it
          </button>
        </p>
      </div>
      <Came view={view} />
      <Sizes view={view} />
      <Work view={view} />
      <div className="grid gap-x-10 sm:grid-cols-2">
        <Spent view={view} />
        <Used view={view} />
      </div>
    </div>
  );
}

function Came({ view }: { view: RecordView }) {
  const pieces = view.record.pieces;
  return (
    <section aria-labelledby="came">
      <h2 id="came">As it came, and as it left</h2>
      <ul>
        {pieces.map((p, n) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: pieces of one record, which does not change
          <li key={n}>
            <strong>{p.name}</strong>
            {p.maker && `, ${p.maker}`}
            {`: ${p.condition || "its condition was not written down"}`}
            {p.leaves && <span className="block">as it left: {p.leaves}</span>}
            {p.never && <span className="text-caution"> · never: {p.never}</span>}
          </li>
        ))}
      </ul>
      {view.photos.length > 0 && (
        <p className="flex flex-wrap gap-2 pt-2">
          {view.photos.map((id) => (
            <a key={id} href={`/api/jobs/${view.number}/photos/${id}`}>
              <img
                alt={`Photograph ${id} of it`}
                className="h-24 border border-line"
                src={`/api/jobs/${view.number}/photos/${id}?size=small`}
              />
            </a>
          ))}
        </p>
      )}
    </section>
  );
}

function Sizes({ view }: { view: RecordView }) {
  const { say, system } = useMeasures();
  const sizes = view.record.sizes;
  return (
    <section aria-labelledby="sizes">
      <h2 id="sizes">As planned, as built</h2>
      {sizes.length === 0 ? (
        <p className="text-soft">Nothing of it was measured.</p>
      ) : (
        <table>
          <thead>
            <tr>
              <th scope="col">Size, {system}</th>
              <th scope="col" className="num">
                planned
              </th>
              <th scope="col" className="num">
                made
              </th>
              <th scope="col" className="num">
                off by
              </th>
              <th scope="col">read with</th>
            </tr>
          </thead>
          <tbody>
            {sizes.map((s) => (
              <tr key={s.key}>
                <td>{s.label}</td>
                <td className="num">
                  <Frac>{say(s.planned)}</Frac>
                </td>
                <td className="num font-bold">
                  <Frac>{say(s.made)}</Frac>
                </td>
                <td className={`num ${s.off_mm ? "text-caution" : "text-soft"}`}>
                  <Frac>{say(s.off)}</Frac>
                </td>
                <td className="text-soft">{s.tool}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Work({ view }: { view: RecordView }) {
  const { say } = useMeasures();
  const { doings, open } = view.record;
  return (
    <section aria-labelledby="work">
      <h2 id="work">What was done</h2>
      {doings.length === 0 && <p className="text-soft">Nothing yet.</p>}
      {doings.length > 0 && (
        <table>
          <thead>
            <tr>
              <th scope="col">Step</th>
              <th scope="col">by</th>
              <th scope="col">when</th>
              <th scope="col" className="num">
                min
              </th>
              <th scope="col" className="num">
                planned
              </th>
            </tr>
          </thead>
          <tbody>
            {doings.map((d) => (
              <tr key={d.step}>
                <td>
                  <strong>{d.says}</strong>
                  {d.remade > 0 && <span className="text-caution"> · made again, {d.remade} ×</span>}
                  {d.early && <span className="text-caution"> · before its wait was over</span>}
                  {d.note && <span className="block text-caution">not as planned: {d.note}</span>}
                  {d.answers.some((a) => say(a.answer) !== "yes") && (
                    <span className="block text-soft">
                      {d.answers
                        .filter((a) => say(a.answer) !== "yes")
                        .map((a) => `${a.words}: ${say(a.answer)}`)
                        .join("; ")}
                    </span>
                  )}
                  {d.photo && (
                    <a
                      className="link block print:hidden"
                      href={`/api/jobs/${view.number}/photos/${d.photo}`}
                    >
                      its photograph
                    </a>
                  )}
                </td>
                <td className="sm:whitespace-nowrap">{d.who}</td>
                <td className="sm:whitespace-nowrap">{d.when}</td>
                <td className="num">{d.took_said}</td>
                <td className="num text-soft">{d.planned_said}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {open.length > 0 && <p className="pt-2 text-stop">Nobody answered: {open.join("; ")}</p>}
    </section>
  );
}

function Spent({ view }: { view: RecordView }) {
  const { said, by } = view.record.spent;
  return (
    <section aria-labelledby="spent">
      <h2 id="spent">Hours and money</h2>
      <dl>
        {said.map((line) => (
          <div key={line.label} className="contents">
            <dt>{line.label}</dt>
            <dd>{line.value}</dd>
          </div>
        ))}
        {by.map((one) => (
          <div key={one.name} className="contents">
            <dt>{one.name}</dt>
            <dd>{one.said}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function Used({ view }: { view: RecordView }) {
  const { used, wasted } = view.record;
  return (
    <section aria-labelledby="used">
      <h2 id="used">Material</h2>
      {wasted.length > 0 && (
        <ul className="text-caution">
          {wasted.map((w) => (
            <li key={w}>{w}</li>
          ))}
        </ul>
      )}
      <ul className="text-soft">
        {used.map((u, n) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows of one list, which does not change
          <li key={n}>
            {u.count} × {u.name}
          </li>
        ))}
      </ul>
    </section>
  );
}
