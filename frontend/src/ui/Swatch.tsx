/** A patch of a colour; its name stands beside it. */
export const Swatch = ({ colour }: { colour: string }) => (
  <span
    aria-hidden="true"
    className="inline-block h-6 w-6 shrink-0 border border-ink"
    style={{ background: colour }}
  />
);
