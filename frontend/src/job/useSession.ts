import { createContext, useContext } from "react";
import { useStore } from "zustand";
import { useShallow } from "zustand/react/shallow";
import type { Look } from "./look";
import type { OutboxState } from "./outbox";
import type { PlannerState } from "./planner";
import { JobSession } from "./session";
import { useOpen } from "./useOpen";

export const SessionContext = createContext<JobSession | null>(null);

/** Opens a job for as long as its page is shown. */
export const useOpenJob = (id: number): JobSession => useOpen(id, (id) => new JobSession(id));

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
