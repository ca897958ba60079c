import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { type KeyboardEvent, type MouseEvent, useEffect, useRef, useState } from "react";
import { api, got, Refused, type TracedView, type Tracer, words } from "../api/client";
import { useMeasures } from "../app/system";
import { Field } from "../ui/Field";
import { Frac } from "../ui/Frac";

type Dot = [number, number];
const STEPS: Record<string, Dot> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Props {
  home: string;
  onTraced: (typed: Record<string, string>) => void;
  onClose: () => void;
}

/** A photograph of a moulding's end: its corners are marked, one size is read by hand, the server says the rest.

The photograph is opened in the browser alone; only the marks are sent. */
export function TracePhoto({ home, onTraced, onClose }: Props) {
  const { say, system } = useMeasures();
  const [tracer, setTracer] = useState<Tracer | null>(null);
  const [photo, setPhoto] = useState("");
  const [size, setSize] = useState<Dot>([0, 0]);
  const [marks, setMarks] = useState<Dot[]>([]);
  const [cross, setCross] = useState<Dot | null>(null);
  const [known, setKnown] = useState("");
  const [typed, setTyped] = useState("");
  const [found, setFound] = useState<TracedView | null>(null);
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const plate = useRef<HTMLDivElement>(null);
  useEffect(() => {
    got(api.GET("/api/stock/tracer", { params: { query: { home } } }))
      .then((t) => {
        setTracer(t);
        setKnown(t.known[0]?.name ?? "");
      })
      .catch((e: unknown) => setWrong({ marks: words(e) }));
  }, [home]);
  useEffect(() => {
    if (photo) plate.current?.focus();
  }, [photo]);
  const all = tracer !== null && marks.length === tracer.spots.length;
  const perSeen = () => size[0] / (plate.current?.getBoundingClientRect().width || size[0] || 1);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again for every mark and every size
  useEffect(() => {
    setFound(null);
    if (!all || !typed.trim()) return;
    let gone = false;
    const timer = setTimeout(() => {
      const body = { home, marks, known, typed, system, px_seen: perSeen() };
      got(api.POST("/api/stock/traced", { body }))
        .then((view) => {
          if (gone) return;
          setFound(view);
          setWrong({});
        })
        .catch((e: unknown) => {
          if (gone) return;
          const [bad] = e instanceof Refused ? (e.problem.errors ?? []) : [];
          setWrong(bad ? { [bad.at]: bad.message } : { marks: words(e) });
        });
    }, 200);
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, [marks, known, typed, system, all]);
  const open = (file: File | undefined) => {
    if (!file) return;
    const reader = new FileReader();
    reader.onload = () => {
      const image = new Image();
      image.onload = () => {
        setSize([image.naturalWidth, image.naturalHeight]);
        setPhoto(String(reader.result));
        setMarks([]);
        setWrong({});
      };
      image.onerror = () => setWrong({ photo: "this is not a photograph that can be shown: a JPEG or PNG" });
      image.src = String(reader.result);
    };
    reader.readAsDataURL(file);
  };
  const place = (dot: Dot) => {
    if (all) setMarks((m) => [...m.slice(0, -1), dot]);
    else setMarks((m) => [...m, dot]);
  };
  const click = (e: MouseEvent) => {
    const box = e.currentTarget.getBoundingClientRect();
    const scale = size[0] / box.width;
    place([(e.clientX - box.left) * scale, (e.clientY - box.top) * scale]);
    setCross(null);
  };
  const keys = (e: KeyboardEvent) => {
    const step = STEPS[e.key];
    const at: Dot = cross ?? [size[0] / 2, size[1] / 2];
    if (step) {
      e.preventDefault();
      const by = perSeen() * (e.shiftKey ? 20 : 1);
      setCross([at[0] + step[0] * by, at[1] + step[1] * by]);
    } else if (e.key === "Enter" && cross) {
      e.preventDefault();
      place(cross);
    } else if (e.key === "Backspace") {
      e.preventDefault();
      setMarks((m) => m.slice(0, -1));
    }
  };
  const hair = size[0] / 160;
  return (
    <Dialog
      open
      onClose={onClose}
      className="fixed inset-0 z-20 grid place-content-center overflow-y-auto bg-ink/40 p-2"
    >
      <DialogPanel className="grid w-[70rem] max-w-full gap-x-6 gap-y-3 border-t-4 border-accent bg-paper p-5 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <DialogTitle className="text-2xl font-extrabold lg:col-span-2">Trace a moulding's end</DialogTitle>
        {!photo && (
          <div className="max-w-prose lg:col-span-2">
            <p>
              Saw the end clean and square, lay it on plain paper, and photograph it straight from above, from
              an arm's length. The photograph is opened here only; it is not kept.
            </p>
            <label className="action mt-3 inline-block cursor-pointer content-center bg-accent! font-bold text-white focus-within:outline-3">
              Open the photograph
              <input
                type="file"
                accept="image/*"
                className="sr-only"
                onChange={(e) => open(e.target.files?.[0])}
              />
            </label>
            <p role="alert" className="pt-2 text-stop empty:hidden">
              {wrong.photo ?? wrong.marks ?? ""}
            </p>
          </div>
        )}
        {photo && (
          // biome-ignore lint/a11y/useSemanticElements: a plate that is clicked at a place, not a button
          <div
            ref={plate}
            // biome-ignore lint/a11y/noNoninteractiveTabindex: marks are set by keys as well
            tabIndex={0}
            role="group"
            aria-label="The photograph. Click at a corner, or move the cross with the arrow keys and press Enter"
            className="relative w-fit self-start justify-self-center outline-offset-2 focus-visible:outline-3 focus-visible:outline-accent"
            onClick={click}
            onKeyDown={keys}
          >
            <img src={photo} alt="" className="block max-h-[72dvh] w-auto max-w-full cursor-crosshair" />
            <svg
              viewBox={`0 0 ${size[0]} ${size[1]}`}
              className="pointer-events-none absolute inset-0 h-full w-full"
              aria-hidden="true"
            >
              {found && (
                <polygon points={found.outline.map((d) => `${d.x},${d.y}`).join(" ")} className="traced" />
              )}
              {marks.map((dot, n) => (
                <g key={tracer?.spots[n]?.name} className="traced-mark">
                  <circle cx={dot[0]} cy={dot[1]} r={hair} />
                  <text
                    className="traced-number"
                    x={dot[0] + hair * 1.6}
                    y={dot[1] - hair * 1.2}
                    fontSize={hair * 4}
                  >
                    {n + 1}
                  </text>
                </g>
              ))}
              {cross && (
                <g className="traced-cross">
                  <path
                    d={`M${cross[0] - hair * 4} ${cross[1]}h${hair * 8}M${cross[0]} ${cross[1] - hair * 4}v${hair * 8}`}
                  />
                </g>
              )}
            </svg>
          </div>
        )}
        {photo && tracer && (
          <div>
            <ol className="list-decimal pl-6">
              {tracer.spots.map((spot, n) => (
                <li
                  key={spot.name}
                  aria-current={n === marks.length ? "step" : undefined}
                  className={
                    n === marks.length ? "font-bold text-accent" : n < marks.length ? "text-soft" : ""
                  }
                >
                  {spot.asks}
                  {n < marks.length && <span aria-hidden="true"> ✓</span>}
                </li>
              ))}
            </ol>
            <button
              type="button"
              className="action my-2 disabled:opacity-45"
              disabled={marks.length === 0}
              onClick={() => setMarks((m) => m.slice(0, -1))}
            >
              Take the last mark back
            </button>
            <p role="alert" className="text-stop empty:hidden">
              {wrong.marks ?? ""}
            </p>
            <label className="block pt-2 text-[15px] text-soft" htmlFor="traced-known">
              One size, read with a caliper
            </label>
            <select
              id="traced-known"
              className="h-11 w-full border-b-2 border-ink bg-transparent text-[17px]"
              value={known}
              onChange={(e) => setKnown(e.target.value)}
            >
              {tracer.known.map((k) => (
                <option key={k.name} value={k.name}>
                  {say(k.label)}
                </option>
              ))}
            </select>
            <Field label={`As read, ${system}`} value={typed} set={setTyped} wrong={wrong.typed ?? ""} />
            {found && (
              <>
                <dl className="grid grid-cols-[1fr_auto] border-t border-ink pt-1">
                  {tracer.known.map((k) => (
                    <div key={k.name} className="contents">
                      <dt>{say(k.label)}</dt>
                      <dd className="text-right font-bold">
                        <Frac>{found.typed[k.name] ?? ""}</Frac>
                      </dd>
                    </div>
                  ))}
                </dl>
                {found.remarks.map((r) => (
                  <p key={r.mm} className="pt-1 text-[15px] text-soft">
                    <Frac>{say(r)}</Frac>
                  </p>
                ))}
              </>
            )}
            <div className="flex flex-wrap gap-3 pt-3">
              <button
                type="button"
                className="action bg-accent! font-bold text-white disabled:opacity-45"
                disabled={!found}
                onClick={() => found && onTraced(found.typed)}
              >
                Take these sizes
              </button>
              <button type="button" className="action" onClick={onClose}>
                Leave it
              </button>
            </div>
          </div>
        )}
        {!photo && (
          <div className="lg:col-span-2">
            <button type="button" className="action" onClick={onClose}>
              Leave it
            </button>
          </div>
        )}
      </DialogPanel>
    </Dialog>
  );
}
