import { useId, useRef, useState } from "react";
import type { Question, Tool } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { FieldError, FieldNote } from "./FieldNote";
import { FractionPad } from "./FractionPad";
import { useLength } from "./useLength";
import { useSession } from "./useSession";

interface Props {
  q: Question;
  order: number;
  onNext: (from: HTMLElement) => void;
}

/** A length to read, decide or pin: reads what the tape says, echoes it in the other system, steps by marks. */
export function LengthRow({ q, order, onNext }: Props) {
  const { say, echo, system } = useMeasures();
  const length = useLength(q, onNext);
  const [focused, setFocused] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const id = useId();
  const { waiting, error, measured } = length;
  return (
    <div className="relative border-t border-line py-1.5">
      <label htmlFor={id} className="block pb-1 text-[16px]">
        {q.label}
        {q.needed && <span className="font-bold text-accent"> · to read</span>}
      </label>
      <div className="flex h-11 items-center gap-3">
        <span className="w-28 shrink-0">
          <LengthField q={q} order={order} length={length} id={id} field={field} onFocus={setFocused} />
        </span>
        <FieldError q={q} id={`${id}-note`} />
        {!error && (
          <>
            <span className="w-16 shrink-0 text-soft">
              <Frac>{waiting ? "" : echo(q.value)}</Frac>
            </span>
            {measured ? <ToolPick q={q} length={length} /> : <Working q={q} />}
          </>
        )}
      </div>
      <p className="text-[15px] text-soft empty:hidden">
        <Frac>{measured ? say(q.note) : ""}</Frac>
      </p>
      <FieldNote q={q} />
      {focused && <FractionPad system={system} value={length.shown} onType={length.type} field={field} />}
    </div>
  );
}

/** The same where the tape lies on the drawn piece: its field, what it reads in the other system, its tool. */
export function LengthSpot({ q, order, onNext }: Props) {
  const { echo, system } = useMeasures();
  const length = useLength(q, onNext);
  const [focused, setFocused] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const id = useId();
  const { x, y } = q.spot ?? { x: 50, y: 50 };
  const { error, waiting, draft } = length;
  const said = error || waiting || draft ? "" : echo(q.value);
  return (
    <div className={`spot ${focused ? "on" : ""}`} style={{ left: `${x}%`, top: `${y}%` }}>
      <label htmlFor={id} className="spot-label">
        {q.spot?.label || q.label}
        {q.spot?.of && <span className="sr-only">, {q.spot.of}</span>}
      </label>
      <LengthField q={q} order={order} length={length} id={id} field={field} onFocus={setFocused} spot />
      <span className="spot-echo">
        <Frac>{said}</Frac>
        <ToolPick q={q} length={length} small />
      </span>
      <FieldError q={q} id={`${id}-note`} />
      <FieldNote q={q} />
      {focused && <FractionPad system={system} value={length.shown} onType={length.type} field={field} />}
    </div>
  );
}

type Length = ReturnType<typeof useLength>;

interface FieldProps {
  q: Question;
  order: number;
  length: Length;
  id: string;
  field: React.RefObject<HTMLInputElement | null>;
  onFocus: (so: boolean) => void;
  spot?: boolean;
}

function LengthField({ q, order, length, id, field, onFocus, spot }: FieldProps) {
  const session = useSession();
  const { at, draft, waiting, error } = length;
  return (
    <input
      ref={field}
      id={id}
      data-field={q.aside ? undefined : true}
      data-order={order}
      data-needed={q.needed || undefined}
      data-at={at}
      data-length
      className={`entry ${spot ? "spot-field" : ""} ${q.decided || draft || waiting?.typed ? "" : "planned"}`}
      inputMode="text"
      autoComplete="off"
      spellCheck={false}
      value={length.shown}
      aria-invalid={Boolean(error)}
      aria-describedby={`${id}-note`}
      onChange={(e) => length.type(e.target.value)}
      onKeyDown={length.onKeyDown}
      onFocus={(e) => {
        onFocus(true);
        session.light(q.tape || q.key || "");
        e.target.select();
      }}
      onBlur={() => {
        onFocus(false);
        session.light("");
        if (draft && !error) session.accept(at);
      }}
    />
  );
}

/** What it was read with; not a stop on the way, a letter in the field changes it too. */
function ToolPick({ q, length, small }: { q: Question; length: Length; small?: boolean }) {
  return (
    <select
      aria-label={`Tool for: ${q.label}`}
      tabIndex={-1}
      className={small ? "spot-tool" : "h-11 min-w-0 grow bg-transparent text-right text-soft"}
      value={length.tool}
      onChange={(e) => length.pickTool(e.target.value as Tool)}
    >
      {length.tools.map(({ tool, label }) => (
        <option key={tool} value={tool}>
          {label}
        </option>
      ))}
    </select>
  );
}

/** What the plan's number comes from; opens its working in the strip. */
function Working({ q }: { q: Question }) {
  const session = useSession();
  const { say } = useMeasures();
  if (!q.key)
    return (
      <span className="min-w-0 grow text-right text-[15px] text-soft">
        <Frac>{say(q.note)}</Frac>
      </span>
    );
  return (
    <button
      type="button"
      className="min-h-11 min-w-0 grow text-right text-[15px] leading-tight text-soft hover:text-accent"
      onClick={() => session.look({ open: q.key ?? "" })}
    >
      <Frac>{say(q.note) || "working"}</Frac>
    </button>
  );
}
