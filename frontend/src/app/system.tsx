import { createContext, type ReactNode, useContext, useState } from "react";
import { api, type Both, got, type ShopView, type System, type ToolName } from "../api/client";
import { useFetched } from "../ui/useFetched";

interface Measures {
  system: System;
  setSystem: (system: System) => void;
  /** The text of the system that is shown. */
  say: (text: Both | null | undefined) => string;
  /** The text of the other system. */
  echo: (text: Both | null | undefined) => string;
  shopName: string;
  /** The measuring tools there are, and what they are called. */
  tools: ToolName[];
  /** Where the bench's gauge is heard; empty where nowhere. */
  gauge: string;
  /** The workshop was changed: its name and system are asked for again. */
  again: () => void;
}

const KEY = "shadbo.system";
const UNKNOWN: ShopView = { name: "", system: "mm", mark: "", tools: [], gauge: "" };
const ask = () => got(api.GET("/api/shop"));
const Context = createContext<Measures | null>(null);

export function SystemProvider({ children }: { children: ReactNode }) {
  const [chosen, setChosen] = useState<System | null>(() => localStorage.getItem(KEY) as System | null);
  const { view, load: again } = useFetched<ShopView>(ask);
  const shop = view ?? UNKNOWN;
  const system = chosen ?? shop.system;
  const pick = (text: Both, of: System) => (of === "mm" ? text.mm : text.inch);
  const value: Measures = {
    system,
    setSystem: (next) => {
      localStorage.setItem(KEY, next);
      setChosen(next);
    },
    say: (text) => (text ? pick(text, system) : ""),
    echo: (text) => (text ? pick(text, system === "mm" ? "in" : "mm") : ""),
    shopName: shop.name,
    tools: shop.tools,
    gauge: shop.gauge,
    again,
  };
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function useMeasures(): Measures {
  const value = useContext(Context);
  if (!value) throw new Error("outside the SystemProvider");
  return value;
}

export function SystemSwitch() {
  const { system, setSystem } = useMeasures();
  return (
    <fieldset className="flex">
      <legend className="sr-only">Show lengths in</legend>
      {(["mm", "in"] as const).map((s) => (
        <button
          key={s}
          type="button"
          aria-pressed={system === s}
          onClick={() => setSystem(s)}
          className={`bar-button px-2 ${system === s ? "font-bold text-ink underline decoration-accent decoration-2 underline-offset-4" : "text-soft"}`}
        >
          {s}
        </button>
      ))}
    </fieldset>
  );
}
