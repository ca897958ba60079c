import type { Tool } from "../api/client";

/** A reading that was understood: as it would be typed, and how long ago its key was pressed (ms). */
export interface Heard {
  device: string;
  tool: Tool;
  typed: string;
  system: "mm" | "in";
  ageMs: number;
  battery: number;
  /** How many readings before it nobody took. */
  missed: number;
}
export type Word =
  | { kind: "hello"; devices: string[] }
  | { kind: "reading"; heard: Heard; took: string }
  | { kind: "again"; took: string }
  | { kind: "nonsense"; says: string };

interface Known {
  name: string;
  tool: Tool;
  last: number;
}
const MOST_MM = 20_000;

/** Understands what a gauge says: each reading once, whatever is said twice, late, or not at all. */
export class Listener {
  private known = new Map<string, Known>();

  hear(text: string): Word {
    let said: Record<string, unknown>;
    try {
      said = JSON.parse(text) as Record<string, unknown>;
    } catch {
      return { kind: "nonsense", says: "The gauge says something that nobody understands." };
    }
    if (said.say === "hello") return this.hello(said);
    if (said.say === "reading") return this.reading(said);
    return { kind: "nonsense", says: "The gauge says something that nobody understands." };
  }

  private hello(said: Record<string, unknown>): Word {
    if (said.format !== "shadbo-gauge" || said.version !== 1)
      return { kind: "nonsense", says: "What answers there is no gauge that this page understands." };
    const devices = Array.isArray(said.devices) ? (said.devices as Record<string, unknown>[]) : [];
    for (const d of devices) {
      const known = this.known.get(String(d.id));
      this.known.set(String(d.id), {
        name: String(d.name),
        tool: d.kind === "caliper" ? "caliper" : "tape",
        last: Math.max(Number(d.took) || 0, known?.last ?? 0),
      });
    }
    return { kind: "hello", devices: devices.map((d) => String(d.name)) };
  }

  private reading(said: Record<string, unknown>): Word {
    const known = this.known.get(String(said.device));
    const { number, value, unit } = said;
    if (!known) return { kind: "nonsense", says: "A reading came from a device that nobody announced." };
    if (typeof value !== "number" || !Number.isFinite(value) || value < 0 || value > MOST_MM)
      return { kind: "nonsense", says: `${known.name} sent something that is no length.` };
    if (unit !== "mm" && unit !== "in")
      return { kind: "nonsense", says: `${known.name} sent a number without its unit.` };
    if (typeof number !== "number" || !Number.isInteger(number) || number < 1)
      return { kind: "nonsense", says: `${known.name} sent a reading without its number.` };
    const took = JSON.stringify({ say: "took", device: said.device, number });
    if (number <= known.last) return { kind: "again", took };
    const missed = number - known.last - 1;
    known.last = number;
    const heard: Heard = {
      device: known.name,
      tool: known.tool,
      typed: `${value} ${unit}`,
      system: unit,
      ageMs: Number(said.age_ms) || 0,
      battery: typeof said.battery === "number" ? said.battery : 1,
      missed,
    };
    return { kind: "reading", heard, took };
  }
}
