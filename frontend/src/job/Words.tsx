import { useState } from "react";
import type { Station } from "../api/client";

/** The trade's words that stand in this station, and what they mean; folded in one line. */
export function Words({ words }: { words: NonNullable<Station["words"]> }) {
  const [open, setOpen] = useState(false);
  if (!words.length) return null;
  return (
    <div className="border-t border-line">
      <button
        type="button"
        aria-expanded={open}
        aria-controls="words-here"
        className="fold-line"
        onClick={() => setOpen(!open)}
      >
        <span className="min-w-0">
          <span className="block">What these words mean</span>
          <span className="block truncate text-[15px] text-soft">{words.map((w) => w.word).join(", ")}</span>
        </span>
        <span aria-hidden="true" className="fold-sign">
          {open ? "−" : "+"}
        </span>
      </button>
      {open && (
        <dl id="words-here" className="mb-2 border-l-3 border-line pl-3 text-[15px]">
          {words.map((w) => (
            <div key={w.word} className="py-1">
              <dt className="font-bold">{w.word}</dt>
              <dd>{w.means}</dd>
            </div>
          ))}
        </dl>
      )}
    </div>
  );
}
