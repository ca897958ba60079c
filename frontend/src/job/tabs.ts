import { newId } from "../api/client";

const KEY = "shadbo.tab";
const LIVE = "shadbo.tabs";
/** How long a tab counts as open after it last said so. */
export const FRESH_MS = 15_000;
let own = "";

/** A name of this tab that a reload keeps; tabs that are open tell each other that they live. */
export function tabName(): string {
  if (own) return own;
  const before = session(() => sessionStorage.getItem(KEY)) ?? "";
  // A tab that was duplicated brings the name of the one that is still open.
  own = before && !living().includes(before) ? before : newId();
  session(() => sessionStorage.setItem(KEY, own));
  beat();
  setInterval(beat, FRESH_MS / 3);
  window.addEventListener("pagehide", () => {
    const { [own]: _, ...rest } = tabs();
    session(() => localStorage.setItem(LIVE, JSON.stringify(rest)));
  });
  return own;
}

/** Tabs that are open beside this one: what they have not saved yet is theirs. */
export const heldTabs = () => {
  const name = tabName();
  return living().filter((tab) => tab !== name);
};

function beat() {
  session(() => localStorage.setItem(LIVE, JSON.stringify({ ...tabs(), [own]: Date.now() })));
}
function tabs(): Record<string, number> {
  return session(() => JSON.parse(localStorage.getItem(LIVE) ?? "{}")) ?? {};
}
const living = () =>
  Object.entries(tabs())
    .filter(([, at]) => Date.now() - at < FRESH_MS)
    .map(([tab]) => tab);

function session<T>(what: () => T): T | null {
  try {
    return what();
  } catch {
    return null;
  }
}
