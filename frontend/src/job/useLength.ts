import { type KeyboardEvent, useState } from "react";
import { api, type Edit, got, type Question, type Tool } from "../api/client";
import { useMeasures } from "../app/system";
import { useField, useSession } from "./useSession";
import { before, passEnter } from "./walk";

const TOOL_KEYS: Record<string, Tool> = { t: "tape", r: "rule", c: "caliper", e: "eye" };

/** A length that is read, decided or pinned: what stands in its field, and what keys do there. */
export function useLength(q: Question, onNext: (from: HTMLElement) => void) {
  const session = useSession();
  const { say, system, tools } = useMeasures();
  const own = q.tool ?? "tape";
  const [picked, setPicked] = useState({ tool: own, over: own });
  const at = q.at ?? "";
  const { draft, echo: waiting, error } = useField(at);
  const shown = draft?.typed ?? waiting?.typed ?? say(q.value);
  const measured = q.kind !== "length";
  // What was picked counts until the plan tells another tool than it did then.
  const now = picked.over === own ? picked.tool : own;

  const to = (typed: string): Edit["to"] => {
    if (!typed.trim()) return null;
    return measured ? { typed, tool: now, system } : { typed, system };
  };
  const type = (typed: string) => {
    const also = (q.also ?? []).map((place) => ({ at: place, to: to(typed) }));
    session.type(at, typed, { at, to: to(typed) }, also);
  };
  const pickTool = (next: Tool) => {
    setPicked({ tool: next, over: own });
    if (!q.decided) return;
    session.edit([at, ...(q.also ?? [])].map((place) => ({ at: `${place}/tool`, to: next })));
  };
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
  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>) => {
    const { selectionStart, selectionEnd, value } = e.currentTarget;
    const whole = selectionStart === 0 && selectionEnd === value.length;
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
    } else if (measured && whole && e.key === "=") {
      e.preventDefault();
      const same = before(e.currentTarget);
      if (!same) return;
      type(same);
      session.accept(at);
      onNext(e.currentTarget);
      passEnter(e.currentTarget);
    } else if (measured && whole && TOOL_KEYS[e.key] && !e.ctrlKey && !e.metaKey && !e.altKey) {
      e.preventDefault();
      pickTool(TOOL_KEYS[e.key] as Tool);
    }
  };
  return { at, draft, waiting, error, shown, measured, tool: now, tools, type, pickTool, onKeyDown };
}
