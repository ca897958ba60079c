import { useEffect, useId, useRef, useState } from "react";
import { api, type Blank, got, type ItemView, newId, Refused, words } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { Swatch } from "../ui/Swatch";
import { TracePhoto } from "./TracePhoto";

const REST_MS = 200;

interface Props {
  home: string;
  id: string;
  may: boolean;
  onKept: (home: string, id: string) => void;
  onClose: () => void;
}

/** One thing of the stock, written down; what has a section is drawn while its sizes are typed. */
export function ItemEditor({ home, id, may, onKept, onClose }: Props) {
  const { system } = useMeasures();
  const [item, setItem] = useState<ItemView | null>(null);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [picture, setPicture] = useState("");
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const [tried, setTried] = useState(false);
  const [trouble, setTrouble] = useState("");
  const [tracing, setTracing] = useState(false);
  const sent = useRef({ what: "", id: "" });
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    let gone = false;
    got(api.GET("/api/stock/item", { params: { query: { home, id, system } } }))
      .then((view) => {
        if (gone) return;
        setItem(view);
        setPicture(view.picture);
        setTyped({});
        setWrong({});
        setTried(false);
        setTrouble("");
      })
      .catch((e: unknown) => gone || setTrouble(words(e)));
    return () => {
      gone = true;
    };
  }, [home, id, system]);
  const there = item !== null;
  useEffect(() => {
    if (there) head.current?.focus();
  }, [there]);
  useEffect(() => {
    if (Object.keys(typed).length === 0) return;
    let gone = false;
    const timer = setTimeout(() => {
      got(api.POST("/api/stock/try", { body: { home, id, typed, system } }))
        .then((drawn) => {
          if (gone) return;
          setWrong(drawn.wrong);
          if (drawn.picture) setPicture(drawn.picture);
        })
        .catch(() => {});
    }, REST_MS);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [typed, home, id, system]);
  if (!item) return <p className="text-soft">{trouble || "Fetching it…"}</p>;
  const asked = (what: unknown) => {
    const now = JSON.stringify([home, id, what]);
    if (sent.current.what !== now) sent.current = { what: now, id: newId() };
    return sent.current.id;
  };
  const keep = async () => {
    setTried(true);
    try {
      const edit_id = asked([typed, system, item.mark]);
      const body = { home, id, typed, system, mark: item.mark, edit_id };
      const kept = await got(api.POST("/api/stock/item", { body }));
      setTrouble("");
      setItem(kept);
      setTyped({});
      setWrong({});
      setTried(false);
      onKept(home, kept.id);
    } catch (e) {
      const [first] = e instanceof Refused ? (e.problem.errors ?? []) : [];
      if (first) setWrong((all) => ({ ...all, [first.at]: first.message }));
      else setTrouble(words(e));
    }
  };
  const retire = async () => {
    const body = {
      home,
      id,
      retired: !item.retired,
      edit_id: asked(["retire", !item.retired, item.mark, newId()]),
    };
    try {
      setItem(await got(api.POST("/api/stock/retire", { body })));
      onKept(home, id);
    } catch (e) {
      setTrouble(words(e));
    }
  };
  const shown = (name: string) => (tried || typed[name] !== undefined ? wrong[name] : undefined);
  return (
    <form
      aria-label={item.title}
      onSubmit={(e) => {
        e.preventDefault();
        if (may) void keep();
      }}
    >
      <div className="flex items-baseline gap-3 border-b border-ink pb-1">
        <h2 ref={head} tabIndex={-1} className="grow text-xl font-extrabold outline-none">
          {item.title}
        </h2>
        <button type="button" className="link min-h-11" onClick={onClose}>
          close
        </button>
      </div>
      {item.retired && (
        <p className="bg-caution-tone px-2 py-1">Offered no more; jobs that have it keep it.</p>
      )}
      {picture && (
        <div
          className="drawing my-2 border border-line bg-board"
          dangerouslySetInnerHTML={{ __html: picture }}
        />
      )}
      {item.traced && may && (
        <button type="button" className="link min-h-11" onClick={() => setTracing(true)}>
          Trace it from a photograph
        </button>
      )}
      {tracing && (
        <TracePhoto
          home={home}
          onTraced={(sizes) => {
            setTyped((all) => ({ ...all, ...sizes }));
            setTracing(false);
          }}
          onClose={() => setTracing(false)}
        />
      )}
      <div className="grid grid-cols-2 gap-x-4">
        {item.blanks.map((b) => (
          <BlankField
            key={b.name}
            blank={b}
            typed={typed[b.name]}
            wrong={shown(b.name)}
            may={may}
            set={(value) => setTyped((all) => ({ ...all, [b.name]: value }))}
          />
        ))}
      </div>
      <p role="alert" className="text-stop empty:hidden">
        {trouble}
      </p>
      {may && (
        <div className="flex flex-wrap gap-2 pt-3">
          <button
            type="submit"
            className="action bg-accent! font-bold text-white disabled:opacity-45"
            disabled={Object.keys(typed).length === 0}
          >
            {id ? "Keep the change" : "Lay it in"}
          </button>
          {id && (
            <button type="button" className="action" onClick={() => void retire()}>
              {item.retired ? "Offer it again" : "Offer it no more"}
            </button>
          )}
        </div>
      )}
    </form>
  );
}

interface FieldProps {
  blank: Blank;
  typed: string | undefined;
  wrong: string | undefined;
  may: boolean;
  set: (value: string) => void;
}

function BlankField({ blank, typed, wrong, may, set }: FieldProps) {
  const { say, echo } = useMeasures();
  const id = useId();
  const value = typed ?? say(blank.value);
  const wide = blank.name === "name";
  const shared = {
    id,
    disabled: !may,
    "aria-invalid": Boolean(wrong),
    "aria-describedby": `${id}-says`,
    value,
  };
  return (
    <div className={`pt-2 ${wide ? "col-span-2" : ""}`}>
      <label htmlFor={id} className="block text-[15px] text-soft">
        {say(blank.label)}
        {blank.needed && !say(blank.value) ? " · needed" : ""}
      </label>
      <div className="flex items-center gap-2">
        {blank.choices.length > 0 ? (
          <select
            {...shared}
            className="h-11 w-full border-b-2 border-ink bg-transparent text-[17px]"
            onChange={(e) => set(e.target.value)}
          >
            {!value && <option value="">…</option>}
            {blank.choices.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        ) : (
          <input
            {...shared}
            className="entry text-[17px]!"
            autoComplete="off"
            spellCheck={false}
            onChange={(e) => set(e.target.value)}
            onFocus={(e) => e.target.select()}
          />
        )}
        {blank.kind === "colour" && /^#[0-9a-f]{6}$/i.test(value) && <Swatch colour={value} />}
      </div>
      <p id={`${id}-says`} className={`min-h-5 text-[14px] ${wrong ? "text-stop" : "text-soft"}`}>
        {wrong ?? (blank.kind === "length" && typed === undefined ? <Frac>{echo(blank.value)}</Frac> : "")}
      </p>
    </div>
  );
}
