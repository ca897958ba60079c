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
  elsewhere: ReactNode;
}

export function Header({ onHistory, onKeys, historyOpen, elsewhere }: Props) {
  const session = useSession();
  const { job, trouble, asides, kept } = useOutbox(({ job, trouble, asides, kept }) => ({
    job,
    trouble,
    asides,
    kept,
  }));
  const taken = useLook((s) => s.taken);
  const unplanned = usePlan((s) => s.trouble);
  const gauge = useFieldGauge();
  const aside = asides[0];
  if (!job) return null;
  return (
    <header className="header-area flex flex-wrap items-center gap-x-4 border-b border-ink px-4 lg:flex-nowrap lg:gap-x-5 lg:whitespace-nowrap">
      <Link to="/" className="small-caps grid h-10 content-center" title="To all jobs">
        Shadbo
      </Link>
      <h1 className="min-w-0 truncate text-lg font-extrabold">
        Job {job.id} · {job.title || "untitled"}
      </h1>
      <span className="hidden md:inline">{job.owner ? `for ${job.owner}` : ""}</span>
      <span className="hidden md:inline">{job.due ? `due ${longDay(job.due)}` : ""}</span>
      <span role="alert" className="min-w-0 grow truncate text-stop">
        {trouble || unplanned}
        {!kept && "This browser cannot keep what is typed: leave the page open until it is saved. "}
        {aside && (
          <>
            Not accepted: {aside.why}{" "}
            <button
              type="button"
              className="link bar-button"
              onClick={() => session.outbox.again(aside.item.id)}
            >
              try again
            </button>
            <button
              type="button"
              className="link bar-button"
              onClick={() => session.outbox.letGo(aside.item.id)}
            >
              let go
            </button>
          </>
        )}
        {elsewhere}
      </span>
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
      ? `not saved yet, ${waiting}; trying again`
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
