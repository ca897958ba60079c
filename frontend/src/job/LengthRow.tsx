import { type KeyboardEvent, useId, useRef, useState } from "react";
import { api, type Edit, got, type Question } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { FractionPad } from "./FractionPad";
import { useSession } from "./useSession";

const TOOLS = { tape: "tape", rule: "rule", caliper: "caliper", eye: "by eye" } as const;

/** A length to read, decide or pin: reads what the tape says, echoes it in the other system, steps by marks. */
export function LengthRow({ q, onNext }: { q: Question; onNext: (from: HTMLElement) => void }) {
  const [session, { drafts, errors, clashes }] = useSession();
  const { say, echo, system } = useMeasures();
  const input = useRef<HTMLInputElement>(null);
  const [tool, setTool] = useState(q.tool ?? "tape");
  const [focused, setFocused] = useState(false);
  const id = useId();
  const at = q.at ?? "";
  const draft = drafts[at];
  const error = errors[at];
  const clash = clashes[at];
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
    const typed = draft?.typed ?? say(q.value);
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
  const pickTool = (next: keyof typeof TOOLS) => {
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
            className={`entry ${q.decided || draft ? "" : "planned"}`}
            inputMode="text"
            autoComplete="off"
            spellCheck={false}
            value={draft?.typed ?? say(q.value)}
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
          <Frac>{error ? "" : echo(q.value)}</Frac>
        </span>
        {measured ? (
          <select
            aria-label={`Tool for: ${q.label}`}
            className="h-11 min-w-0 grow bg-transparent text-right text-soft"
            value={q.decided ? (q.tool ?? tool) : tool}
            onChange={(e) => pickTool(e.target.value as keyof typeof TOOLS)}
          >
            {Object.entries(TOOLS).map(([word, label]) => (
              <option key={word} value={word}>
                {label}
              </option>
            ))}
          </select>
        ) : (
          <Working q={q} />
        )}
      </div>
      <p id={`${id}-note`} className={error ? "text-stop" : "text-[15px] text-soft empty:hidden"}>
        <Frac>{error ?? (measured ? say(q.note) : "")}</Frac>
      </p>
      {clash && (
        <div role="alert" className="mt-1 flex flex-wrap items-center gap-2 bg-caution-tone px-2 py-1">
          <span className="grow">
            Someone else put {theirs(clash.theirs)} here. You typed {draft?.typed}.
          </span>
          <button type="button" className="action" onClick={() => session.accept(at)}>
            Keep mine
          </button>
          <button type="button" className="action" onClick={() => session.drop(at)}>
            Take theirs
          </button>
        </div>
      )}
      {focused && (
        <FractionPad system={system} value={draft?.typed ?? say(q.value)} onType={type} field={input} />
      )}
    </div>
  );
}

function theirs(value: unknown): string {
  if (value === null || value === undefined) return "nothing";
  if (typeof value === "object" && "typed" in value) return String(value.typed);
  return String(value);
}

/** What the plan's number comes from; opens its working in the strip. */
function Working({ q }: { q: Question }) {
  const [session] = useSession();
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
