import {
  Label,
  Listbox,
  ListboxButton,
  ListboxOption,
  ListboxOptions,
  Radio,
  RadioGroup,
} from "@headlessui/react";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import type { Choice, Question } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { Swatch } from "../ui/Swatch";
import { FieldError, FieldNote, same } from "./FieldNote";
import { useField, useLook, useOutbox, usePlan, useSession } from "./useSession";
import { beginAt, forgetAhead, keepAhead, typeAhead } from "./walk";

function usePick(q: Question) {
  const session = useSession();
  const { echo } = useField(q.at ?? "");
  const choices = q.choices ?? [];
  const wanted = echo ? choices.findIndex((c) => same(c.to, echo.edit.to)) : -1;
  const picked = Math.max(wanted < 0 ? choices.findIndex((c) => c.picked) : wanted, 0);
  const pick = (i: number) => {
    const choice = choices[i];
    const places = [q.at ?? "", ...(q.also ?? [])];
    if (choice && i !== picked) session.edit(places.map((at) => ({ at, to: choice.to ?? null })));
  };
  return { choices, picked, pick, light: () => session.light(q.key ?? "") };
}

interface Props {
  q: Question;
  order: number;
  onNext: (from: HTMLElement) => void;
}

/** The answer that a letter names: the next one that begins with it, and whether it is the only one. */
function namedBy(letter: string, choices: Choice[], picked: number): Named | null {
  if (!/^\p{L}$/u.test(letter)) return null;
  const begins = choices.flatMap((c, i) =>
    c.label.toLowerCase().startsWith(letter.toLowerCase()) ? [i] : [],
  );
  const at = begins.find((i) => i > picked) ?? begins[0];
  return at === undefined ? null : { at, alone: begins.length === 1 };
}

interface Named {
  at: number;
  alone: boolean;
}
interface Picks {
  pick: (i: number) => void;
  named: (key: string) => Named | null;
  /** Where an answer stands, if each has a place of its own. */
  stands?: (beside: HTMLElement, i: number) => HTMLElement | undefined;
}

/**
 * Enter keeps what stands there and goes on, once the plan knows of it: what was picked may bring rows of its own.
 * What is typed meanwhile is meant for the next field, and comes there.
 */
function useGoingOn(at: string, onNext: (from: HTMLElement) => void, picks: Picks) {
  const { echo } = useField(at);
  const leaving = useRef<HTMLElement | null>(null);
  useEffect(() => {
    const from = leaving.current;
    if (echo || !from) return;
    leaving.current = null;
    if (!from.isConnected || document.activeElement !== from) return forgetAhead();
    onNext(from);
    void typeAhead();
  });
  return (e: KeyboardEvent<HTMLElement>) => {
    if (leaving.current === e.currentTarget && keepAhead(e)) return;
    const named = e.ctrlKey || e.metaKey || e.altKey ? null : picks.named(e.key);
    if (named) {
      e.preventDefault();
      e.stopPropagation();
      const answer = picks.stands?.(e.currentTarget, named.at) ?? e.currentTarget;
      answer.focus();
      picks.pick(named.at);
      if (named.alone) leaving.current = answer;
      return;
    }
    if (e.key !== "Enter") return;
    e.preventDefault();
    e.stopPropagation();
    if (echo) leaving.current = e.currentTarget;
    else onNext(e.currentTarget);
  };
}

/** A few answers side by side. */
export function ChoiceRow({ q, order, onNext }: Props) {
  const { choices, picked, pick, light } = usePick(q);
  const goOn = useGoingOn(q.at ?? "", onNext, {
    pick,
    named: (key) => namedBy(key, choices, picked),
    stands: (beside, i) => beside.parentElement?.children[i] as HTMLElement | undefined,
  });
  const { say } = useMeasures();
  return (
    <RadioGroup value={picked} onChange={pick} onFocus={light} className="relative border-t border-line py-2">
      <Label className="block pb-1 text-[16px]">{q.label}</Label>
      <div className="flex flex-wrap gap-y-1">
        {choices.map((c, i) => (
          <Radio
            key={c.label}
            value={i}
            data-field={i === picked && !q.aside ? true : undefined}
            data-order={order}
            data-at={q.at}
            onKeyDown={goOn}
            className="-ml-px min-h-11 cursor-pointer content-center border border-ink px-3 first:ml-0 data-checked:bg-accent data-checked:font-bold data-checked:text-white"
          >
            {c.label}
          </Radio>
        ))}
      </div>
      {q.note && (
        <p className="pt-1 text-[15px] text-soft">
          <Frac>{say(q.note)}</Frac>
        </p>
      )}
      <FieldNote q={q}>
        <FieldError q={q} id={`note-${q.id}`} />
      </FieldNote>
    </RadioGroup>
  );
}

