import { useCallback, useId, useRef, useState } from "react";
import { api, got, type KeptPhoto, newId, type Problem } from "../api/client";
import { useFetched } from "../ui/useFetched";
import { useLook, useSession } from "./useSession";

const SHOWN_ASIDE = 3;

/** Photographs of the piece as it came in: small ones in a row, the full one in a new tab. */
export function PhotosRow() {
  const session = useSession();
  const [error, setError] = useState("");
  const moved = useLook((s) => s.photos);
  const [busy, setBusy] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const base = `/api/jobs/${session.id}/photos`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: read anew whenever some came back by undo
  const askBoth = useCallback(async () => {
    const params = { path: { job_id: session.id } };
    const [here, aside] = await Promise.all([
      got(api.GET("/api/jobs/{job_id}/photos", { params })),
      got(api.GET("/api/jobs/{job_id}/photos-aside", { params })),
    ]);
    return { here, aside };
  }, [session, moved]);
  const { view, setView, trouble } = useFetched(askBoth);

  const add = async (files: FileList | null) => {
    setError("");
    for (const file of files ?? []) {
      setBusy(`taking in ${file.name}…`);
      try {
        const query = new URLSearchParams({ edit_id: newId(), name: file.name.slice(0, 120) });
        const answer = await fetch(`${base}?${query}`, { method: "POST", body: file });
        const body: unknown = await answer.json();
        if (answer.ok) {
          const photo = body as KeptPhoto;
          setView((now) => ({ here: [...(now?.here ?? []), photo], aside: now?.aside ?? [] }));
        } else {
          const problem = body as Problem;
          setError(`${file.name}: ${problem.errors?.[0]?.message ?? problem.title}`);
        }
      } catch {
        setError(`${file.name} was not sent: no connection. Choose it again when it is back.`);
      }
    }
    setBusy("");
    if (input.current) input.current.value = "";
  };
  const remove = async (photo: KeptPhoto) => {
    const params = { path: { job_id: session.id, photo_id: photo.id } };
    const { response } = await api.DELETE("/api/jobs/{job_id}/photos/{photo_id}", { params });
    if (response.ok) {
      const others = (all: KeptPhoto[] = []) => all.filter((p) => p.id !== photo.id);
      setView((now) => ({ here: others(now?.here), aside: [photo, ...others(now?.aside)] }));
      session.tookAway(photo.id);
    } else setError("It could not be taken away just now.");
  };

  return (
    <div className="border-t border-line py-2">
      <label htmlFor={id} className="block pb-1 text-[16px]">
        Photographs
      </label>
      <ul className="flex flex-wrap gap-2">
        {view?.here.map((photo) => (
          <li key={photo.id} className="w-[88px]">
            <a href={`${base}/${photo.id}`} target="_blank" rel="noreferrer">
              <img
                src={`${base}/${photo.id}?size=small`}
                alt={photo.name || `photograph ${photo.id}`}
                className="h-[66px] w-[88px] border border-line object-cover"
              />
            </a>
            <button
              type="button"
              className="link min-h-11 text-[14px]"
              onClick={() => void remove(photo)}
              aria-label={`take away ${photo.name || `photograph ${photo.id}`}`}
            >
              take away
            </button>
          </li>
        ))}
      </ul>
      <input
        ref={input}
        id={id}
        data-field
        type="file"
        multiple
        accept="image/jpeg,image/png,image/webp"
        className="w-full text-[15px]"
        onChange={(e) => void add(e.target.files)}
      />
      <p className="pt-1 text-[15px] text-soft">
        {busy || "JPEG, PNG or WebP. What the camera wrote in, the place among it, is left out."}
      </p>
      {view && view.aside.length > 0 && (
        <ul className="pt-1 text-[15px]">
          {view.aside.slice(0, SHOWN_ASIDE).map((photo) => (
            <li key={photo.id} className="flex items-center gap-x-3">
              <span className="min-w-0 grow truncate text-soft">
                taken away: {photo.name || `photograph ${photo.id}`}
              </span>
              <button
                type="button"
                className="link min-h-11"
                onClick={() => void session.bringBack(photo.id)}
              >
                bring back
              </button>
            </li>
          ))}
        </ul>
      )}
      <p role="alert" className="text-stop empty:hidden">
        {error || trouble}
      </p>
    </div>
  );
}
