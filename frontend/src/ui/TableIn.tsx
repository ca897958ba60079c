import { useId, useRef, useState } from "react";
import { plainText, type Taken, words } from "../api/client";

interface Props {
  label: string;
  columns: string;
  word: string;
  read: (text: string, plain: typeof plainText) => Promise<Taken>;
  take: (taken: Taken, text: string) => void | Promise<void>;
}

/** A CSV file: read, shown row by row with what is wrong by line and column, and taken only when all of it is right. */
export function TableIn({ label, columns, word, read, take }: Props) {
  const [taken, setTaken] = useState<Taken | null>(null);
  const [state, setState] = useState("");
  const text = useRef("");
  const input = useRef<HTMLInputElement>(null);
  const id = useId();
  const clear = () => {
    setTaken(null);
    if (input.current) input.current.value = "";
  };
  const open = async (file: File | undefined) => {
    if (!file) return;
    setState(`reading ${file.name}…`);
    try {
      text.current = await file.text();
      setTaken(await read(text.current, plainText));
      setState("");
    } catch (e) {
      setTaken(null);
      setState(words(e));
    }
  };
  const accept = async () => {
    if (!taken) return;
    try {
      await take(taken, text.current);
      setState(`${taken.rows.length} taken in.`);
      clear();
    } catch (e) {
      setState(words(e));
    }
  };
  return (
    <div className="border-t border-line py-2">
      <label htmlFor={id} className="block pb-1 text-[16px]">
        {label}
      </label>
      <input
        ref={input}
        id={id}
        type="file"
        accept=".csv,text/csv,text/plain"
        className="w-full text-[15px]"
        onChange={(e) => void open(e.target.files?.[0])}
      />
      <p className="pt-1 text-[15px] text-soft">Columns: {columns}.</p>
      <p role="status" className="pt-1 text-[15px] empty:hidden">
        {state}
      </p>
      {taken && (
        <>
          {taken.wrong.length > 0 && (
            <div role="alert" className="border-l-4 border-stop bg-stop-tone px-2 py-1 text-[15px]">
              <ul>
                {taken.wrong.map((w) => (
                  <li key={`${w.line} ${w.column} ${w.found}`}>
                    Line {w.line}, {w.column}: found {w.found}; expected {w.expected}
                  </li>
                ))}
              </ul>
            </div>
          )}
          <ol className="py-1 text-[15px]">
            {taken.rows.map((r) => (
              <li key={r.line}>
                <span className="text-soft">line {r.line}</span> {r.says}
              </li>
            ))}
          </ol>
          {taken.wrong.length === 0 ? (
            <button type="button" className="action" onClick={() => void accept()}>
              Take in {taken.rows.length} {taken.rows.length === 1 ? word : `${word}s`}
            </button>
          ) : (
            <p className="text-[15px]">
              Nothing is taken in until the table is right. Mend it and choose it again.
            </p>
          )}
        </>
      )}
    </div>
  );
}
