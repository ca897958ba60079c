import type { ReactNode } from "react";
import type { Question } from "../api/client";
import { useMeasures } from "../app/system";
import { useField, useOutbox, useSession } from "./useSession";

/** What is wrong with what stands in a field, in the row's own room: nothing below it moves. */
export function FieldError({ q, id }: { q: Question; id: string }) {
  const { error } = useField(q.at ?? "");
  return (
    <p id={id} className="field-error empty:hidden">
      {error}
    </p>
  );
}

/** What a field of any kind tells of its answer, over what follows it: not saved yet, or changed by someone else. */
export function FieldNote({ q, children }: { q: Question; children?: ReactNode }) {
  const at = q.at ?? "";
  const session = useSession();
  const { clash, waits } = useField(at);
  const link = useOutbox((s) => s.link);
  const { say } = useMeasures();
  const words = (value: unknown) => wordsOf(q, value, say);
  return (
    <>
      {waits && link !== "ok" && <p className="field-waits">not saved yet</p>}
      <div className="field-note">
        {children}
        {clash && (
          <div
            role="alert"
            className="flex flex-wrap items-center gap-2 border border-caution bg-caution-tone px-2 py-1"
          >
            <span className="grow">
              Someone else put {words(clash.theirs)} here. You {clash.typed ? "typed" : "picked"}{" "}
              {clash.typed || words(clash.mine.to)}.
            </span>
            <button type="button" className="action" onClick={() => session.accept(at)}>
              Keep mine
            </button>
            <button type="button" className="action" onClick={() => session.drop(at)}>
              Take theirs
            </button>
          </div>
        )}
      </div>
    </>
  );
}

/** A value as its field says it. */
export function wordsOf(q: Question, value: unknown, say: (b: Question["value"]) => string): string {
  const choice = (q.choices ?? []).find((c) => same(c.to, value));
  if (choice) return choice.label;
  if (value === null || value === undefined) return "nothing";
  if (typeof value === "object" && "typed" in value && value.typed) return String(value.typed);
  if (typeof value === "object" && "name" in value) return String(value.name);
  if (typeof value === "object") return say(q.value) || "something else";
  return String(value);
}

/** Whether two answers are the same, whatever the order of their fields. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b || (a == null && b == null)) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(x);
  return keys.length === Object.keys(y).length && keys.every((k) => same(x[k], y[k]));
}
