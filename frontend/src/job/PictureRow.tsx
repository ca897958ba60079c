import { useEffect } from "react";
import type { Question } from "../api/client";
import { FieldError, FieldNote } from "./FieldNote";
import { CORNERS, PhotoPick, usePhotos } from "./OutlineRow";
import { useLook, useOutbox, useSession } from "./useSession";

/** The photograph that stands for a piece in the front view: picked, then its four corners shown on the board. */
export function PictureRow({ q }: { q: Question }) {
  const session = useSession();
  const marks = useLook((s) => s.photo);
  const photos = usePhotos();
  const job = useOutbox((s) => s.job);
  const at = q.at ?? "";
  const mine = marks?.purpose === "picture" && marks.at === at ? marks : null;
  const n = mine?.points.length ?? 0;
  useEffect(() => {
    if (mine?.points.length !== CORNERS.length) return;
    session.photo(null);
    session.edit([{ at, to: { photo: mine.id, corners: mine.points } }]);
    session.look({ view: "front" });
  }, [mine, session, at]);
  const whole = () => {
    if (!mine) return;
    session.photo(null);
    session.edit([{ at, to: { photo: mine.id } }]);
    session.look({ view: "front" });
  };
  if (!job) return null;
  return (
    <section aria-label={`${q.label} in the drawing`} className="border-t border-line py-2">
      <p className="text-[16px]">
        {q.label} <span className="text-soft">{q.decided ? "shows its photograph" : "is drawn"}</span>
      </p>
      {photos.length === 0 && (
        <p className="text-[15px] text-soft">Take a photograph in above, with all four corners on it.</p>
      )}
      <PhotoPick
        photos={photos}
        picked={mine?.id}
        onPick={(id) => session.photo({ id, purpose: "picture", at, points: [] })}
      />
      <FieldNote q={q}>
        <FieldError q={q} id={`note-${at}`} />
      </FieldNote>
      <p role="status" className="pt-1 font-bold empty:hidden">
        {mine && n < CORNERS.length ? `On the photograph: the ${CORNERS[n]} corner of the piece.` : ""}
      </p>
      <div className="flex flex-wrap gap-2 pt-1">
        {mine && (
          <>
            <button type="button" className="action" onClick={whole}>
              It fills the photograph
            </button>
            <button
              type="button"
              className="action disabled:opacity-45"
              disabled={n === 0}
              onClick={() => session.photo({ ...mine, points: mine.points.slice(0, -1) })}
            >
              Last corner back
            </button>
            <button type="button" className="action" onClick={() => session.photo(null)}>
              Leave it
            </button>
          </>
        )}
        {!mine && q.decided && (
          <button type="button" className="action" onClick={() => session.edit([{ at, to: null }])}>
            Draw it instead
          </button>
        )}
      </div>
    </section>
  );
}
