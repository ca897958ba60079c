import { useEffect, useRef } from "react";
import { typeInto } from "../gauge/typeInto";
import { type GaugeState, useGauge } from "../gauge/useGauge";
import { useSession } from "./useSession";

/** The bench's gauge types into the length that has the focus; what it says stands beside the board's tabs. */
export function useFieldGauge(): GaugeState {
  const session = useSession();
  const entered = useRef(0);
  useEffect(() => {
    const onFocus = () => {
      entered.current = Date.now();
    };
    window.addEventListener("focusin", onFocus);
    return () => window.removeEventListener("focusin", onFocus);
  }, []);
  const gauge = useGauge((heard) => {
    const field = document.activeElement;
    if (!(field instanceof HTMLInputElement) || !field.matches("[data-length]")) return false;
    if (Date.now() - heard.ageMs < entered.current) return false;
    typeInto(field, heard);
    return true;
  });
  const { on, says, late } = gauge;
  const told = late ? `${late.device}: ${late.typed}, and no length was open for it` : says;
  useEffect(() => {
    if (on && told) session.say(told);
  }, [session, on, told]);
  return gauge;
}
