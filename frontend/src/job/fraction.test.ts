import { describe, expect, it } from "vitest";
import { withFraction } from "./fraction";

describe("a fraction from the pad", () => {
  it.each([
    ["", "1/2", "1/2"],
    ["16", "1/4", "16 1/4"],
    ["16 1/4", "11/16", "16 11/16"],
    ["2' 6", "1/2", "2' 6 1/2"],
    ["2' 6 3/8", "1/2", "2' 6 1/2"],
    ['30 1/2"', "3/4", "30 3/4"],
    ["30-1/2", "3/4", "30 3/4"],
    ["3/8", "5/8", "5/8"],
  ])("%s and %s make %s", (stands, fraction, made) => {
    expect(withFraction(stands, fraction)).toBe(made);
  });
});
