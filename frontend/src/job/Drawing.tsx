import { useEffect, useRef } from "react";
import type { useTurn } from "./turning";
import type { useDrag } from "./useDrag";

interface DrawingProps {
  svg: string;
  lit: string;
  noted?: string[];
  className: string;
  onPick: (key: string) => void;
  drag?: Pick<ReturnType<typeof useDrag>, "handlers" | "dragged"> | ReturnType<typeof useTurn>;
}

/** A picture that the server wrote, lit up: one line, and beside it those that are noted. */
export function Drawing({ svg, lit, noted, className, onPick, drag }: DrawingProps) {
  const box = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new picture must be lit again
  useEffect(() => {
    for (const g of box.current?.querySelectorAll<SVGElement>("[data-key]") ?? []) {
      g.classList.toggle("lit", Boolean(lit) && g.dataset.key === lit);
      g.classList.toggle("noted", noted?.includes(g.dataset.key ?? "") ?? false);
    }
  }, [svg, lit, noted]);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: every key stands in the questions as a button too
    // biome-ignore lint/a11y/useKeyWithClickEvents: the same
    <div
      ref={box}
      className={`drawing min-h-0 ${className}`}
      {...drag?.handlers}
      onClick={(e) => {
        if (drag?.dragged.current) return;
        const key = (e.target as Element).closest<SVGElement>("[data-key]")?.dataset.key;
        if (key) onPick(key);
      }}
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}
