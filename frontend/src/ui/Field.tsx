import { useId } from "react";

interface Props {
  label: string;
  value: string;
  set: (value: string) => void;
  /** What is wrong with what stands there. */
  wrong?: string | undefined;
  says?: string | undefined;
  complete?: string;
  secret?: boolean;
  /** What can stand there, offered while it is typed. */
  among?: readonly string[];
  /** Whether it has the focus when it comes. */
  first?: boolean;
}

/** A line to write on, with its label above it and what is wrong with it below. */
export function Field({ label, value, set, wrong, says, complete, secret, among, first }: Props) {
  const id = useId();
  return (
    <div>
      <label htmlFor={id} className="block text-soft">
        {label}
      </label>
      <input
        id={id}
        className="entry mt-1 min-h-11"
        type={secret ? "password" : "text"}
        value={value}
        maxLength={secret ? 200 : 80}
        autoComplete={complete ?? "off"}
        autoCapitalize="off"
        spellCheck={false}
        list={among && `${id}-among`}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong || says ? `${id}-says` : undefined}
        // biome-ignore lint/a11y/noAutofocus: the one thing to do on a page that has nothing else
        autoFocus={first}
        onChange={(e) => set(e.target.value)}
      />
      {among && (
        <datalist id={`${id}-among`}>
          {among.map((x) => (
            <option key={x} value={x} />
          ))}
        </datalist>
      )}
      <p id={`${id}-says`} className={`min-h-5 text-[15px] ${wrong ? "text-stop" : "text-soft"}`}>
        {wrong || says}
      </p>
    </div>
  );
}
