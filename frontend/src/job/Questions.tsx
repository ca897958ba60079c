import { useEffect, useRef, useState } from "react";
import type { Question, Station } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { ArtworkRow } from "./ArtworkRow";
import { ActRow, CareRow, ChoiceRow, MenuRow, ToldRow } from "./ChoiceRows";
import { ColoursRow } from "./ColoursRow";
import { CompareRow } from "./CompareRow";
import { CutterRow } from "./CutterRow";
import { EntryRow } from "./EntryRow";
import { LayoutsRow } from "./LayoutsRow";
import { LengthRow } from "./LengthRow";
import { MoveRow } from "./MoveRow";
import { OutlineRow } from "./OutlineRow";
import { PhotosRow } from "./PhotosRow";
import { PictureRow } from "./PictureRow";
import { TableRow } from "./TableRow";
import { useLook } from "./useSession";
import { Words } from "./Words";
import { adrift, begin, keepAhead, onward, waitsOn } from "./walk";

interface Props {
  station: Station;
  /** What the next station is called; empty after the last. */
  after: string;
  /** Whether its rows are here, or still on their way. */
  asked: boolean;
  onPast: () => void;
  onStation: (name: string) => void;
}

/** The open station's questions. Enter accepts and goes on to the next; after the last comes the next station. */
export function Questions({ station, after, asked, onPast, onStation }: Props) {
  const onBoard = useLook((s) => s.view) === "tape";
  const had = useRef(false);
  // A row that goes away must not take the focus with it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at whenever the rows are new
  useEffect(() => {
    if (had.current && adrift()) begin();
  }, [station]);
  const next = (from: HTMLElement) => {
    if (!onward(from)) onPast();
  };
  return (
    <section
      aria-labelledby="station-title"
      className="px-5 pt-3 pb-6"
      onFocus={() => {
        had.current = true;
      }}
    >
      <div className="flex items-start justify-between gap-3">
        <h2
          id="station-title"
          tabIndex={-1}
          className="pt-2 text-2xl font-extrabold outline-none"
          onKeyDown={(e) => {
            if (!asked || waitsOn(e.currentTarget)) keepAhead(e);
          }}
        >
          {station.title}
        </h2>
        {asked && after && (
          <button type="button" data-onward className="onward" aria-label={`next: ${after}`} onClick={onPast}>
            next <span aria-hidden="true">▸</span>
          </button>
        )}
      </div>
      <p className="pt-1 pb-2 text-soft">{station.lead}</p>
      {folds(station.questions, onBoard).map(({ q, order, inside }) =>
        q.kind === "fold" ? (
          <Fold key={`${station.name}:${q.id}`} q={q} order={order} inside={inside} onNext={next} />
        ) : (
          <Row key={`${station.name}:${q.id}`} q={q} order={order} onNext={next} onStation={onStation} />
        ),
      )}
      <Words key={station.name} words={station.words ?? []} />
    </section>
  );
}

interface Placed {
  q: Question;
  order: number;
}

/** Rows in their order, folded ones under theirs; what stands on the measuring board is not said twice. */
function folds(questions: Question[], onBoard: boolean): (Placed & { inside: Placed[] })[] {
  const all = questions.map((q, order) => ({ q, order }));
  return all
    .filter(({ q }) => !q.fold && !(onBoard && q.spot))
    .map((row) => ({ ...row, inside: all.filter(({ q }) => q.fold && q.fold === row.q.id) }));
}

interface FoldProps extends Placed {
  inside: Placed[];
  onNext: (from: HTMLElement) => void;
}

/** One line for rows that are as usual, or seldom needed; it opens in place. */
function Fold({ q, inside, onNext }: FoldProps) {
  const { say } = useMeasures();
  const [open, setOpen] = useState(false);
  const id = `inside-${q.id}`;
  return (
    <div className="border-t border-line">
      <button
        type="button"
        aria-expanded={open}
        aria-controls={id}
        className="fold-line"
        onClick={() => setOpen(!open)}
      >
        <span className="min-w-0">
          <span className="block">{q.label}</span>
          <span className="block truncate text-[15px] text-soft">
            <Frac>{say(q.value)}</Frac>
          </span>
        </span>
        <span aria-hidden="true" className="fold-sign">
          {open ? "−" : "+"}
        </span>
      </button>
      {open && (
        <div id={id} className="mb-2 border-l-3 border-line pl-3">
          {inside.map(({ q, order }) => (
            <Row key={q.id} q={q} order={order} onNext={onNext} onStation={() => {}} />
          ))}
        </div>
      )}
    </div>
  );
}

interface RowProps extends Placed {
  onNext: (from: HTMLElement) => void;
  onStation: (name: string) => void;
}

function Row({ q, order, onNext, onStation }: RowProps) {
  switch (q.kind) {
    case "reading":
    case "length":
    case "pin":
      return <LengthRow q={q} order={order} onNext={onNext} />;
    case "choice":
      return <ChoiceRow q={q} order={order} onNext={onNext} />;
    case "menu":
      return <MenuRow q={q} order={order} onNext={onNext} />;
    case "told":
      return <ToldRow q={q} />;
    case "care":
      return <CareRow q={q} />;
    case "compare":
      return <CompareRow q={q} order={order} onNext={onNext} />;
    case "photos":
      return <PhotosRow />;
    case "layouts":
      return <LayoutsRow q={q} />;
    case "move":
      return <MoveRow q={q} />;
    case "colours":
      return <ColoursRow q={q} />;
    case "outline":
      return <OutlineRow q={q} />;
    case "picture":
      return <PictureRow q={q} />;
    case "artwork":
      return <ArtworkRow q={q} />;
    case "table":
      return <TableRow q={q} />;
    case "cutter":
      return <CutterRow q={q} />;
    case "act":
      return <ActRow q={q} order={order} />;
    case "way":
      return (
        <button type="button" className="action mt-2" data-onward onClick={() => onStation(q.goes ?? "")}>
          {q.label}
        </button>
      );
    default:
      return <EntryRow q={q} order={order} onNext={onNext} />;
  }
}
