import { createContext, useContext, useEffect, useState } from "react";
import { useStore } from "zustand";
import { useShallow } from "zustand/react/shallow";
import { useMeasures } from "../app/system";
import type { Look } from "./look";
import type { OutboxState } from "./outbox";
import type { PlannerState } from "./planner";
import { JobSession } from "./session";

export const SessionContext = createContext<JobSession | null>(null);

/** Opens a job for as long as its page is shown. */
export function useOpenJob(id: number): JobSession {
  const [session, setSession] = useState(() => new JobSession(id));
  const { system } = useMeasures();
  if (session.id !== id) setSession(new JobSession(id));
  useEffect(() => {
    session.start();
    return () => session.stop();
  }, [session]);
  useEffect(() => session.inSystem(system), [session, system]);
  return session;
}

export function useSession(): JobSession {
  const session = useContext(SessionContext);
  if (!session) throw new Error("outside a job");
  return session;
}

/** A part of what waits to be saved; the component is drawn anew only when that part changes. */
export const useOutbox = <T>(select: (state: OutboxState) => T): T =>
  useStore(useSession().outbox.store, useShallow(select));
/** A part of the newest plan. */
export const usePlan = <T>(select: (state: PlannerState) => T): T =>
  useStore(useSession().planner.store, useShallow(select));
/** A part of what is looked at. */
export const useLook = <T>(select: (state: Look) => T): T => useStore(useSession().look_, useShallow(select));

/** What stands in a field: being typed, accepted and not planned yet, or neither; and what is wrong there. */
export const useField = (at: string) =>
  useOutbox(({ drafts, echoes, errors, clashes, items }) => ({
    draft: drafts[at],
    echo: echoes[at],
    error: errors[at],
    clash: clashes[at],
    waits: items.some((i) => i.edits.some((e) => e.at === at)),
  }));
