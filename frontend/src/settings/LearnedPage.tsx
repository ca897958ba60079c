import { useCallback, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { api, type Effect, got, type LearnedView, type Lesson, newId, words } from "../api/client";
import { useMeasures } from "../app/system";
import { useDoors } from "../doors/here";
import { PageHeader } from "../doors/PageHeader";
import { Frac } from "../ui/Frac";
import { useFetched } from "../ui/useFetched";

/** What the shop's own finished jobs say of its habits; each is set by the framer, or not at all. */
export function LearnedPage() {
  const { system } = useMeasures();
  const ask = useCallback(() => got(api.GET("/api/learned", { params: { query: { system } } })), [system]);
  const { view, trouble, load } = useFetched<LearnedView>(ask);
  useEffect(() => {
    document.title = "What was learned · Shadbo";
  }, []);
  return (
    <div className="mx-auto flex min-h-dvh max-w-6xl flex-col px-4 pb-10">
      <PageHeader />
      <main className="grow">
        <div className="flex flex-wrap items-baseline gap-x-6 py-4">
          <h1 className="grow text-3xl font-extrabold">What the shop's own jobs say</h1>
          <p className="text-soft">
            {view && `of the ${view.jobs} that were handed over last · `}
            <Link className="link" to="/settings">
              all habits
            </Link>
          </p>
        </div>
        <p role="alert" className="text-stop empty:hidden">
          {trouble}
        </p>
        {!view && !trouble && <p className="py-6 text-soft">Reading the records…</p>}
        <ul className="grid gap-x-10 gap-y-6 lg:grid-cols-2">
          {view?.lessons.map((lesson) => (
            <One key={lesson.id} lesson={lesson} again={load} />
          ))}
        </ul>
        <p className="max-w-3xl pt-6 text-soft">
          Nothing here is set by itself. Figures are medians and what nine of ten stay within, so that one odd
          reading moves none of them. Jobs with their first part cut keep the habits that they were cut by.
        </p>
      </main>
    </div>
  );
}

function One({ lesson, again }: { lesson: Lesson; again: () => void }) {
  const { say } = useMeasures();
  const { may } = useDoors();
  const [effect, setEffect] = useState<Effect | null>(null);
  const [trouble, setTrouble] = useState("");
  const sent = useRef("");
  const { name, typed, was } = lesson;
  const look = async () => {
    setTrouble("");
    try {
      setEffect(await got(api.POST("/api/learned/effect", { body: { name, typed } })));
    } catch (e) {
      setTrouble(words(e));
    }
  };
  const set = async () => {
    sent.current ||= newId();
    try {
      await got(
        api.POST("/api/practice", { body: { name, typed, was, system: "mm", edit_id: sent.current } }),
      );
      setEffect(null);
      again();
    } catch (e) {
      sent.current = "";
      setTrouble(words(e));
    }
  };
  return (
    <li className="border-t border-ink pt-2">
      <h2 className="text-xl font-extrabold">{lesson.label}</h2>
      <p className={lesson.enough ? "" : "text-soft"}>
        <Frac>{say(lesson.says)}</Frac>
      </p>
      {lesson.enough && (
        <>
          <div className="max-w-[30rem] pt-1" dangerouslySetInnerHTML={{ __html: lesson.picture }} />
          <p className="text-[16px] text-soft">
            {lesson.count} {lesson.count === lesson.jobs ? "" : "readings "}of {lesson.jobs} jobs,{" "}
            <Frac>{say(lesson.spread)}</Frac>
          </p>
        </>
      )}
      {name && lesson.enough && (
        <p className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-2">
          <span className="grow">
            set <strong>{say(lesson.now)}</strong>
            {lesson.differs ? (
              <>
                , the jobs say <strong>{say(lesson.found)}</strong>
              </>
            ) : (
              ", and the jobs say so too"
            )}
          </span>
          {lesson.differs && (
            <button type="button" className="action" onClick={() => void look()}>
              What would it change?
            </button>
          )}
          {lesson.differs && effect && may("practice") && (
            <button
              type="button"
              className="action bg-accent! font-bold text-white"
              onClick={() => void set()}
            >
              Set it to {say(lesson.found)}
            </button>
          )}
        </p>
      )}
      <p aria-live="polite" className="min-h-6 pt-1 text-[16px]">
        {effect?.says}
        <span className="text-stop">{trouble}</span>
      </p>
    </li>
  );
}
