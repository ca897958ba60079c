import { useCallback, useEffect, useRef, useState } from "react";
import { words } from "../api/client";

const AGAIN_MS = 30_000;
const SOON_MS = 400;

/** What a page shows that goes on by itself: asked for now, every half minute, and when the page is looked at again. */
export function useAgain<T extends { behind: number }>(ask: () => Promise<T>) {
  const [view, setView] = useState<T | null>(null);
  const [trouble, setTrouble] = useState("");
  const asked = useRef(0);
  const load = useCallback(() => {
    const mine = ++asked.current;
    ask()
      .then((found) => {
        if (mine !== asked.current) return;
        setView(found);
        setTrouble("");
      })
      .catch((e: unknown) => {
        if (mine === asked.current) setTrouble(words(e));
      });
  }, [ask]);
  useEffect(() => {
    load();
    const again = setInterval(load, AGAIN_MS);
    const seen = () => document.visibilityState === "visible" && load();
    document.addEventListener("visibilitychange", seen);
    return () => {
      clearInterval(again);
      document.removeEventListener("visibilitychange", seen);
    };
  }, [load]);
  const behind = view?.behind ?? 0;
  useEffect(() => {
    if (!behind) return;
    const soon = setTimeout(load, SOON_MS);
    return () => clearTimeout(soon);
  }, [behind, load]);
  return { view, trouble, load };
}
