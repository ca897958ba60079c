import { useEffect, useState } from "react";
import { api, got, type Pending, type ProposedLayout, type Question, words } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { useSession } from "./useSession";

/** Layouts that a solver proposes, each planned: the smallest frame first, with what speaks for it. */
export function LayoutsRow({ q }: { q: Question }) {
  const session = useSession();
  const { say } = useMeasures();
  const [found, setFound] = useState<ProposedLayout[] | null>(null);
  const [state, setState] = useState("");
  const [busy, setBusy] = useState(false);
  const ask = async () => {
    setState("");
    setBusy(true);
    try {
      const params = { path: { job_id: session.id } };
      const body = { edits: session.unsaved(), system: session.system };
      const all = await got(api.POST("/api/jobs/{job_id}/layouts", { params, body }));
      setFound(all);
      setState(
        all.length ? "" : "No layout goes into the sheets of the stock; take smaller gaps or margins.",
      );
    } catch (e) {
      setState(words(e));
    }
    setBusy(false);
  };
  return (
    <section aria-label={q.label} className="border-t border-line py-2">
      <button type="button" className="action w-full" onClick={() => void ask()}>
        {found ? "Propose again" : "Propose layouts, smallest frame first"}
      </button>
      <p className="pt-1 text-[15px] text-soft">
        Or drag a piece on the front view; on its row below, the arrow keys move it by a mark, with Shift by
        ten.
      </p>
      <p role="status" className="pt-1 text-[15px] text-soft empty:hidden">
        {state}
      </p>
      {busy && <AtWork job={session.id} />}
      {found?.map((layout) => (
        <button
          key={layout.name}
          type="button"
          className="compare"
          onClick={() => {
            session.look({ view: "front", open: "" });
            session.edit(layout.edits);
          }}
        >
          <span
            aria-hidden="true"
            className="compare-drawing drawing"
            dangerouslySetInnerHTML={{ __html: layout.picture }}
          />
          <span className="min-w-0">
            <span className="block text-[18px] font-bold">{layout.name}</span>
            <span className="block text-[15px]">
              <Frac>{say(layout.size)}</Frac>
            </span>
            <span className="block text-[14px] text-soft">
              <Frac>{say(layout.reason)}</Frac>
            </span>
          </span>
        </button>
      ))}
    </section>
  );
}

const LOOK_MS = 700;

/** How far the solver is, what waits before it, and a way to let it be. */
function AtWork({ job }: { job: number }) {
  const [mine, setMine] = useState<Pending | null>(null);
  useEffect(() => {
    const look = () =>
      got(api.GET("/api/work"))
        .then((all) => setMine(all.find((w) => w.job_id === job && w.kind === "layouts") ?? null))
        .catch(() => {});
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, [job]);
  const before = mine?.ahead === 1 ? "one thing waits" : `${mine?.ahead} things wait`;
  return (
    <p role="status" className="flex items-center gap-x-3 pt-1 text-[15px] text-soft">
      <span className="grow">
        {mine?.state === "working"
          ? `at it for ${mine.seconds} s`
          : mine?.ahead
            ? `${before} before it`
            : "working them out…"}
      </span>
      {mine && (
        <button
          type="button"
          className="action"
          onClick={() =>
            void got(api.DELETE("/api/work/{work_id}", { params: { path: { work_id: mine.id } } })).catch(
              () => {},
            )
          }
        >
          Let it be
        </button>
      )}
    </p>
  );
}
