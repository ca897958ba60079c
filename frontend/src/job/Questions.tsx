import type { Question, Station } from "../api/client";
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
import { TableRow } from "./TableRow";

/** The open station's questions. Enter accepts and goes on to the next; after the last comes the next station. */
export function Questions({ station, onPast }: { station: Station; onPast: () => void }) {
  const next = (from: HTMLElement) => {
    const pane = from.closest(".questions-area");
    const fields = [...(pane?.querySelectorAll<HTMLElement>("[data-field]") ?? [])];
    const after = fields[fields.indexOf(from) + 1];
    if (after) after.focus();
    else onPast();
  };
  return (
    <section aria-labelledby="station-title" className="px-5 pt-3 pb-6">
      <h2 id="station-title" className="text-2xl font-extrabold">
        {station.title}
      </h2>
      <p className="pb-2 text-soft">{station.lead}</p>
      {station.questions.map((q) => (
        <Row key={`${station.name}:${q.id}`} q={q} onNext={next} />
      ))}
    </section>
  );
}

function Row({ q, onNext }: { q: Question; onNext: (from: HTMLElement) => void }) {
  switch (q.kind) {
    case "reading":
    case "length":
    case "pin":
      return <LengthRow q={q} onNext={onNext} />;
    case "choice":
      return <ChoiceRow q={q} />;
    case "menu":
      return <MenuRow q={q} />;
    case "told":
      return <ToldRow q={q} />;
    case "care":
      return <CareRow q={q} />;
    case "compare":
      return <CompareRow q={q} />;
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
    case "artwork":
      return <ArtworkRow q={q} />;
    case "table":
      return <TableRow q={q} />;
    case "cutter":
      return <CutterRow q={q} />;
    case "act":
      return <ActRow q={q} />;
    default:
      return <EntryRow q={q} onNext={onNext} />;
  }
}
