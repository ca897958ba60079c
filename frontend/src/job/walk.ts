/** The way of Enter: from field to field in the order of the questions, wherever on the page they stand. */

const fields = () =>
  [...document.querySelectorAll<HTMLElement>(".job-grid [data-field]")].sort(
    (a, b) => Number(a.dataset.order ?? 0) - Number(b.dataset.order ?? 0),
  );

const onWay = (x: HTMLElement) => x.dataset.field !== undefined;

/** Where the focus came to, and whether that was on the way then: a plan that comes meanwhile does not turn it aside. */
const arrived: { at: EventTarget | null; onWay: boolean } = { at: null, onWay: false };
document.addEventListener("focusin", (e) => {
  arrived.at = e.target;
  arrived.onWay = e.target instanceof HTMLElement && onWay(e.target);
});

/** The field after this one takes the focus; false where it was the last on the way. */
export function onward(from: HTMLElement): boolean {
  const order = Number(from.dataset.order ?? -1);
  const later = (x: HTMLElement) => Number(x.dataset.order ?? 0) > order;
  if (!onWay(from) && !(from === arrived.at && arrived.onWay)) {
    // Who turned aside goes on there, and never to another station.
    const beside = [...document.querySelectorAll<HTMLElement>(".questions-area [data-at][data-order]")];
    const next = beside.find(later) ?? document.querySelector<HTMLElement>("[data-onward]");
    next?.focus();
    return true;
  }
  const after = fields().find(later);
  after?.focus();
  return Boolean(after);
}

/** What stands in the field before this one: an equals sign takes it over, as ditto marks do on paper. */
export function before(from: HTMLInputElement): string {
  const all = fields();
  const earlier = all[all.indexOf(from) - 1];
  return earlier instanceof HTMLInputElement ? earlier.value : "";
}

const PASS_MS = 700;

/** Ditto goes on by itself: an Enter that follows at once, out of habit, does not pass by a field still to be read. */
export function passEnter(from: HTMLElement) {
  const here = document.activeElement;
  if (!(here instanceof HTMLElement) || here === from || here.dataset.needed === undefined) return;
  const done = new AbortController();
  setTimeout(() => done.abort(), PASS_MS);
  document.addEventListener(
    "keydown",
    (e) => {
      done.abort();
      if (e.key !== "Enter") return;
      e.preventDefault();
      e.stopPropagation();
    },
    { capture: true, signal: done.signal },
  );
}

let waiting: Element | null = null;

/** The first field on the way takes the focus; where a station has none, or none yet, the step to the next one does. */
export function begin() {
  const first = fields().find((x) => x.dataset.needed) ?? fields()[0];
  const onwards =
    document.querySelector<HTMLElement>(".job-grid [data-onward]") ??
    document.querySelector<HTMLElement>("#station-title");
  waiting = first ? null : onwards;
  if (first) {
    first.focus();
    void typeAhead();
  } else onwards?.focus({ preventScroll: true });
}

/** Whether the focus waits on this for fields that are on their way. */
export const waitsOn = (x: Element) => waiting === x;

/** Whether the focus was lost with its row, or waits on what leads on for rows that are on their way. */
export function adrift(): boolean {
  const here = document.activeElement;
  return !here || here === document.body || here === waiting;
}

/** The first field of a thing that was just added, by where its answers go. */
export function beginAt(place: string): boolean {
  const own = [...document.querySelectorAll<HTMLElement>(".job-grid [data-at]")];
  const first = own.find((x) => x.dataset.at?.startsWith(`${place}/`));
  first?.focus();
  return Boolean(first);
}

const COMING_MS = 3000;

/** A field takes the focus once its station is here; given up where it does not come. */
export function standAt(at: string) {
  const until = performance.now() + COMING_MS;
  const look = () => {
    const all = [...document.querySelectorAll<HTMLElement>(".job-grid [data-at]")];
    const there = all.find((x) => x.dataset.at === at);
    if (there) there.focus();
    else if (performance.now() < until) requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/** From anywhere on the station to what can be added, and through it. */
export function onwardToAdd(from: Element | null): boolean {
  const all = [...document.querySelectorAll<HTMLElement>(".questions-area [data-adds]")];
  const order = Number((from instanceof HTMLElement && from.dataset.order) || -1);
  const next = all.find((x) => Number(x.dataset.order ?? 0) > order) ?? all[0];
  next?.focus();
  return Boolean(next);
}

interface Key {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
  preventDefault: () => void;
  stopPropagation: () => void;
}

const ahead: string[] = [];

/** Keeps what is typed before the field that it is meant for has the focus; true where there was something to keep. */
export function keepAhead(e: Key): boolean {
  const letter = e.key.length === 1 && !e.ctrlKey && !e.metaKey && !e.altKey;
  if (e.key !== "Enter" && !letter) return false;
  e.preventDefault();
  e.stopPropagation();
  ahead.push(e.key);
  return true;
}

/** What was typed ahead is dropped: its field did not come. */
export function forgetAhead() {
  ahead.length = 0;
}

/** What was typed ahead comes to the field that has the focus now, and to those after it. */
export async function typeAhead() {
  for (const key of ahead.splice(0)) {
    const here = document.activeElement;
    const untaken = here?.dispatchEvent(
      new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true }),
    );
    if (untaken && key !== "Enter" && here instanceof HTMLInputElement) {
      here.setRangeText(key, here.selectionStart ?? 0, here.selectionEnd ?? 0, "end");
      here.dispatchEvent(new InputEvent("input", { bubbles: true, data: key }));
    }
    // A field tells what is typed once it was drawn with it.
    await new Promise((done) => setTimeout(done));
  }
}
