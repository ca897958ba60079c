import { useCallback } from "react";
import { api, got, type KeptPhoto, type Question } from "../api/client";
import { useFetched } from "../ui/useFetched";
import { useLook, useOutbox, useSession } from "./useSession";

export const CORNERS = ["top left", "top right", "bottom right", "bottom left"];

/** A zone traced on a photograph: first the piece's four corners, then the zone's own outline, on the board. */
export function OutlineRow({ q }: { q: Question }) {
  const session = useSession();
  const photo = useLook((s) => s.photo);
  const photos = usePhotos();
  const at = q.at ?? "";
  const mine = photo?.purpose === "zone" && photo.at === at ? photo : null;
  const n = mine?.points.length ?? 0;
  const done = () => {
    if (!mine) return;
    const trace = { photo: mine.id, corners: mine.points.slice(0, 4), points: mine.points.slice(4) };
    session.photo(null);
    session.edit([{ at, to: { what: "autograph", trace } }]);
  };
  return (
    <section aria-label={q.label} className="border-t border-line py-2">
      <p className="text-[16px]">{q.label}</p>
      {photos.length === 0 && (
        <p className="text-[15px] text-soft">Take a photograph in first, square on, with all four corners.</p>
      )}
      <PhotoPick
        photos={photos}
        picked={mine?.id}
        onPick={(id) => session.photo({ id, purpose: "zone", at, points: [] })}
      />
      {mine && (
        <>
          <p role="status" className="pt-1 font-bold">
            {n < 4
              ? `On the photograph: the ${CORNERS[n]} corner of the piece.`
              : `Now round the zone: ${n - 4} points so far, 3 at least.`}
          </p>
          <div className="flex flex-wrap gap-2 pt-1">
            <button
              type="button"
              className="action disabled:opacity-45"
              disabled={n === 0}
              onClick={() => session.photo({ ...mine, points: mine.points.slice(0, -1) })}
            >
              Last point back
            </button>
            <button type="button" className="action disabled:opacity-45" disabled={n < 7} onClick={done}>
              That is the zone
            </button>
            <button type="button" className="action" onClick={() => session.photo(null)}>
              Leave it
            </button>
          </div>
        </>
      )}
    </section>
  );
}

/** The job's photographs, as they are now. */
export function usePhotos(): KeptPhoto[] {
  const session = useSession();
  const job = useOutbox((s) => s.job);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again with every version of the job
  const ask = useCallback(
    () => got(api.GET("/api/jobs/{job_id}/photos", { params: { path: { job_id: session.id } } })),
    [session, job?.version],
  );
  return useFetched(ask).view ?? [];
}

interface PickProps {
  photos: KeptPhoto[];
  picked: number | undefined;
  onPick: (id: number) => void;
}

/** Photographs to choose one of. */
export function PhotoPick({ photos, picked, onPick }: PickProps) {
  const session = useSession();
  return (
    <div className="flex flex-wrap gap-2 pt-1">
      {photos.map((p) => (
        <button
          key={p.id}
          type="button"
          aria-pressed={picked === p.id}
          className={`border-2 ${picked === p.id ? "border-accent" : "border-line"}`}
          onClick={() => onPick(p.id)}
        >
          <img
            src={`/api/jobs/${session.id}/photos/${p.id}?size=small`}
            alt={p.name || `photograph ${p.id}`}
            className="h-[66px] w-[88px] object-cover"
          />
        </button>
      ))}
    </div>
  );
}
