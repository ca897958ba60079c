import { type PointerEvent, useRef } from "react";
import { movePiece } from "./moving";
import { usePlan, useSession } from "./useSession";

const STILL_PX = 4;

/** Dragging a piece on the front view: it follows the pointer; where it rests is worked out when it is let go. */
export function useDrag() {
  const session = useSession();
  const plan = usePlan((s) => s.plan);
  const held = useRef<{ group: SVGElement; id: number; x: number; y: number; k: number } | null>(null);
  const dragged = useRef(false);

  const by = (e: PointerEvent) => {
    const h = held.current;
    return h ? { right: (e.clientX - h.x) * h.k, down: (e.clientY - h.y) * h.k } : { right: 0, down: 0 };
  };
  const onPointerDown = (e: PointerEvent<HTMLElement>) => {
    dragged.current = false;
    const group = (e.target as Element).closest<SVGElement>("[data-moves]");
    const svg = group?.ownerSVGElement;
    if (!group || !svg || e.button !== 0) return;
    const k = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width;
    held.current = { group, id: e.pointerId, x: e.clientX, y: e.clientY, k };
  };
  const onPointerMove = (e: PointerEvent<HTMLElement>) => {
    const h = held.current;
    if (h?.id !== e.pointerId) return;
    const { right, down } = by(e);
    if (!dragged.current && Math.hypot(right, down) < STILL_PX) return;
    if (!dragged.current) e.currentTarget.setPointerCapture(e.pointerId);
    dragged.current = true;
    h.group.style.transform = `translate(${right}px, ${down}px)`;
  };
  const onPointerUp = (e: PointerEvent<HTMLElement>) => {
    const h = held.current;
    const { right, down } = by(e);
    held.current = null;
    if (h?.id !== e.pointerId || !dragged.current) return;
    session.light(h.group.dataset.key ?? "");
    void movePiece(session, h.group.dataset.moves ?? "", right, down, plan?.board.fit.scale ?? 1);
  };
  const onPointerCancel = () => {
    held.current?.group.style.removeProperty("transform");
    held.current = null;
    dragged.current = false;
  };
  return { dragged, handlers: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel } };
}
