import { useEffect } from "react";
import { useFetched } from "../ui/useFetched";

const AGAIN_MS = 30_000;
const SOON_MS = 400;

/** What a page shows that goes on by itself: asked for now, every half minute, and when the page is looked at again. */
export function useAgain<T extends { behind: number }>(ask: () => Promise<T>) {
  const { view, trouble, load } = useFetched(ask);
  useEffect(() => {
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
