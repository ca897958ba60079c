/** Text whose fractions are set as fractions; all other figures stay as they are. */
export function Frac({ children }: { children: string }) {
  const parts = children.split(/(\d+\/\d+)/);
  if (parts.length === 1) return children;
  return parts.map((part, i) =>
    i % 2 ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: the pieces of one string
      <span key={i} className="frac">
        {part}
      </span>
    ) : (
      part
    ),
  );
}
