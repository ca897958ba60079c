import { createStore } from "zustand/vanilla";
import type { View } from "../api/client";

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
  /** How one stands to what is taken apart: steps either way; the server knows how many make a round. */
  turn: number;
  open: string;
  station: string;
  lit: string;
  photo: PhotoMarks | null;
  said: string;
}

export const createLook = () =>
  createStore<Look>(() => ({ view: "edge", turn: 0, open: "", station: "", lit: "", photo: null, said: "" }));
export type ViewStore = ReturnType<typeof createLook>;
