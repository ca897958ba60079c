import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import { useSession } from "./useSession";

const STEP_PX = 60;

/** Walk round what is taken apart: one direction further, either way. */
function useWalk() {
  const session = useSession();
  return (by: number) => session.look({ turn: session.look_.getState().turn + by });
}

/** Dragging what is taken apart sideways turns it, one direction for every so many pixels. */
export function useTurn() {
  const walk = useWalk();
  const from = useRef<number | null>(null);
  const dragged = useRef(false);
  return {
    dragged,
    handlers: {
      onPointerDown: (e: PointerEvent<HTMLElement>) => {
        dragged.current = false;
        from.current = e.clientX;
      },
      onPointerMove: (e: PointerEvent<HTMLElement>) => {
        if (e.buttons === 0) from.current = null; // let go of outside the drawing
        if (from.current === null || Math.abs(e.clientX - from.current) < STEP_PX) return;
        walk(e.clientX > from.current ? 1 : -1);
        from.current = e.clientX;
        dragged.current = true;
      },
      onPointerUp: () => {
        from.current = null;
      },
      onPointerCancel: () => {
        from.current = null;
      },
    },
  };
}

/** The same by taps, and by the arrow keys while one of them has the focus. */
export function TurnButtons() {
  const walk = useWalk();
  const onKeyDown = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    walk(by);
  };
  return (
    <span className="turn-buttons">
      <button type="button" className="min-h-11 px-3" onKeyDown={onKeyDown} onClick={() => walk(-1)}>
        ◂ turn
      </button>
      <button type="button" className="min-h-11 px-3" onKeyDown={onKeyDown} onClick={() => walk(1)}>
        turn ▸
      </button>
    </span>
  );
}
