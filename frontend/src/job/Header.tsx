import type { ReactNode } from "react";
import { Link } from "react-router";
import { SystemSwitch } from "../app/system";
import { longDay, timeOf } from "../ui/dates";
import { JobMenu } from "./JobMenu";
import { useFieldGauge } from "./useFieldGauge";
import { useLook, useOutbox, usePlan, useSession } from "./useSession";

interface Props {
  onHistory: () => void;
  onKeys: () => void;
  historyOpen: boolean;
  /** What the whole job has to tell, or ask. */
  told: ReactNode;
}

export function Header({ onHistory, onKeys, historyOpen, told }: Props) {
  const session = useSession();
  const job = useOutbox((s) => s.job);
  const taken = useLook((s) => s.taken);
  const gauge = useFieldGauge();
  if (!job) return null;
  return (
    <header className="header-area flex flex-wrap items-center gap-x-4 border-b border-ink px-4 lg:flex-nowrap lg:gap-x-5 lg:whitespace-nowrap">
      <Link to="/" className="small-caps grid h-10 content-center" title="To all jobs">
        Shadbo
      </Link>
      <h1 className="min-w-0 truncate text-lg font-extrabold">
        Job {job.id} · {job.title || "untitled"}
      </h1>
      <span className="head-more">{job.owner ? `for ${job.owner}` : ""}</span>
      <span className="head-more">{job.due ? `due ${longDay(job.due)}` : ""}</span>
      {told}
      <Link to={`/jobs/${job.id}/bench`} className="bar-button link grid content-center font-bold">
        bench
      </Link>
      <SavedState />
      <button
        type="button"
        className="bar-button disabled:opacity-45"
        disabled={!(job.can_undo || taken)}
        onClick={() => session.step("undo")}
      >
        undo
      </button>
      <button
        type="button"
        className="bar-button disabled:opacity-45"
        disabled={!job.can_redo}
        onClick={() => session.step("redo")}
      >
        redo
      </button>
      <button
        type="button"
        className={`bar-button ${historyOpen ? "font-bold" : ""}`}
        aria-pressed={historyOpen}
        onClick={onHistory}
      >
        history
      </button>
      <JobMenu onKeys={onKeys} gauge={gauge} />
      <SystemSwitch />
    </header>
  );
}

function SavedState() {
  const { job, n, link } = useOutbox(({ job, items, link }) => ({ job, n: items.length, link }));
  const unreached = usePlan((s) => s.link);
  const waiting = n === 1 ? "1 change kept here" : `${n} changes kept here`;
  const text =
    link === "failing"
      ? `${n ? `not saved yet, ${waiting}` : "no answer just now"}; trying again`
      : link === "lost" || unreached === "lost"
        ? `no connection${n ? `, ${waiting}` : ""}`
        : n
          ? "saving…"
          : `saved ${job ? timeOf(job.changed_at) : ""}`;
  return (
    <span
      role="status"
      className={link !== "ok" || unreached === "lost" ? "font-bold text-stop" : "text-soft"}
    >
      {text}
    </span>
  );
}
