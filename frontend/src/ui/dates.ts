const month = new Intl.DateTimeFormat("en-GB", { month: "short" });
const long = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short" });
const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });

/** A calendar day as a big number and a month; `late` when it has passed. */
export function dayOf(iso: string | null | undefined): { day: string; month: string; late: boolean } {
  if (!iso) return { day: "–", month: "no date", late: false };
  const date = new Date(`${iso}T12:00:00`);
  const today = new Date();
  today.setHours(0, 0, 0, 0);
  return { day: String(date.getDate()), month: month.format(date), late: date < today };
}

export const longDay = (iso: string) => long.format(new Date(`${iso}T12:00:00`));
export const timeOf = (iso: string | number) => clock.format(new Date(iso));
