import { type KeyboardEvent, useId, useRef, useState } from "react";
import { api, type Edit, got, type Question, type Tool } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { FieldNote } from "./FieldNote";
import { FractionPad } from "./FractionPad";
import { useField, useSession } from "./useSession";

/** A length to read, decide or pin: reads what the tape says, echoes it in the other system, steps by marks. */
export function LengthRow({ q, onNext }: { q: Question; onNext: (from: HTMLElement) => void }) {
  const session = useSession();
  const { say, echo, system, tools } = useMeasures();
  const input = useRef<HTMLInputElement>(null);
  const [tool, setTool] = useState(q.tool ?? "tape");
  const [focused, setFocused] = useState(false);
  const id = useId();
  const at = q.at ?? "";
  const { draft, echo: waiting, error } = useField(at);
  const shown = draft?.typed ?? waiting?.typed ?? say(q.value);
  const measured = q.kind !== "length";

  const edit = (typed: string): Edit => {
    if (!typed.trim()) return { at, to: null };
    return {
      at,
      to: measured ? { typed, tool: q.decided ? (q.tool ?? tool) : tool, system } : { typed, system },
    };
  };
  const type = (typed: string) => session.type(at, typed, edit(typed));
  const step = async (by: number) => {
    const typed = shown;
    if (!typed.trim()) return;
    try {
      const body = { typed, system, steps: by };
      type(say(await got(api.POST("/api/lengths", { body }))));
    } catch {
      type(typed);
    }
  };
  const onKey = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key === "Enter") {
      e.preventDefault();
      if (error) return;
      session.accept(at);
      onNext(e.currentTarget);
    } else if (e.key === "ArrowUp" || e.key === "ArrowDown") {
      e.preventDefault();
      void step(e.key === "ArrowUp" ? 1 : -1);
    } else if (e.key === "Escape" && draft) {
      e.stopPropagation();
      session.drop(at);
    }
  };
  const pickTool = (next: Tool) => {
    setTool(next);
    if (q.decided) session.edit([{ at: `${at}/tool`, to: next }]);
  };

  return (
    <div className="border-t border-line py-1.5">
      <label htmlFor={id} className="block text-[16px]">
        {q.label}
        {q.needed && <span className="font-bold text-accent"> · to read</span>}
      </label>
      <div className="flex items-center gap-3">
        <span className="w-28 shrink-0">
          <input
            ref={input}
            id={id}
            data-field
            data-at={at}
            className={`entry ${q.decided || draft || waiting?.typed ? "" : "planned"}`}
            inputMode="text"
            autoComplete="off"
            spellCheck={false}
            value={shown}
            aria-invalid={Boolean(error)}
            aria-describedby={`${id}-note`}
            onChange={(e) => type(e.target.value)}
            onKeyDown={onKey}
            onFocus={(e) => {
              setFocused(true);
              session.light(q.tape || q.key || "");
              e.target.select();
            }}
            onBlur={() => {
              setFocused(false);
              session.light("");
              if (draft && !error) session.accept(at);
            }}
          />
        </span>
        <span className="w-16 shrink-0 text-soft">
          <Frac>{error || waiting ? "" : echo(q.value)}</Frac>
        </span>
        {measured ? (
          <select
            aria-label={`Tool for: ${q.label}`}
            className="h-11 min-w-0 grow bg-transparent text-right text-soft"
            value={q.decided ? (q.tool ?? tool) : tool}
            onChange={(e) => pickTool(e.target.value as Tool)}
          >
            {tools.map(({ tool, label }) => (
              <option key={tool} value={tool}>
                {label}
              </option>
            ))}
          </select>
        ) : (
          <Working q={q} />
        )}
      </div>
      <p className="text-[15px] text-soft empty:hidden">
        <Frac>{!error && measured ? say(q.note) : ""}</Frac>
      </p>
      <FieldNote q={q} id={`${id}-note`} />
      {focused && <FractionPad system={system} value={shown} onType={type} field={input} />}
    </div>
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