/** Many answers in a list that opens in place. */
export function MenuRow({ q, order, onNext }: Props) {
  const { choices, picked, pick, light } = usePick(q);
  const { say } = useMeasures();
  const goOn = useGoingOn(q.at ?? "", onNext, { pick, named: (key) => namedBy(key, choices, picked) });
  const now = choices[picked];
  return (
    <Listbox value={picked} onChange={pick}>
      <div className="relative border-t border-line py-1.5">
        <Label className="block text-[16px]">{q.label}</Label>
        <ListboxButton
          data-field={q.aside ? undefined : true}
          data-order={order}
          data-at={q.at}
          onFocus={light}
          onKeyDownCapture={goOn}
          className="entry flex items-baseline justify-between gap-3 text-left text-[19px]!"
        >
          <span className="flex items-center gap-2 whitespace-nowrap">
            {now?.swatch && <Swatch colour={now.swatch} />}
            {now?.label}
          </span>
          <span className="truncate text-[15px] font-normal text-soft">
            <Frac>{say(now?.detail)}</Frac>
          </span>
          <span aria-hidden="true">▾</span>
        </ListboxButton>
        <ListboxOptions className="absolute inset-x-0 top-full z-10 max-h-96 overflow-auto border border-ink bg-board focus:outline-none">
          {choices.map((c, i) => (
            <Option key={`${c.label}${String(i)}`} choice={c} index={i} detail={say(c.detail)} />
          ))}
        </ListboxOptions>
        {q.note && (
          <p className="pt-1 text-[15px] text-soft">
            <Frac>{say(q.note)}</Frac>
          </p>
        )}
        <FieldNote q={q}>
          <FieldError q={q} id={`note-${q.id}`} />
        </FieldNote>
      </div>
    </Listbox>
  );
}

function Option({ choice, index, detail }: { choice: Choice; index: number; detail: string }) {
  return (
    <ListboxOption
      value={index}
      className="min-h-11 cursor-pointer border-b border-line px-3 py-1 data-focus:bg-accent data-focus:text-white data-selected:font-bold"
    >
      <span className="flex items-center gap-2">
        {choice.swatch && <Swatch colour={choice.swatch} />}
        {choice.works ? "" : "■ "}
        {choice.label}
      </span>
      <span className="block text-[15px] font-normal opacity-80">
        <Frac>{detail}</Frac>
      </span>
    </ListboxOption>
  );
}

/** Letters from which a value is a sentence, and a note takes a line of its own. */
const [LONG_VALUE, LONG_NOTE] = [18, 60];

/** What the plan says; a click opens its working. */
export function ToldRow({ q }: { q: Question }) {
  const session = useSession();
  const open = useLook((s) => s.open);
  const { say } = useMeasures();
  const [value, note] = [say(q.value), say(q.note)];
  const wide = note.length > LONG_NOTE;
  const more = (
    <span className={`block text-[15px] text-soft ${wide ? "basis-full" : ""}`}>
      <Frac>{note}</Frac>
    </span>
  );
  const body = (
    <>
      <span className="min-w-14 flex-1">
        <span className="block">{q.label}</span>
        {!wide && more}
      </span>
      <span
        className={`min-w-28 max-w-[60%] text-right ${value.length > LONG_VALUE ? "text-[17px] leading-tight" : "text-[19px] font-bold"}`}
      >
        <Frac>{value}</Frac>
      </span>
      {wide && more}
    </>
  );
  const shape =
    "flex min-h-12 w-full flex-wrap items-center justify-between gap-x-4 border-t border-line py-1 text-left";
  if (!q.key) return <div className={shape}>{body}</div>;
  const key = q.key;
  return (
    <button
      type="button"
      className={`${shape} hover:bg-board ${open === key ? "bg-board" : ""}`}
      onClick={() => session.look({ open: key })}
      onFocus={() => session.light(key)}
      onBlur={() => session.light("")}
    >
      {body}
    </button>
  );
}

export function CareRow({ q }: { q: Question }) {
  return (
    <p className="my-2 border-l-4 border-caution bg-caution-tone px-3 py-2">
      <span className="small-caps block text-caution">take care</span>
      {q.label}
    </p>
  );
}

/** A step as a button. What it does follows from what the plan knows: it waits for what was just typed. */
export function ActRow({ q, order }: { q: Question; order: number }) {
  const session = useSession();
  const settled = useOutbox((s) => Object.keys(s.echoes).length === 0);
  const lost = usePlan((s) => s.link === "lost");
  const [wanted, setWanted] = useState(0);
  const [added, setAdded] = useState("");
  const waits = useField(added).echo !== undefined;
  // What was added begins with its first field, once it stands there.
  useEffect(() => {
    if (!added || waits) return;
    beginAt(added);
    setAdded("");
  }, [added, waits]);
  useEffect(() => {
    if (wanted === 0 || !(settled || lost)) return;
    const edits = q.edits ?? [];
    const [first] = edits;
    setWanted(wanted - 1);
    session.edit(edits);
    if (first && first.to !== null && first.to !== undefined) setAdded(first.at);
  }, [wanted, settled, lost, q, session]);
  return (
    <button
      type="button"
      data-adds={q.adds || undefined}
      data-order={order}
      aria-busy={wanted > 0}
      className="action mt-2 mr-2"
      onClick={() => setWanted(wanted + 1)}
    >
      {q.label}
    </button>
  );
}
