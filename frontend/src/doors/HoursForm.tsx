import { useRef, useState } from "react";
import { api, type CrewHours, got, newId, Refused, words } from "../api/client";
import { Field } from "../ui/Field";

interface Props {
  of: CrewHours;
  name: string;
  may: boolean;
  onSet: (hours: CrewHours) => void;
}

/** When somebody works and what their hour costs: one line, and the fields behind it. */
export function HoursForm({ of, name, may, onSet }: Props) {
  const [open, setOpen] = useState(false);
  const [hours, setHours] = useState(of.hours);
  const [away, setAway] = useState(of.away);
  const [rate, setRate] = useState(of.rate);
  const [leaves, setLeaves] = useState(() => of.stages.filter((s) => !s.does).map((s) => s.stage));
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const [trouble, setTrouble] = useState("");
  const sent = useRef({ what: "", id: "" });
  const set = async () => {
    const what = JSON.stringify([hours, away, rate, leaves]);
    if (sent.current.what !== what) sent.current = { what, id: newId() };
    setWrong({});
    setTrouble("");
    try {
      const params = { path: { person_id: of.id } };
      const body = { edit_id: sent.current.id, hours, away, rate, leaves };
      const now = await got(api.POST("/api/people/{person_id}/hours", { params, body }));
      setHours(now.hours);
      setAway(now.away);
      setRate(now.rate);
      onSet(now);
      setOpen(false);
    } catch (e) {
      const [first] = e instanceof Refused ? (e.problem.errors ?? []) : [];
      if (first) setWrong({ [first.at.replace(/^body[./]/, "")]: first.message });
      else setTrouble(words(e));
    }
  };
  const told = [
    of.hours || `${of.usual}, whenever it is open`,
    of.away && `away ${of.away}`,
    of.rate && `${of.currency} ${of.rate} an hour`,
    of.stages.some((s) => !s.does) &&
      `not ${of.stages
        .filter((s) => !s.does)
        .map((s) => s.says.toLowerCase())
        .join(", ")}`,
  ].filter(Boolean);
  return (
    <div className="w-full text-[15px]">
      <p className="flex flex-wrap items-center gap-x-4 text-soft">
        <span>{told.join(" · ")}</span>
        {may && (
          <button type="button" className="link min-h-10" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "close the" : ""} hours <span className="sr-only">of {name}</span>
          </button>
        )}
      </p>
      {open && (
        <form
          aria-label={`Hours of ${name}`}
          className="grid gap-x-6 border-l-4 border-line pl-4 sm:grid-cols-[1fr_1fr_8rem]"
          onSubmit={(e) => {
            e.preventDefault();
            void set();
          }}
        >
          <Field
            label="Works"
            value={hours}
            set={setHours}
            wrong={wrong.hours}
            says="as Tue-Thu 9-13; empty: whenever it is open"
          />
          <Field
            label="Away on"
            value={away}
            set={setAway}
            wrong={wrong.away}
            says="as 24 Dec to 2 Jan, 6 Jan"
          />
          <Field label={`${of.currency} an hour`} value={rate} set={setRate} wrong={wrong.rate} />
          <fieldset className="sm:col-span-3">
            <legend className="text-soft">Does, of the work</legend>
            <div className="flex flex-wrap gap-x-4">
              {of.stages.map((s) => (
                <label key={s.stage} className="flex min-h-11 cursor-pointer items-center gap-x-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-accent"
                    checked={!leaves.includes(s.stage)}
                    onChange={(e) =>
                      setLeaves((was) =>
                        e.target.checked ? was.filter((x) => x !== s.stage) : [...was, s.stage],
                      )
                    }
                  />
                  {s.says}
                </label>
              ))}
            </div>
          </fieldset>
          <p role="alert" className="text-stop empty:hidden sm:col-span-3">
            {trouble}
          </p>
          <button type="submit" className="action mb-2 justify-self-start">
            Set it
          </button>
        </form>
      )}
    </div>
  );
}
