import { beforeEach, describe, expect, it } from "vitest";
import { Listener } from "./listener";

const hello = (took = 0) =>
  JSON.stringify({
    say: "hello",
    format: "shadbo-gauge",
    version: 1,
    devices: [{ id: "caliper-1", name: "caliper 1", kind: "caliper", took }],
  });
const reading = (number: number, more: object = {}) =>
  JSON.stringify({
    say: "reading",
    device: "caliper-1",
    number,
    value: 41.02,
    unit: "mm",
    battery: 0.8,
    age_ms: 40,
    ...more,
  });

describe("a gauge", () => {
  let gauge: Listener;
  beforeEach(() => {
    gauge = new Listener();
    gauge.hear(hello());
  });
  it("is heard as it would be typed, with its tool", () => {
    expect(gauge.hear(reading(1))).toMatchObject({
      kind: "reading",
      heard: { typed: "41.02 mm", tool: "caliper", missed: 0, ageMs: 40 },
      took: '{"say":"took","device":"caliper-1","number":1}',
    });
  });
  it("is taken once, whatever it says twice", () => {
    gauge.hear(reading(1));
    expect(gauge.hear(reading(1)).kind).toBe("again");
    gauge.hear(hello(1));
    expect(gauge.hear(reading(1)).kind).toBe("again");
  });
  it("tells how many were not heard, from where it was last taken", () => {
    expect(gauge.hear(reading(3))).toMatchObject({ heard: { missed: 2 } });
    const later = new Listener();
    later.hear(hello(7));
    expect(later.hear(reading(8))).toMatchObject({ heard: { missed: 0 } });
  });
  it.each([
    ["a number without its unit", reading(1, { unit: undefined })],
    ["no length", reading(1, { value: "4l.0" })],
    ["no length", reading(1, { value: -3 })],
    ["without its number", reading(1, { number: 0 })],
    ["nobody announced", reading(1, { device: "another" })],
    ["nobody understands", "{half"],
    ["nobody understands", '{"say":"moo"}'],
    ["no gauge", JSON.stringify({ say: "hello", format: "other", version: 1 })],
  ])("that says nonsense is told so: %s", (words, text) => {
    const word = gauge.hear(text);
    expect(word.kind).toBe("nonsense");
    expect(word.kind === "nonsense" && word.says).toContain(words);
  });
});
