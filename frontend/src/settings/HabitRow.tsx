import { useEffect, useId, useRef, useState } from "react";
import { api, got, type Habit, newId, type PracticeView, Refused, type Worked, words } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";

const REST_MS = 250;

interface Props {
  habit: Habit;
  open: boolean;
  may: boolean;
  onOpen: () => void;
  onShown: (worked: Worked | null) => void;
  onSet: (view: PracticeView) => void;
  onLate: () => void;
}

/** One habit as a line; opened, it is a field whose example is worked out while it is typed. */
export function HabitRow({ habit, open, may, onOpen, onShown, onSet, onLate }: Props) {
  const { say } = useMeasures();
  return (
    <li className="border-b border-line">
      <button
        type="button"
        aria-expanded={open}
        className="grid min-h-11 w-full grid-cols-[1fr_auto] items-baseline gap-x-4 py-1.5 text-left hover:bg-board"
        onClick={onOpen}
      >
        <span>{habit.label}</span>
        <span className="text-right">
          <strong className={habit.own ? "text-accent" : ""}>
            <Frac>{say(habit.value)}</Frac>
          </strong>
          {habit.own && (
            <span className="block text-[15px] text-soft">
              usual <Frac>{say(habit.usual)}</Frac>
            </span>
          )}
        </span>
      </button>
      {open && <HabitField {...{ habit, may, onShown, onSet, onLate }} />}
    </li>
  );
}

function HabitField({ habit, may, onShown, onSet, onLate }: Omit<Props, "open" | "onOpen">) {
  const { say, system } = useMeasures();
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState("");
  const [busy, setBusy] = useState(false);
  const [was, setWas] = useState(habit.was);
  const sent = useRef({ what: "", id: "" });
  const id = useId();
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  const refuse = (e: unknown) =>
    setWrong(e instanceof Refused ? (e.problem.errors?.[0]?.message ?? e.problem.title) : words(e));
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again for what is typed, and once it is set
  useEffect(() => {
    let gone = false;
    const body = { name: habit.name, system, typed: typed.trim() || null };
    const timer = setTimeout(
      () => {
        got(api.POST("/api/practice/try", { body }))
          .then((worked) => {
            if (gone) return;
            onShown(worked);
            setWrong("");
          })
          .catch((e: unknown) => gone || refuse(e));
      },
      typed ? REST_MS : 0,
    );
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [habit.name, habit.was, typed, system]);
  const set = async (to: string | null) => {
    const what = JSON.stringify([habit.name, to, was, system]);
    if (sent.current.what !== what) sent.current = { what, id: newId() };
    setBusy(true);
    try {
      const body = { name: habit.name, typed: to, system, was, edit_id: sent.current.id };
      const view = await got(api.POST("/api/practice", { body }));
      setTyped("");
      setWrong("");
      for (const row of view.groups.flatMap((g) => g.rows)) if (row.name === habit.name) setWas(row.was);
      onSet(view);
    } catch (e) {
      refuse(e);
      if (e instanceof Refused) onLate();
    }
    setBusy(false);
  };
  const late = was !== habit.was;
  return (
    <div className="pb-3 pl-4">
      <div className="flex flex-wrap items-end gap-3">
        <div className="grow">
          <label htmlFor={id} className="block text-[15px] text-soft">
            Set it to, <Frac>{say(habit.sense)}</Frac>
          </label>
          <input
            ref={field}
            id={id}
            className="entry"
            autoComplete="off"
            spellCheck={false}
            readOnly={!may}
            value={typed}
            placeholder={say(habit.value)}
            aria-invalid={Boolean(wrong)}
            aria-describedby={`${id}-wrong`}
            onChange={(e) => setTyped(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === "Enter" && typed.trim() && !busy) void set(typed);
            }}
          />
        </div>
        {may && (
          <>
            <button
              type="button"
              className="action disabled:opacity-45"
              disabled={!typed.trim() || Boolean(wrong && !late) || busy}
              onClick={() => void set(typed)}
            >
              Set it
            </button>
            {habit.own && (
              <button type="button" className="action" disabled={busy} onClick={() => void set(null)}>
                Back to usual
              </button>
            )}
          </>
        )}
      </div>
      <p id={`${id}-wrong`} role="alert" className="text-stop empty:hidden">
        {wrong}
      </p>
      {late && (
        <p className="flex flex-wrap items-center gap-2 bg-caution-tone px-2 py-1">
          <span className="grow">
            Someone else set it to <Frac>{say(habit.value)}</Frac>
            {typed && `; you typed ${typed}`}.
          </span>
          <button type="button" className="action" onClick={() => setWas(habit.was)}>
            Keep on with mine
          </button>
          <button
            type="button"
            className="action"
            onClick={() => {
              setWas(habit.was);
              setTyped("");
              setWrong("");
            }}
          >
            Take theirs
          </button>
        </p>
      )}
      <p className="pt-1 text-[15px] text-soft">
        Usual: <Frac>{say(habit.usual)}</Frac>, {habit.source}.
      </p>
    </div>
  );
}
