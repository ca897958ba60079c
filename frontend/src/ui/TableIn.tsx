import { useId, useRef, useState } from "react";
import { api, got, plainText, type Taken, words } from "../api/client";

interface Props {
  label: string;
  columns: string;
  word: string;
  read: (text: string, plain: typeof plainText) => Promise<Taken>;
  take: (taken: Taken, text: string) => void | Promise<void>;
}

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
const LETTERS = [
  ["windows-1252", "Western Europe, America"],
  ["windows-1250", "Central Europe"],
  ["macintosh", "an older Mac"],
] as const;

/** The text of a file whose letters leave no doubt: UTF-8, or what a mark at its beginning says. Null otherwise. */
function decoded(bytes: ArrayBuffer): string | null {
  const [a, b] = new Uint8Array(bytes);
  const marked = a === 0xff && b === 0xfe ? "utf-16le" : a === 0xfe && b === 0xff ? "utf-16be" : "utf-8";
  try {
    return new TextDecoder(marked, { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/** A ZIP, as spreadsheets are. */
function isSpreadsheet(bytes: ArrayBuffer): boolean {
  const [a, b, c, d] = new Uint8Array(bytes);
  return a === 0x50 && b === 0x4b && c === 3 && d === 4;
}

/** The first sheet of a spreadsheet as text; the server reads it. */
async function ofSpreadsheet(raw: ArrayBuffer): Promise<string> {
  const headers = { "Content-Type": "application/octet-stream" };
  const request = api.POST("/api/stock/text", { body: raw as never, bodySerializer: (b) => b, headers });
  return (await got(request)).text;
}

/** Asks which letters a file was written in, by a line of it that shows the difference. */
function WhichLetters({ bytes, choose }: { bytes: ArrayBuffer; choose: (text: string) => void }) {
  return (
    <fieldset className="border-l-4 border-caution py-1 pl-2 text-[15px]">
      <legend className="font-bold">Which of these is spelt right?</legend>
      <p>The table is not in UTF-8, so its letters can be read in more than one way.</p>
      {LETTERS.map(([name, where]) => {
        const whole = new TextDecoder(name).decode(bytes);
        // biome-ignore lint/suspicious/noControlCharactersInRegex: what is not plain ASCII tells the readings apart
        const line = whole.split(/\r?\n/).find((x) => /[^\x00-\x7f]/.test(x)) ?? "";
        return (
          <button
            key={name}
            type="button"
            className="action mt-1 block w-full text-left"
            onClick={() => choose(whole)}
          >
            <span className="block truncate">{line.slice(0, 80)}</span>
            <span className="text-soft">{where}</span>
          </button>
        );
      })}
    </fieldset>
  );
}

/** A table (CSV, XLSX): read, shown row by row with what is wrong by line and column, and taken only when all of it is right. */
export function TableIn({ label, columns, word, read, take }: Props) {
  const [taken, setTaken] = useState<Taken | null>(null);
  const [state, setState] = useState("");
  const [bytes, setBytes] = useState<ArrayBuffer | null>(null);
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
    setBytes(null);
    try {
      const raw = await file.arrayBuffer();
      if (isSpreadsheet(raw)) {
        await show(await ofSpreadsheet(raw));
        return;
      }
      const sure = decoded(raw);
      if (sure === null) {
        setTaken(null);
        setBytes(raw);
        setState("");
      } else await show(sure);
    } catch (e) {
      setTaken(null);
      setState(words(e));
    }
  };
  const show = async (whole: string) => {
    setBytes(null);
    try {
      text.current = whole;
      setTaken(await read(whole, plainText));
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
        accept={`.csv,text/csv,text/plain,.xlsx,${XLSX}`}
        className="w-full text-[15px]"
        onChange={(e) => void open(e.target.files?.[0])}
      />
      <p className="pt-1 text-[15px] text-soft">Columns: {columns}.</p>
      <p role="status" className="pt-1 text-[15px] empty:hidden">
        {state}
      </p>
      {bytes && <WhichLetters bytes={bytes} choose={(whole) => void show(whole)} />}
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
