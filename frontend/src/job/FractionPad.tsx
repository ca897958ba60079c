import type { RefObject } from "react";
import type { System } from "../api/client";
import { withFraction } from "./fraction";

interface Props {
  system: System;
  value: string;
  onType: (typed: string) => void;
  field: RefObject<HTMLInputElement | null>;
}

const EIGHTHS = ["1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"];
const SIXTEENTHS = ["1/16", "3/16", "5/16", "7/16", "9/16", "11/16", "13/16", "15/16"];

/** On touch: the fractions of the tape as keys, so that nobody hunts for a slash. */
export function FractionPad({ system, value, onType, field }: Props) {
  if (system !== "in" || !window.matchMedia("(pointer: coarse)").matches) return null;
  const put = (fraction: string) => {
    onType(withFraction(value, fraction));
    field.current?.focus();
  };
  return (
    <fieldset className="grid grid-cols-8 gap-1 py-2" onPointerDown={(e) => e.preventDefault()}>
      <legend className="sr-only">Fractions of an inch</legend>
      {[...EIGHTHS, "", ...SIXTEENTHS].map((fraction) =>
        fraction ? (
          <button
            key={fraction}
            type="button"
            className="action min-h-11 px-0!"
            onClick={() => put(fraction)}
          >
            {fraction}
          </button>
        ) : (
          <span key="blank" />
        ),
      )}
    </fieldset>
  );
}
