import { createContext, useContext, useEffect, useState } from "react";
import { useStore } from "zustand";
import { useShallow } from "zustand/react/shallow";
import type { OutboxState } from "../job/outbox";
import { useOpen } from "../job/useOpen";
import { BenchSession, type BenchState } from "./session";

export const BenchContext = createContext<BenchSession | null>(null);

/** Opens a job at the bench for as long as its page is shown. */
export const useOpenBench = (id: number): BenchSession => useOpen(id, (id) => new BenchSession(id));

export function useBench(): BenchSession {
  const session = useContext(BenchContext);
  if (!session) throw new Error("outside the bench");
  return session;
}

export const useBenchState = <T>(select: (state: BenchState) => T): T =>
  useStore(useBench().store, useShallow(select));
export const useWaiting = <T>(select: (state: OutboxState) => T): T =>
  useStore(useBench().outbox.store, useShallow(select));

/** Now, told anew every second, by the server's clock. */
export function useNow(): Date {
  const session = useBench();
  const [now, setNow] = useState(() => session.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(session.now()), 1000);
    return () => clearInterval(tick);
  }, [session]);
  return now;
}

/** Keeps the screen awake while the page is shown, where the browser allows it. */
export function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const hold = () => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      navigator.wakeLock
        .request("screen")
        .then((got) => {
          lock = got;
        })
        .catch(() => {});
    };
    hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
}
