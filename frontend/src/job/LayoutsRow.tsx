import { useState } from "react";
import { api, got, type ProposedLayout, type Question, words } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { useSession } from "./useSession";

/** Layouts that a solver proposes, each planned: the smallest frame first, with what speaks for it. */
export function LayoutsRow({ q }: { q: Question }) {
  const session = useSession();
  const { say } = useMeasures();
  const [found, setFound] = useState<ProposedLayout[] | null>(null);
  const [state, setState] = useState("");
  const ask = async () => {
    setState("working them out…");
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
