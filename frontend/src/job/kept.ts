import type { Edit } from "../api/client";

/** Edits that were accepted and wait to be saved. */
export interface Batch {
  id: string;
  edits: Edit[];
  typed: string;
}
/** What stands in a field and was not accepted yet. */
export interface Draft {
  typed: string;
  edit: Edit;
}
interface Kept {
  pending: Batch[];
  drafts: Record<string, Draft>;
}

const key = (id: number) => `shadbo.job.${id}`;

/** What this browser kept of a job when it was last closed, reloaded or cut off. */
export function recall(id: number): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(key(id)) ?? "{}") as Partial<Kept>;
    return { pending: kept.pending ?? [], drafts: kept.drafts ?? {} };
  } catch {
    return { pending: [], drafts: {} };
  }
}

export function remember(id: number, pending: Batch[], drafts: Record<string, Draft>) {
  if (pending.length || Object.keys(drafts).length) {
    localStorage.setItem(key(id), JSON.stringify({ pending, drafts }));
  } else forget(id);
}

export const forget = (id: number) => localStorage.removeItem(key(id));
