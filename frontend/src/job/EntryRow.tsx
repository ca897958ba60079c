import { type FocusEvent, type KeyboardEvent, useId } from "react";
import type { Edit, Question } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { FieldError, FieldNote } from "./FieldNote";
import { useField, useSession } from "./useSession";

interface Props {
  q: Question;
  order: number;
  onNext: (from: HTMLElement) => void;
}

/** Words, a date, a paragraph, or a weight. */
export function EntryRow({ q, order, onNext }: Props) {
  const session = useSession();
  const { say } = useMeasures();
  const id = useId();
  const at = q.at ?? "";
  const { draft, echo, error } = useField(at);
  const value = draft?.typed ?? echo?.typed ?? (q.typed || say(q.value));
  const edit = (typed: string): Edit => ({ at, to: typed.trim() ? typed : null });
  const shared = {
    id,
    "data-field": q.aside ? undefined : true,
    "data-order": order,
    "data-at": at,
    "data-words": q.kind === "text" || q.kind === "note" || q.kind === "date" || undefined,
    value,
    "aria-invalid": Boolean(error),
    "aria-describedby": `${id}-note`,
    onFocus: (e: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      session.light(q.key ?? "");
      if (q.kind !== "note") e.currentTarget.select();
    },
    onBlur: () => {
      session.light("");
      if (draft && !error) session.accept(at);
    },
    onChange: (e: { target: { value: string } }) => {
      const typed = e.target.value;
      session.type(
        at,
        typed,
        edit(typed),
        (q.also ?? []).map((place) => ({ ...edit(typed), at: place })),
      );
    },
    onKeyDown: (e: KeyboardEvent<HTMLInputElement | HTMLTextAreaElement>) => {
      if (e.key === "Enter" && !e.shiftKey) {
        e.preventDefault();
        if (error) return;
        session.accept(at);
        onNext(e.currentTarget);
      } else if (e.key === "Escape" && draft) {
        e.stopPropagation();
        session.drop(at);
      }
    },
  };
  return (
    <div className="relative border-t border-line py-1.5">
      <label htmlFor={id} className="block pb-1 text-[16px]">
        {q.label}
      </label>
      <div className="flex items-baseline gap-3">
        {q.kind === "note" ? (
          <textarea {...shared} rows={2} className="w-full border border-line bg-board p-2" />
        ) : (
          <input
            {...shared}
            type="text"
            placeholder={q.kind === "date" ? "18 Dec, Friday, +14" : undefined}
            inputMode={q.kind === "number" ? "numeric" : "text"}
            autoComplete="off"
            className={`entry ${q.kind === "weight" ? "w-28!" : "text-[19px]!"} ${value ? "" : "planned"}`}
          />
        )}
        <FieldError q={q} id={`${id}-note`} />
        {q.kind === "weight" && !error && (
          <span className="grow text-right text-[15px] text-soft">
            <Frac>{say(q.note)}</Frac>
          </span>
        )}
      </div>
      <FieldNote q={q} />
    </div>
  );
}
