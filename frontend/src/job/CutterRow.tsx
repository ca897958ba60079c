import { useEffect, useRef, useState } from "react";
import { api, type Cut, got, newId, type Question, Refused, words } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { Frac } from "../ui/Frac";
import { useFetched } from "../ui/useFetched";
import { useOutbox, useSession } from "./useSession";

const LABELS = { mat: "Cut the outer mat", mat_inner: "Cut the inner mat" };
const POLL_MS = 400;
const askMachine = () => got(api.GET("/api/cutter"));

/** The mat cutter on the network: what it is, what it does just now, and why it will not. */
export function CutterRow({ q }: { q: Question }) {
  const session = useSession();
  const job = useOutbox((s) => s.job);
  const { say } = useMeasures();
  const { may } = useDoors();
  const { view: machine, trouble: away } = useFetched(askMachine);
  const [cut, setCut] = useState<Cut | null>(null);
  const [trouble, setTrouble] = useState("");
  const mats = (q.typed ?? "").split(" ").filter((m): m is keyof typeof LABELS => m in LABELS);
  const busy = cut !== null && (cut.state === "cutting" || cut.state === "waiting");
  useEffect(() => {
    if (!busy || !cut) return;
    const params = { path: { cut_id: cut.id } };
    const timer = setTimeout(() => {
      got(api.GET("/api/cuts/{cut_id}", { params }))
        .then(setCut)
        .catch((e: unknown) => {
          setTrouble(words(e));
          setCut(null);
        });
    }, POLL_MS);
    return () => clearTimeout(timer);
  }, [cut, busy]);
  // A cut whose answer was lost may be on the table already: pressed again it is the same cut.
  const asked = useRef({ mat: "", mat_inner: "" });
  const send = async (sheet: "mat" | "mat_inner") => {
    setTrouble("");
    setCut(null);
    asked.current[sheet] ||= newId();
    await session.outbox.flush();
    try {
      const params = { path: { job_id: job?.id ?? 0 } };
      const body = { sheet, edit_id: asked.current[sheet] };
      setCut(await got(api.POST("/api/jobs/{job_id}/cut", { params, body })));
      asked.current[sheet] = "";
    } catch (e) {
      if (e instanceof Refused && e.problem.status < 500) asked.current[sheet] = "";
      setTrouble(words(e));
    }
  };
  const stop = async () => {
    if (!cut) return;
    try {
      setCut(await got(api.DELETE("/api/cuts/{cut_id}", { params: { path: { cut_id: cut.id } } })));
    } catch (e) {
      setTrouble(words(e));
    }
  };
  return (
    <section aria-label={q.label} className="border-t border-line py-2">
      <p className="text-[16px]">
        {q.label}
        {machine && <span className="text-soft"> · {machine.name}</span>}
      </p>
      <p className="text-[15px] text-soft">
        Face down, top edge away from you. Hands off while the blade runs.
      </p>
      <div className="flex flex-wrap gap-2 pt-1">
        {!may("cut") && <p className="text-soft">A framer sends it to the machine.</p>}
        {may("cut") &&
          mats.map((sheet) => (
            <button
              key={sheet}
              type="button"
              className="action disabled:opacity-45"
              disabled={!machine || busy}
              onClick={() => void send(sheet)}
            >
              {mats.length === 1 ? "Cut the mat" : LABELS[sheet]}
            </button>
          ))}
        {busy && may("cut") && (
          <button type="button" className="action font-bold text-stop" onClick={() => void stop()}>
            Stop
          </button>
        )}
      </div>
      {cut && (
        <div className="pt-2">
          <progress className="cut-progress" max={1} value={cut.share} aria-label="Path cut" />
          <p role="status" className="text-[15px]">
            <Frac>{say(cut.says)}</Frac>
          </p>
        </div>
      )}
      <p role="alert" className="pt-1 text-[15px] text-stop empty:hidden">
        {trouble || away}
      </p>
    </section>
  );
}
