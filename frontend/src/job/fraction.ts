/** What stands in a length with another fraction at its end: feet and whole inches stay, `2' 6` and ½ make `2' 6 1/2`. */
export function withFraction(value: string, fraction: string): string {
  const bare = value
    .replace(/\s*("|in)\s*$/, "")
    .replace(/(^|[\s-]+)\d+\/\d+\s*$/, "")
    .trim();
  return bare ? `${bare} ${fraction}` : fraction;
}
