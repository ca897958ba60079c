import { useEffect, useRef, useState } from "react";
import type { StepView } from "../api/client";
import { useNow } from "./useBench";

/** Rings once when a wait is over, and says which; what was over when the page came up is silent. */
export function useRing(steps: StepView[]): { over: string; hush: () => void } {
  const now = useNow();
  const rung = useRef<Set<string> | null>(null);
  const [over, setOver] = useState("");
  const waiting = steps.filter((s) => s.until && s.state === "waiting");
  useEffect(() => {
    const past = waiting.filter((s) => Date.parse(s.until ?? "") <= now.getTime());
    if (rung.current === null) {
      if (steps.length) rung.current = new Set(past.map(ringOf));
      return;
    }
    for (const step of past) {
      if (rung.current.has(ringOf(step))) continue;
      rung.current.add(ringOf(step));
      setOver(`${step.why}: over. ${step.says}`);
      ring();
    }
  }, [now, waiting, steps.length]);
  return { over, hush: () => setOver("") };
}

const ringOf = (s: StepView) => `${s.id} ${s.until}`;

/** Two soft strokes; silent where the browser allows no sound. */
function ring() {
  try {
    const audio = new AudioContext();
    for (const at of [0, 0.45]) {
      const tone = audio.createOscillator();
      const loud = audio.createGain();
      tone.frequency.value = 660;
      loud.gain.setValueAtTime(0.25, audio.currentTime + at);
      loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.4);
      tone.connect(loud).connect(audio.destination);
      tone.start(audio.currentTime + at);
      tone.stop(audio.currentTime + at + 0.4);
    }
  } catch {
    // Nothing is lost by it: the page says it too.
  }
}
