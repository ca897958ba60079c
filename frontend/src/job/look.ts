import { createStore } from "zustand/vanilla";
import type { View } from "../api/client";

/** A photograph on the board, and the points picked on it as shares of its width and height. */
export interface PhotoMarks {
  id: number;
  purpose: "zone" | "colour" | "picture";
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
  /** How often photographs came or went by something else than their own row. */
  photos: number;
  /** A photograph that was taken away last, and how many changes there were then: undo brings it back first. */
  taken: { id: number; after: number } | null;
}

export const createLook = () =>
  createStore<Look>(() => ({
    view: "edge",
    turn: 0,
    open: "",
    station: "",
    lit: "",
    photo: null,
    said: "",
    photos: 0,
    taken: null,
  }));
export type ViewStore = ReturnType<typeof createLook>;
