import type { Heard } from "./listener";

/** Types a reading into a length's field as a hand would: its tool, the reading, Enter. */
export function typeInto(field: HTMLInputElement, heard: Heard) {
  const press = (key: string) => field.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
  field.select();
  press(heard.tool.charAt(0));
  setTimeout(() => {
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
    set?.call(field, heard.typed);
    field.dispatchEvent(new Event("input", { bubbles: true }));
    setTimeout(() => press("Enter"));
  });
}
