/** The sign of a severity: shape and word tell it, not colour alone. */
const SIGNS: Record<string, { shape: string; word: string; tone: string }> = {
  stop: { shape: "■", word: "stop", tone: "bg-stop text-white" },
  caution: { shape: "▲", word: "caution", tone: "bg-caution text-white" },
  measure: { shape: "◆", word: "measure", tone: "bg-measure text-white" },
  note: { shape: "●", word: "note", tone: "bg-soft text-white" },
  fine: { shape: "✓", word: "fits", tone: "bg-fine text-white" },
  asks: { shape: "◇", word: "to do", tone: "bg-ink text-white" },
};
const INKS: Record<string, string> = {
  stop: "text-stop",
  caution: "text-caution",
  measure: "text-measure",
  note: "text-soft",
  fine: "text-fine",
  asks: "text-ink",
};

export function Sign({ kind, bare = false }: { kind: string; bare?: boolean }) {
  const sign = SIGNS[kind];
  if (!sign) return null;
  if (bare)
    return (
      <span className={INKS[kind]}>
        <span aria-hidden="true">{sign.shape}</span>
        <span className="sr-only">{sign.word}: </span>
      </span>
    );
  return (
    <span className={`small-caps px-3 py-1.5 text-[17px]! whitespace-nowrap ${sign.tone}`}>
      <span aria-hidden="true">{sign.shape} </span>
      {sign.word}
    </span>
  );
}
