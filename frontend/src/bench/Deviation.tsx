import { useEffect, useRef, useState } from "react";
import type { Edit, StepView } from "../api/client";
import { span } from "./course";
import { useBench } from "./useBench";

interface Props {
  step: StepView;
  why: string;
  onDone: (edits: Edit[], goOn: boolean) => void;
  onLeave: () => void;
}

/** Not as planned: what happened, with a photograph, and whether the part is made anew. */
export function Deviation({ step, why, onDone, onLeave }: Props) {
  const session = useBench();
  const [note, setNote] = useState(step.note || why);
  const [photo, setPhoto] = useState<number | null>(step.photo ?? null);
  const [trouble, setTrouble] = useState("");
  const text = useRef<HTMLTextAreaElement>(null);
  useEffect(() => text.current?.focus(), []);
  const told: Edit[] = [
    { at: `work/${step.id}/note`, to: note.trim() || null },
    ...(photo === null ? [] : [{ at: `work/${step.id}/photo`, to: photo }]),
  ];
  const named = () => {
    if (note.trim()) return true;
    setTrouble("Say in a few words what happened.");
    text.current?.focus();
    return false;
  };
  const remake = () => {
    if (!named()) return;
    onDone([...told, ...step.remake], false);
  };
  const makes = step.fetched.length > 0;
  return (
    <section className="bench-panel" aria-label="Not as planned">
      <h2 className="text-[34px] font-extrabold leading-tight">Not as planned</h2>
      <label className="block pt-3 text-[22px]">
        What happened
        <textarea
          ref={text}
          rows={3}
          maxLength={4000}
          className="mt-1 w-full border-2 border-ink bg-board p-2 text-[24px]"
          value={note}
          onChange={(e) => {
            setNote(e.target.value);
            setTrouble("");
          }}
        />
      </label>
      <label className="block pt-3 text-[20px]">
        A photograph of it{photo !== null && ": taken in"}
        <input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="block min-h-11 w-full text-[18px]"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (!file) return;
            const taken = await session.photograph(file);
            if (typeof taken === "number") setPhoto(taken);
            else setTrouble(taken);
          }}
        />
      </label>
      <p role="alert" className="min-h-7 text-[20px] text-stop">
        {trouble}
      </p>
      <div className="grid gap-3">
        <button type="button" className="bench-choice" onClick={() => named() && onDone(told, true)}>
          Write it down, and go on
        </button>
        {makes && (
          <button type="button" className="bench-choice" onClick={remake}>
            Remake it
            <span className="block text-[18px] font-normal text-soft">
              {step.fetched.map((f) => `${f.count} × ${f.name}`).join(", ")}; {span(step.minutes)} more
            </span>
          </button>
        )}
        <button type="button" className="bench-choice" onClick={onLeave}>
          Leave it as it was
        </button>
      </div>
    </section>
  );
}
