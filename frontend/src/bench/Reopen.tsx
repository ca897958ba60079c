import { useEffect, useRef, useState } from "react";

/** A job that was handed over comes back: with a reason, or not at all. */
export function Reopen({ onReopen, onLeave }: { onReopen: (reason: string) => void; onLeave: () => void }) {
  const [reason, setReason] = useState("");
  const [trouble, setTrouble] = useState("");
  const text = useRef<HTMLTextAreaElement>(null);
  useEffect(() => text.current?.focus(), []);
  const reopen = () => {
    if (reason.trim()) return onReopen(reason.trim());
    setTrouble("Say in a few words why it is opened again.");
    text.current?.focus();
  };
  return (
    <section className="bench-panel" aria-label="Reopen the job">
      <h2 className="text-[34px] font-extrabold leading-tight">Reopen the job</h2>
      <label className="block pt-3 text-[22px]">
        Why it is opened again
        <textarea
          ref={text}
          rows={3}
          maxLength={4000}
          className="mt-1 w-full border-2 border-ink bg-board p-2 text-[24px]"
          value={reason}
          onChange={(e) => {
            setReason(e.target.value);
            setTrouble("");
          }}
        />
      </label>
      <p role="alert" className="min-h-7 text-[20px] text-stop">
        {trouble}
      </p>
      <div className="grid gap-3">
        <button type="button" className="bench-choice" onClick={reopen}>
          Reopen it
        </button>
        <button type="button" className="bench-choice" onClick={onLeave}>
          Leave it closed
        </button>
      </div>
    </section>
  );
}
