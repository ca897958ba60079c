import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from "react";
import { api, got, type Here, OUT, TRYING, Unreachable } from "../api/client";
import { DoorPage } from "./DoorPage";

type Ability = Here["may"][number];

interface Doors {
  here: Here;
  /** Whether who is here may do this. */
  may: (what: Ability) => boolean;
  /** Look again who is here. */
  look: () => void;
  /** Sign out: nothing stays open behind the door. */
  leave: () => Promise<void>;
}

const Context = createContext<Doors | null>(null);
const AGAIN_MS = 3000;

/** Shows what it holds to who is signed in, and the door to everyone else; what was open stays open behind it. */
export function DoorsProvider({ children }: { children: ReactNode }) {
  const [here, setHere] = useState<Here | null>(null);
  const [lost, setLost] = useState(false);
  const [inside, setInside] = useState(false);
  const look = useCallback(() => {
    got(api.GET("/api/session"))
      .then((now) => {
        setHere(now);
        setLost(false);
        if (now.name !== null) setInside(true);
      })
      .catch((e: unknown) => setLost(e instanceof Unreachable));
  }, []);
  useEffect(look, [look]);
  useEffect(() => {
    if (here && !lost) return;
    const again = setInterval(look, AGAIN_MS);
    return () => clearInterval(again);
  }, [here, lost, look]);
  useEffect(() => {
    addEventListener(OUT, look);
    return () => removeEventListener(OUT, look);
  }, [look]);
  const leave = useCallback(async () => {
    await got(api.DELETE("/api/session"));
    setInside(false);
    look();
  }, [look]);
  const value = useMemo(
    () => here && { here, look, leave, may: (what: Ability) => here.may.includes(what) },
    [here, look, leave],
  );
  if (!value) return <p className="p-6 text-lg text-soft">{lost ? TRYING : ""}</p>;
  const out = value.here.name === null;
  return (
    <Context.Provider value={value}>
      {out && <DoorPage here={value.here} entered={look} kept={inside} />}
      {inside && (
        <div inert={out} className={out ? "hidden" : "contents"}>
          {children}
        </div>
      )}
    </Context.Provider>
  );
}

export function useDoors(): Doors {
  const value = useContext(Context);
  if (!value) throw new Error("outside the DoorsProvider");
  return value;
}
