import type { Edit } from "../api/client";
import { useOutbox, usePlan, useSession } from "./useSession";

interface Props {
  /** The station that is shown. */
  open: string;
  onStation: (name: string) => void;
}
interface Answer {
  label: string;
  act: () => void;
}

/** What the head of the page tells: what went wrong with the whole job, and what needs an answer and has no field here. */
export function Told({ open, onStation }: Props) {
  const { trouble, kept } = useOutbox(({ trouble, kept }) => ({ trouble, kept }));
  const unplanned = usePlan((s) => s.trouble);
  const aside = useAside();
  const elsewhere = useElsewhere(open, onStation);
  const asked = aside ?? elsewhere;
  const says = [
    trouble || unplanned,
    kept ? "" : "This browser cannot keep what is typed: leave the page open until it is saved.",
    asked?.says,
  ]
    .filter(Boolean)
    .join(" ");
  return (
    <div role="alert" className="told">
      {says && <span title={says}>{says}</span>}
      {asked?.answers.map(({ label, act }) => (
        <button key={label} type="button" className="link bar-button font-bold" onClick={act}>
          {label}
        </button>
      ))}
    </div>
  );
}

/** A change that was refused as a whole. */
function useAside(): { says: string; answers: Answer[] } | null {
  const session = useSession();
  const aside = useOutbox((s) => s.asides[0]);
  if (!aside) return null;
  const { id } = aside.item;
  return {
    says: `Not accepted: ${aside.why}`,
    answers: [
      { label: "try again", act: () => session.outbox.again(id) },
      { label: "let go", act: () => session.outbox.letGo(id) },
    ],
  };
}

/** What was refused, or changed by someone else meanwhile, and has its field at another station, or none any more. */
function useElsewhere(
  open: string,
  onStation: Props["onStation"],
): { says: string; answers: Answer[] } | null {
  const session = useSession();
  const { places, plan } = usePlan(({ places, plan }) => ({ places, plan }));
  const { errors, clashes } = useOutbox(({ errors, clashes }) => ({ errors, clashes }));
  const rows = plan?.stations.find((s) => s.name === open)?.questions ?? [];
  for (const at of [...Object.keys(errors), ...Object.keys(clashes)]) {
    const place = places[at];
    const here = place?.station === open;
    if (here && rows.some((q) => q.at === at)) continue;
    const why = clashes[at] ? "changed by someone else" : "not accepted";
    const says = `${place?.label ?? called(at)}: ${why}`;
    if (place && !here) return { says: "", answers: [{ label: says, act: () => onStation(place.station) }] };
    const drop = { label: clashes[at] ? "take theirs" : "let go", act: () => session.drop(at) };
    return {
      says,
      answers: clashes[at] ? [{ label: "keep mine", act: () => session.accept(at) }, drop] : [drop],
    };
  }
  return null;
}

const called = (at: Edit["at"]) => at.split("/").at(-1)?.replaceAll("_", " ");
