import { useCallback, useEffect, useRef, useState } from "react";
import { api, got, newId, plainText, type Rack, Refused, type ShopChange, words } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { PageHeader } from "../doors/PageHeader";
import { longDay, timeOf } from "../ui/dates";
import { Frac } from "../ui/Frac";
import { TableIn } from "../ui/TableIn";

const COLUMNS =
  "type (sheet, moulding, spacer), id, name; then in mm thick_mm, width_mm, height_mm, face_mm, rabbet_mm, lip_mm, price_per_m, price_per_m2, kind, colour, species as the type has them";

/** What was done to the stock, the newest first; the newest can be taken back. */
function Changes({ changes, undone }: { changes: ShopChange[]; undone: () => void }) {
  const { may } = useDoors();
  const [trouble, setTrouble] = useState("");
  const asked = useRef("");
  const undo = async (version: number) => {
    asked.current ||= newId();
    try {
      await got(api.POST("/api/stock/undo", { body: { version, edit_id: asked.current } }));
      asked.current = "";
      setTrouble("");
    } catch (e) {
      if (e instanceof Refused) asked.current = "";
      setTrouble(words(e));
    }
    undone();
  };
  if (!changes.length) return null;
  return (
    <section aria-label="Changes of the stock" className="pt-4">
      <h2 className="small-caps border-b border-line">Changes</h2>
      <ol>
        {changes.map((c) => (
          <li
            key={c.version}
            className="grid grid-cols-[1fr_auto] gap-x-2 border-b border-line py-1 text-[15px]"
          >
            <span>
              {c.says}
              <span className="block text-soft">
                {longDay(c.at.slice(0, 10))}, {timeOf(c.at)}
                {c.who && ` · ${c.who}`}
              </span>
            </span>
            {c.takes_back && may("stock") && (
              <button type="button" className="action" onClick={() => void undo(c.version)}>
                {c.kind === "changed" ? "Take it back" : `Take back ${c.takes_back}`}
              </button>
            )}
          </li>
        ))}
      </ol>
      <p role="alert" className="text-[15px] text-stop empty:hidden">
        {trouble}
      </p>
    </section>
  );
}

/** What lies in the racks, and a table that adds to it or replaces what has the same id. */
export function StockPage() {
  const [all, setAll] = useState<Rack[] | null>(null);
  const [changes, setChanges] = useState<ShopChange[]>([]);
  const [trouble, setTrouble] = useState("");
  // A table whose answer was lost may have been taken in: sent again it is the same change.
  const sent = useRef({ text: "", id: "" });
  const { say } = useMeasures();
  const { may } = useDoors();
  const load = useCallback(() => {
    got(api.GET("/api/stock"))
      .then((racks) => {
        setAll(racks);
        setTrouble("");
      })
      .catch((e: unknown) => setTrouble(words(e)));
    got(api.GET("/api/stock/changes"))
      .then(setChanges)
      .catch(() => {});
  }, []);
  useEffect(() => {
    document.title = "Stock · Shadbo";
    load();
  }, [load]);
  return (
    <div className="mx-auto flex min-h-dvh max-w-6xl flex-col px-4 pb-10">
      <PageHeader />
      <main className="grow">
        <h1 className="py-5 text-3xl font-extrabold">In the racks</h1>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        <div className="grid items-start gap-x-10 lg:grid-cols-[1fr_22rem]">
          <div>
            {all?.map((rack) => (
              <section key={rack.title} aria-label={rack.title} className="pb-5">
                <h2 className="border-b border-ink text-xl font-extrabold">{rack.title}</h2>
                <ul>
                  {rack.lines.map((line) => (
                    <li
                      key={line.name}
                      className="grid min-h-9 grid-cols-[1rem_1fr_auto] items-center gap-x-3 border-b border-line sm:grid-cols-[1rem_16rem_1fr_auto]"
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
                      <span className="text-right whitespace-nowrap">{line.price}</span>
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          </div>
          <aside aria-label="Tables" className="lg:sticky lg:top-4">
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
            </a>
            <Changes changes={changes} undone={load} />
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
