import { useCallback, useRef, useState } from "react";
import { api, got, newId, Refused, words } from "../api/client";
import { useDoors } from "../doors/here";
import { longDay, timeOf } from "./dates";
import { useFetched } from "./useFetched";

/** What was done to stock and habits, the newest first; the newest can be taken back. */
export function ShopChanges({ after, undone }: { after: unknown; undone: () => void }) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again after whatever was changed
  const ask = useCallback(() => got(api.GET("/api/stock/changes")), [after]);
  const { view: changes } = useFetched(ask);
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
  if (!changes?.length) return null;
  return (
    <section aria-label="Changes of stock and habits" className="pt-4">
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
