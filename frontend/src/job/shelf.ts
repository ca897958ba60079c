import type { Edit, System } from "../api/client";

/** One change that was accepted and waits its turn at the server. */
export interface Item {
  id: string;
  kind: "edits" | "undo" | "redo" | "back";
  edits: Edit[];
  typed: string;
  system: System;
  /** The version to go back to. */
  to?: number;
  /** The version that was seen when it was made; what older pages kept has none. */
  base?: number;
}
/** What stands in a field and was not accepted yet. */
export interface Draft {
  typed: string;
  edit: Edit;
  /** The same answer at further places: equal pieces are read once. */
  also?: Edit[];
  /** The version that was seen when its typing began. */
  base?: number;
}
/** Someone else changed the same place: what we wanted there, and what they put. */
export interface Clash {
  mine: Edit;
  typed: string;
  theirs: unknown;
  /** The version that has theirs. */
  base: number;
}
export interface Kept {
  items: Item[];
  drafts: Record<string, Draft>;
  clashes: Record<string, Clash>;
}
/** Where this browser keeps what is not saved yet. */
export interface Shelf {
  /** What this tab kept when it was reloaded or cut off. */
  recall(): Kept;
  /** What tabs left behind that are closed by now; it is ours from here on. */
  left(): Kept;
  /** False when the browser has no room, or does not allow it. */
  remember(kept: Kept): boolean;
  forget(): void;
}

const EMPTY: Kept = { items: [], drafts: {}, clashes: {} };

/** Reads what was kept, whatever an older page wrote there. */
function read(text: string | null): Kept {
  try {
    const kept = JSON.parse(text ?? "{}") as Partial<Kept> & { pending?: Omit<Item, "kind" | "system">[] };
    const old = (kept.pending ?? []).map((b): Item => ({ ...b, kind: "edits", system: "mm" }));
    return {
      items: [...old, ...(kept.items ?? [])],
      drafts: kept.drafts ?? {},
      clashes: kept.clashes ?? {},
    };
  } catch {
    return EMPTY;
  }
}

/** A shelf for one job and one tab in the browser's own store; what closed tabs left behind is taken over. */
export function shelfOf(job: number, tab: string, held: () => string[] = () => []): Shelf {
  const prefix = `shadbo.job.${job}`;
  const own = `${prefix}.${tab}`;
  return {
    recall: () => {
      try {
        return read(localStorage.getItem(own));
      } catch {
        return EMPTY;
      }
    },
    left: () => {
      const all: Kept[] = [];
      try {
        const others = held().map((name) => `${prefix}.${name}`);
        for (const key of Object.keys(localStorage)) {
          const ours = key === prefix || key.startsWith(`${prefix}.`);
          if (!ours || key === own || others.includes(key)) continue;
          all.push(read(localStorage.getItem(key)));
          localStorage.removeItem(key);
        }
      } catch {
        return EMPTY;
      }
      return {
        items: all.flatMap((k) => k.items),
        drafts: Object.assign({}, ...all.map((k) => k.drafts)),
        clashes: Object.assign({}, ...all.map((k) => k.clashes)),
      };
    },
    remember: (kept) => {
      try {
        if (kept.items.length || Object.keys({ ...kept.drafts, ...kept.clashes }).length) {
          localStorage.setItem(own, JSON.stringify(kept));
        } else localStorage.removeItem(own);
        return true;
      } catch {
        return false;
      }
    },
    forget: () => {
      try {
        localStorage.removeItem(own);
      } catch {
        // There is nothing to forget where nothing can be kept.
      }
    },
  };
}
