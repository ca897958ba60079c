import { useCallback, useEffect, useRef, useState } from "react";
import { useMeasures } from "../app/system";
import { type Heard, Listener } from "./listener";

const KEY = "shadbo.gauge";
const AGAIN_MS = 2000;
const LOW = 0.15;

export interface GaugeState {
  /** Whether there is one to listen to at all. */
  there: boolean;
  on: boolean;
  setOn: (on: boolean) => void;
  /** What it says of itself: heard, silent, or what went wrong. */
  says: string;
  /** A reading that came too late to be typed by itself. */
  late: Heard | null;
  letGo: () => void;
}

/**
 * Listens to the bench's gauge while it is asked to. ``take`` is given each reading once and tells whether something
 * took it; what was pressed before that place was ready, and what nothing took, is kept to be taken by hand.
 */
export function useGauge(take: (heard: Heard) => boolean): GaugeState {
  const { gauge } = useMeasures();
  const [on, setOnHere] = useState(() => localStorage.getItem(KEY) === "on");
  const [says, setSays] = useState("");
  const [late, setLate] = useState<Heard | null>(null);
  const taker = useRef(take);
  taker.current = take;
  const setOn = (next: boolean) => {
    localStorage.setItem(KEY, next ? "on" : "off");
    setOnHere(next);
    setSays("");
  };
  useEffect(() => {
    if (!gauge || !on) return;
    const listener = new Listener();
    let socket: WebSocket | null = null;
    let again: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    const open = () => {
      socket = new WebSocket(gauge);
      socket.onmessage = (e: MessageEvent<string>) => {
        const word = listener.hear(String(e.data));
        if (word.kind === "hello") setSays(word.devices.join(", "));
        else if (word.kind === "nonsense") setSays(word.says);
        else {
          socket?.send(word.took);
          if (word.kind === "again") return;
          const { heard } = word;
          const low = heard.battery < LOW ? "; its battery is low" : "";
          const missed = heard.missed ? `; ${heard.missed} before it not heard` : "";
          setSays(`${heard.device}: ${heard.typed}${missed}${low}`);
          setLate(document.hasFocus() && taker.current(heard) ? null : heard);
        }
      };
      socket.onclose = () => {
        if (over) return;
        setSays("the gauge is silent");
        again = setTimeout(open, AGAIN_MS);
      };
    };
    open();
    return () => {
      over = true;
      clearTimeout(again);
      socket?.close();
    };
  }, [gauge, on]);
  const letGo = useCallback(() => setLate(null), []);
  return { there: Boolean(gauge), on, setOn, says, late, letGo };
}
