/** The way of Enter: from field to field in the order of the questions, wherever on the page they stand. */

const fields = () =>
  [...document.querySelectorAll<HTMLElement>(".job-grid [data-field]")].sort(
    (a, b) => Number(a.dataset.order ?? 0) - Number(b.dataset.order ?? 0),
  );

/** The field after this one takes the focus; false where it was the last on the way. */
export function onward(from: HTMLElement): boolean {
  const order = Number(from.dataset.order ?? -1);
  const later = (x: HTMLElement) => Number(x.dataset.order ?? 0) > order;
  if (from.dataset.field === undefined) {
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

let waiting: Element | null = null;

/** The first field on the way takes the focus; where a station has none, or none yet, the step to the next one does. */
export function begin() {
  const first = fields().find((x) => x.dataset.needed) ?? fields()[0];
  const onwards =
    document.querySelector<HTMLElement>(".job-grid [data-onward]") ??
    document.querySelector<HTMLElement>("#station-title");
  waiting = first ? null : onwards;
  if (first) first.focus();
  else onwards?.focus({ preventScroll: true });
}

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
