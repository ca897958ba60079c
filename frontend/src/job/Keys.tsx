import { useDoors } from "../doors/here";
import { useSession } from "./useSession";

const KEYS: [string, string][] = [
  ["Enter", "accepts and goes on to the next field, after the last to the next station"],
  ["Page Down, Page Up", "next, previous station"],
  ["Alt and a number", "that station"],
  ["=", "in a reading: the same as the one before it, and on"],
  ["a letter", "on answers: the one that begins with it, and on where no other does"],
  ["t r c e", "in a reading: by tape, rule, caliper, eye"],
  ["+", "the next thing that can be added here"],
  ["↑ ↓", "in a length: one mark more or less; on a display: another one"],
  ["← →", "on turn: walk round what is taken apart"],
  ["arrows", "on a piece's row: move it by a mark, with Shift by ten; on a photograph: move the cross"],
  ["Esc", "drops what is being typed; closes a working"],
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["?", "these keys"],
];

/** What the hands can do without a mouse. */
export function Keys() {
  const session = useSession();
  const { may } = useDoors();
  return (
    <section aria-labelledby="station-title" className="px-5 pt-3 pb-6">
      <h2 id="station-title" tabIndex={-1} className="text-2xl font-extrabold outline-none">
        Keys
      </h2>
      <p className="pb-2 text-soft">The same everywhere on a job; ? leads back.</p>
      {may("plan") && (
        <button
          type="button"
          className="link min-h-11"
          onClick={() => session.edit([{ at: "guided", to: true }])}
        >
          Lead me through this job
        </button>
      )}
      <dl>
        {KEYS.map(([key, does]) => (
          <div key={key} className="border-t border-line py-2">
            <dt className="font-bold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
