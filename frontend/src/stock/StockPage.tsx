import { useEffect, useRef, useState } from "react";
import { api, got, newId, plainText, type Rack } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { PageHeader } from "../doors/PageHeader";
import { Frac } from "../ui/Frac";
import { ShopChanges } from "../ui/ShopChanges";
import { TableIn } from "../ui/TableIn";
import { useFetched } from "../ui/useFetched";
import { ItemEditor } from "./ItemEditor";

const COLUMNS =
  "type, id, name, then what that type has, as a saved table shows; in mm and kg. What has the same id is replaced";

/** What lies in the racks, and a table that adds to it or replaces what has the same id. */
const ask = () => got(api.GET("/api/stock"));

export function StockPage() {
  const { view: all, trouble, load } = useFetched<Rack[]>(ask);
  const [open, setOpen] = useState<{ home: string; id: string } | null>(null);
  // A table whose answer was lost may have been taken in: sent again it is the same change.
  const sent = useRef({ text: "", id: "" });
  const { say } = useMeasures();
  const { may } = useDoors();
  useEffect(() => {
    document.title = "Stock · Shadbo";
  }, []);
  return (
    <div className="mx-auto flex min-h-dvh max-w-6xl flex-col px-4 pb-10">
      <PageHeader />
      <main className="grow">
        <h1 className="py-5 text-3xl font-extrabold">In the racks</h1>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        <div className="grid items-start gap-x-10 lg:grid-cols-[1fr_24rem]">
          <div>
            {all?.map((rack) => (
              <section key={rack.home} aria-label={rack.title} className="pb-5">
                <div className="flex items-baseline gap-3 border-b border-ink">
                  <h2 className="grow text-xl font-extrabold">{rack.title}</h2>
                  {may("stock") && (
                    <button
                      type="button"
                      className="link min-h-11"
                      aria-label={`Add a ${rack.one}`}
                      onClick={() => setOpen({ home: rack.home, id: "" })}
                    >
                      add
                    </button>
                  )}
                </div>
                <ul>
                  {rack.lines.map((line) => (
                    <li key={line.id} className="border-b border-line">
                      <button
                        type="button"
                        aria-pressed={open?.home === rack.home && open.id === line.id}
                        className={`grid min-h-11 w-full grid-cols-[1rem_1fr_auto] items-center gap-x-3 text-left hover:bg-board sm:grid-cols-[1rem_14rem_1fr_auto] ${open?.home === rack.home && open.id === line.id ? "bg-board" : ""} ${line.retired ? "text-soft line-through decoration-1" : ""}`}
                        onClick={() => setOpen({ home: rack.home, id: line.id })}
                      >
                        <span
                          aria-hidden="true"
                          className={line.colour ? "h-5 w-5 border border-ink" : ""}
                          style={{ background: line.colour || undefined }}
                        />
                        <span className="font-bold">{line.name}</span>
                        <span className="col-start-2 sm:col-start-3">
                          <Frac>{say(line.says)}</Frac>
                        </span>
                        <span className="text-right whitespace-nowrap">{say(line.price)}</span>
                        {line.retired && <span className="sr-only">offered no more</span>}
                      </button>
                    </li>
                  ))}
                  {rack.lines.length === 0 && <li className="py-2 text-soft">nothing yet</li>}
                </ul>
              </section>
            ))}
          </div>
          <aside
            aria-label="What is open, tables, changes"
            className={`lg:sticky lg:top-4 lg:order-none lg:max-h-dvh lg:overflow-y-auto lg:pb-6 ${open ? "order-first" : ""}`}
          >
            {open && (
              <div className="pb-6">
                <ItemEditor
                  key={`${open.home}/${open.id}`}
                  home={open.home}
                  id={open.id}
                  may={may("stock")}
                  onKept={(home, id) => {
                    setOpen({ home, id });
                    load();
                  }}
                  onClose={() => setOpen(null)}
                />
              </div>
            )}
            {may("stock") && (
              <TableIn
                label="Take stock in from a table (CSV)"
                columns={COLUMNS}
                word="line"
                read={async (text, plain) => {
                  const params = { query: { save: false } };
                  return (await got(api.POST("/api/stock/table", { params, body: text, ...plain }))).taken;
                }}
                take={async (_, text) => {
                  if (sent.current.text !== text) sent.current = { text, id: newId() };
                  const params = { query: { save: true, edit_id: sent.current.id } };
                  await got(api.POST("/api/stock/table", { params, body: text, ...plainText }));
                  sent.current = { text: "", id: "" };
                  load();
                }}
              />
            )}
            <a className="action mt-2 inline-block content-center" href="/api/stock/table" download>
              Save it as a table
            </a>{" "}
            <a className="action mt-2 inline-block content-center" href="/api/stock/table.xlsx" download>
              As a spreadsheet
            </a>
            <ShopChanges after={all} undone={load} />
            <p className="pt-2 text-[15px] text-soft">
              A job keeps the material that was chosen for it, and all of it once its first part is cut. What
              the plan still chooses follows the racks.
            </p>
          </aside>
        </div>
      </main>
    </div>
  );
}
