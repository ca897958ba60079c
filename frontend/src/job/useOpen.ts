import { useEffect, useState } from "react";
import type { System } from "../api/client";
import { useMeasures } from "../app/system";
import type { OpenJob } from "./open";

/** Opens a job for as long as its page is shown, in the system that is shown. */
export function useOpen<T extends OpenJob & { inSystem(system: System): void }>(
  id: number,
  make: (id: number) => T,
): T {
  const [session, setSession] = useState(() => make(id));
  const { system } = useMeasures();
  if (session.id !== id) setSession(make(id));
  useEffect(() => {
    session.start();
    return () => session.stop();
  }, [session]);
  useEffect(() => session.inSystem(system), [session, system]);
  return session;
}
