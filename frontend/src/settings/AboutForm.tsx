import { useRef, useState } from "react";
import { api, got, newId, type PracticeView, Refused, words } from "../api/client";
import { Field } from "../ui/Field";

interface Props {
  about: PracticeView["about"];
  may: boolean;
  onSet: (view: PracticeView) => void;
}

/** The workshop itself: what it is called, counts in and cuts to. */
export function AboutForm({ about, may, onSet }: Props) {
  const [name, setName] = useState(about.name);
  const [currency, setCurrency] = useState(about.currency);
  const [mark, setMark] = useState(about.mark);
  const [hours, setHours] = useState(about.hours);
  const [closed, setClosed] = useState(about.closed);
  const [zone, setZone] = useState(about.zone);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const [said, setSaid] = useState("");
  const sent = useRef({ what: "", id: "" });
  const same =
    name === about.name &&
    currency === about.currency &&
    mark === about.mark &&
    hours === about.hours &&
    closed === about.closed &&
    zone === about.zone;
  const set = async () => {
    const what = JSON.stringify([name, currency, mark, hours, closed, zone]);
    if (sent.current.what !== what) sent.current = { what, id: newId() };
    setWrong({});
    try {
      const body = { edit_id: sent.current.id, name, currency, mark: mark as "1 mm", hours, closed, zone };
      const view = await got(api.POST("/api/practice/about", { body }));
      setHours(view.about.hours);
      setClosed(view.about.closed);
      onSet(view);
      setSaid("It is set.");
    } catch (e) {
      const [first] = e instanceof Refused ? (e.problem.errors ?? []) : [];
      if (first) setWrong({ [first.at.replace(/^body[./]/, "")]: first.message });
      else setSaid(words(e));
    }
  };
  return (
    <form
      aria-label="The workshop"
      className="max-w-xl"
      onSubmit={(e) => {
        e.preventDefault();
        void set();
      }}
    >
      <Field label="Name of the workshop" value={name} set={setName} wrong={wrong.name} />
      <Field label="Currency" value={currency} set={setCurrency} wrong={wrong.currency} />
      <Field
        label="Open"
        value={hours}
        set={setHours}
        wrong={wrong.hours}
        says="as Mon-Fri 8:30-17:30, Sat 9-13"
      />
      <Field
        label="Closed on"
        value={closed}
        set={setClosed}
        wrong={wrong.closed}
        says="as 24 Dec to 2 Jan, 6 Jan; orders are counted without these days"
      />
      <Field
        label="Clock on the wall, by its time zone"
        value={zone}
        set={setZone}
        wrong={wrong.zone}
        says="hours are those of this clock, summer time and all"
        among={about.zones}
      />
      <fieldset className="pt-2">
        <legend className="text-soft">Cut to the nearest; a bare number is in its unit</legend>
        <div className="flex flex-wrap gap-y-1 pt-1">
          {about.marks.map((m) => (
            <label
              key={m}
              className="-ml-px min-h-11 cursor-pointer content-center border border-ink px-3 first:ml-0 has-checked:bg-accent has-checked:font-bold has-checked:text-white has-focus-visible:outline-3 has-focus-visible:outline-accent"
            >
              <input
                type="radio"
                name="mark"
                className="sr-only"
                checked={mark === m}
                disabled={!may}
                onChange={() => setMark(m)}
              />
              {m}
            </label>
          ))}
        </div>
      </fieldset>
      <p className="pt-2 text-[15px] text-soft">
        A job with its first part cut keeps the mark and the habits that it was cut by.
      </p>
      {may && (
        <button type="submit" className="action mt-3 disabled:opacity-45" disabled={same}>
          Set it
        </button>
      )}
      <p role="status" className="pt-1 text-soft empty:hidden">
        {said}
      </p>
    </form>
  );
}
