import { useId, useRef, useState } from "react";
import { api, got, plainText, type Question, words } from "../api/client";
import { useSession } from "./useSession";

/** A drawing to cut out of the middle board: closed outlines from an SVG file. */
export function ArtworkRow({ q }: { q: Question }) {
  const session = useSession();
  const [said, setSaid] = useState("");
  const [error, setError] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const open = async (file: File | undefined) => {
    if (!file) return;
    setError("");
    setSaid(`reading ${file.name}…`);
    try {
      const params = { path: { job_id: session.id }, query: { name: file.name.slice(0, 80) } };
      const body = await file.text();
      const taken = await got(api.POST("/api/jobs/{job_id}/artwork", { params, body, ...plainText }));
      session.edit(taken.edits);
      setSaid(taken.why.join(" · "));
      if (input.current) input.current.value = "";
    } catch (e) {
      setSaid("");
      setError(`${file.name}: ${words(e)}`);
    }
  };
  return (
    <div className="border-t border-line py-2">
      <label htmlFor={id} className="block pb-1 text-[16px]">
        {q.label}
      </label>
      <input
        ref={input}
        id={id}
        data-field
        type="file"
        accept=".svg,image/svg+xml"
        className="w-full text-[15px]"
        onChange={(e) => void open(e.target.files?.[0])}
      />
      <p role="status" className="pt-1 text-[15px] text-soft">
        {said || "Closed shapes and paths; turn words into paths first."}
      </p>
      <p role="alert" className="text-stop empty:hidden">
        {error}
      </p>
    </div>
  );
}
