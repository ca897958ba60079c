import { createStore } from "zustand/vanilla";
import type { View } from "../api/client";
import type { components } from "../api/schema";

export type Turn = NonNullable<components["schemas"]["Ask"]["turn"]>;

/** A photograph on the board, and the points picked on it as shares of its width and height. */
export interface PhotoMarks {
  id: number;
  purpose: "zone" | "colour";
  at: string;
  points: [number, number][];
}
/** What is looked at: none of it is saved. */
export interface Look {
  view: View;
  /** How one stands to what is taken apart: one of the server's few directions. */
  turn: Turn;
  open: string;
  station: string;
  lit: string;
  photo: PhotoMarks | null;
  said: string;
}

export const createLook = () =>
  createStore<Look>(() => ({ view: "edge", turn: 0, open: "", station: "", lit: "", photo: null, said: "" }));
export type ViewStore = ReturnType<typeof createLook>;
