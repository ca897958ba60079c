import { useEffect, useState } from "react";
import { api, got, type Question, type Sampled, words } from "../api/client";
import { Swatch } from "../ui/Swatch";
import { PhotoPick, usePhotos } from "./OutlineRow";
import { useLook, useOutbox, useSession } from "./useSession";

/** Mats by the piece's own colours: the two main ones of a photograph, or any that is picked on it. */
export function ColoursRow({ q }: { q: Question }) {
  const session = useSession();
  const photo = useLook((s) => s.photo);
  const job = useOutbox((s) => s.job);
  const photos = usePhotos();
  const [found, setFound] = useState<Sampled[]>([]);
  const [trouble, setTrouble] = useState("");
  const mine = photo?.purpose === "colour" ? photo : null;
  const spot = mine?.points.at(-1);
  const ids = { job_id: session.id, photo_id: mine?.id ?? 0 };
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again for another photograph or spot
  useEffect(() => {
    if (!mine) return;
    const path = { path: ids };
    const asked = spot
      ? got(
          api.GET("/api/jobs/{job_id}/photos/{photo_id}/colour", {
            params: { ...path, query: { x: spot[0], y: spot[1] } },
          }),
        ).then((one) => [one])
      : got(api.GET("/api/jobs/{job_id}/photos/{photo_id}/colours", { params: path }));
    asked.then(setFound).catch((e: unknown) => setTrouble(words(e)));
  }, [mine?.id, spot, job?.version]);
  const names = spot ? ["the colour picked"] : ["dominant colour", "second colour"];
  return (
    <section aria-label={q.label} className="border-t border-line py-2">
      <p className="text-[16px]">{q.label}</p>
      <p className="text-[15px] text-soft">
        {photos.length
          ? "Outer mat by the dominant colour, inner by the second; or pick one on the photograph."
          : "Take a photograph in at station 1 first."}
      </p>
      <PhotoPick
        photos={photos}
        picked={mine?.id}
        onPick={(id) => {
          setFound([]);
          setTrouble("");
          session.photo({ id, purpose: "colour", at: q.at ?? "", points: [] });
        }}
      />
      <p role="alert" className="text-stop empty:hidden">
        {trouble}
      </p>
      {mine &&
        found.map((sample, n) => (
          <div key={sample.colour} className="pt-2">
            <p className="flex items-center gap-2">
              <Swatch colour={sample.colour} /> <strong>{names[n]}</strong>{" "}
              <span className="text-soft">{sample.colour}</span>
            </p>
            <ul>
              {sample.mats.slice(0, 3).map((offer) => (
                <li key={offer.near.id} className="flex min-h-11 items-center gap-2 border-b border-line">
                  <Swatch colour={offer.near.colour} />
                  <span className="min-w-0 grow text-[15px]">
                    {offer.near.name}
                    <span className="text-soft"> ΔE {offer.near.difference}</span>
                  </span>
                  {(["outer", "inner"] as const).map(
                    (which) =>
                      offer[which].length > 0 && (
                        <button
                          key={which}
                          type="button"
                          className="action min-h-11 px-2!"
                          aria-label={`${offer.near.name} as ${which} mat`}
                          onClick={() => session.edit(offer[which])}
                        >
                          {which}
                        </button>
                      ),
                  )}
                </li>
              ))}
            </ul>
          </div>
        ))}
      {mine && (
        <button type="button" className="action mt-2" onClick={() => session.photo(null)}>
          Back to the drawing
        </button>
      )}
    </section>
  );
}
