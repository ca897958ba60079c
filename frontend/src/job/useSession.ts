import { createContext, useContext, useEffect, useState, useSyncExternalStore } from "react";
import { useMeasures } from "../app/system";
import { JobSession, type State } from "./session";

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

export function useSession(): [JobSession, State] {
  const session = useContext(SessionContext);
  if (!session) throw new Error("outside a job");
  return [session, useSyncExternalStore(session.subscribe, session.get)];
}
