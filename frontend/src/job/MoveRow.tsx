import type { KeyboardEvent } from "react";
import type { Question } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { movePiece } from "./moving";
import { useSession } from "./useSession";

const STEPS: Record<string, [number, number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** A piece's place: arrow keys move it by a mark, with Shift by ten; on the front view it can be dragged. */
export function MoveRow({ q }: { q: Question }) {
  const session = useSession();
  const { say } = useMeasures();
  const onKey = (e: KeyboardEvent) => {
    const step = STEPS[e.key];
    if (!step) return;
    e.preventDefault();
    const by = e.shiftKey ? 10 : 1;
    void movePiece(session, q.typed ?? "", step[0] * by, step[1] * by, null);
  };
  return (
    <div className="flex items-center border-t border-line">
      <button
        type="button"
        data-field
        className="move-row"
        onKeyDown={onKey}
        onClick={() => session.look({ view: "front", open: "" })}
        onFocus={() => session.light(q.key ?? "")}
        onBlur={() => session.light("")}
      >
        <span aria-hidden="true" className="text-accent">
          ✥
        </span>
        <span className="min-w-0">
          <span className="block font-bold">{q.label}</span>
          <span className="block text-[15px]">
            <Frac>{say(q.value)}</Frac>
          </span>
          <span className="block text-[14px] text-soft">{say(q.note)}</span>
          <span className="sr-only">arrow keys move it by a mark, with Shift by ten</span>
        </span>
      </button>
      {(q.edits ?? []).length > 0 && (
        <button
          type="button"
          className="link min-h-11 shrink-0 px-1 text-[15px]"
          aria-label={`type them: the distances of ${q.label}`}
          onClick={() => session.edit(q.edits ?? [])}
        >
          type them
        </button>
      )}
    </div>
  );
}
