import { useState } from "react";
import { api, got, type ReadyView, type WeeksView, words } from "../api/client";
import { useMeasures } from "../app/system";

interface Props {
  examples: WeeksView["examples"];
  /** A job that is open in the list: another like it can be asked for. */
  picked: number | null;
}

/** When a piece would be ready that came in now; nothing is kept of it. */
export function AskAbout({ examples, picked }: Props) {
  const { system } = useMeasures();
  const [what, setWhat] = useState(examples[0]?.id ?? "");
  const [due, setDue] = useState("");
  const [answer, setAnswer] = useState<ReadyView | null>(null);
  const [wrong, setWrong] = useState("");
  const ask = async () => {
    setWrong("");
    const job = what.startsWith("job ") ? Number(what.slice(4)) : null;
    try {
      const body = { example: job === null ? what : "", job_id: job, due, system };
      setAnswer(await got(api.POST("/api/schedule/ask", { body })));
    } catch (e) {
      setAnswer(null);
      setWrong(words(e));
    }
  };
  return (
    <form
      aria-label="If it came in now"
      className="grow"
      onSubmit={(e) => {
        e.preventDefault();
        void ask();
      }}
    >
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <label className="flex items-center gap-x-2">
          If there came in now
          <select
            className="min-h-11 max-w-80 border border-ink bg-board px-2"
            value={what}
            onChange={(e) => setWhat(e.target.value)}
          >
            {picked !== null && <option value={`job ${picked}`}>another like job {picked}</option>}
            {examples.map((x) => (
              <option key={x.id} value={x.id}>
                {x.says}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-x-2">
          promised for
          <input
            className="entry w-32! text-[18px]!"
            placeholder="18 Dec"
            value={due}
            maxLength={40}
            aria-invalid={wrong ? true : undefined}
            onChange={(e) => setDue(e.target.value)}
          />
        </label>
        <button type="submit" className="action">
          When is it ready?
        </button>
      </div>
      <p aria-live="polite" className={`min-h-6 pt-1 ${wrong ? "text-stop" : ""}`}>
        {wrong}
        {answer && (
          <>
            It would be ready{" "}
            <strong className={answer.promise === "late" ? "text-stop" : ""}>{answer.ready}</strong>:{" "}
            {answer.says}.<span className="text-soft"> No other job moves for it.</span>
          </>
        )}
      </p>
    </form>
  );
}
