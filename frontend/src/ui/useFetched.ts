import { type Dispatch, type SetStateAction, useCallback, useEffect, useRef, useState } from "react";
import { TRYING, Unreachable, words } from "../api/client";

const AGAIN_MS = 3000;

export interface Fetched<T> {
  view: T | null;
  setView: Dispatch<SetStateAction<T | null>>;
  trouble: string;
  load: () => void;
}

/** What a page shows, asked for at once, and again until there is a connection; a late answer to an earlier question
counts for nothing, nor does one to a question older than what the page put there itself. */
export function useFetched<T>(ask: () => Promise<T>): Fetched<T> {
  const [view, setView] = useState<T | null>(null);
  const [trouble, setTrouble] = useState("");
  const [lost, setLost] = useState(0);
  const asked = useRef(0);
  const answered = useRef(0);
  const load = useCallback(() => {
    const mine = ++asked.current;
    ask()
      .then((found) => {
        if (mine !== asked.current) return;
        answered.current = mine;
        setView(found);
        setTrouble("");
        setLost(0);
      })
      .catch((e: unknown) => {
        if (mine !== asked.current) return;
        const gone = e instanceof Unreachable;
        setTrouble(gone && !e.message ? TRYING : words(e));
        setLost((n) => (gone ? n + 1 : 0));
      });
  }, [ask]);
  const put = useCallback<typeof setView>(
    (next) => {
      setView(next);
      if (answered.current !== asked.current) load();
    },
    [load],
  );
  useEffect(load, [load]);
  useEffect(() => {
    if (!lost) return;
    const again = setTimeout(load, AGAIN_MS);
    addEventListener("online", load);
    return () => {
      clearTimeout(again);
      removeEventListener("online", load);
    };
  }, [lost, load]);
  return { view, setView: put, trouble, load };
}
