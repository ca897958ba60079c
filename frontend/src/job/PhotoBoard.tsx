import { type KeyboardEvent, useState } from "react";
import type { PhotoMarks } from "./session";
import { useSession } from "./useSession";

const STEP = 0.01;
const STEPS: Record<string, [number, number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** A photograph in the drawing's place: points are picked with a tap, or with the arrow keys and Enter. */
export function PhotoBoard({ photo }: { photo: PhotoMarks }) {
  const session = useSession();
  const [cross, setCross] = useState<[number, number]>([0.5, 0.5]);
  const within = (x: number) => Math.min(Math.max(x, 0), 1);
  const put = (x: number, y: number) => {
    const points: [number, number][] = [...photo.points, [within(x), within(y)]];
    session.photo({ ...photo, points: photo.purpose === "colour" ? points.slice(-1) : points });
  };
  const onKey = (e: KeyboardEvent) => {
    const step = STEPS[e.key];
    if (step) {
      const by = e.shiftKey ? STEP * 5 : STEP;
      setCross(([x, y]) => [within(x + step[0] * by), within(y + step[1] * by)]);
    } else if (e.key === "Enter" || e.key === " ") put(...cross);
    else return;
    e.preventDefault();
  };
  const corners = photo.purpose === "colour" ? [] : photo.points.slice(0, 4);
  const rest = photo.purpose === "zone" ? photo.points.slice(4) : [];
  const line = (dots: [number, number][]) => dots.map(([x, y]) => `${x * 1000},${y * 1000}`).join(" ");
  return (
    <div className="photo-board">
      <button
        type="button"
        className="photo-sheet"
        aria-label="Photograph: arrow keys move the cross, Enter picks the point"
        onKeyDown={onKey}
        onClick={(e) => {
          if (e.detail === 0) return; // Enter and Space are taken care of with the keys
          const box = e.currentTarget.getBoundingClientRect();
          const [x, y] = [(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height];
          setCross([x, y]);
          put(x, y);
        }}
      >
        <img src={`/api/jobs/${session.id}/photos/${photo.id}`} alt="" />
        <svg viewBox="0 0 1000 1000" preserveAspectRatio="none" aria-hidden="true">
          <polygon points={line(corners)} className="photo-corners" />
          <polygon points={line(rest)} className="photo-zone" />
          {photo.points.map(([x, y], n) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: points have no other name
            <circle key={n} cx={x * 1000} cy={y * 1000} r="7" className="photo-dot" />
          ))}
          <path
            d={`M${cross[0] * 1000 - 25} ${cross[1] * 1000}h50M${cross[0] * 1000} ${cross[1] * 1000 - 25}v50`}
            className="photo-cross"
          />
        </svg>
      </button>
    </div>
  );
}
