import { type ReactNode, useState } from "react";
import { words } from "../api/client";

interface Props {
  href: string;
  label?: string;
  className?: string;
  children: ReactNode;
}

/** A file that is made when it is asked for: says that it is being made, and what went wrong, in its own place. */
export function Saves({ href, label, className = "action content-center", children }: Props) {
  const [state, setState] = useState<"" | "made" | "wrong">("");
  const [why, setWhy] = useState("");
  const save = async () => {
    setState("made");
    try {
      const answer = await fetch(href);
      if (!answer.ok) {
        const problem = (await answer.json().catch(() => ({}))) as { title?: string; detail?: string };
        throw new Error(problem.detail || problem.title || "It cannot be made just now; try again.");
      }
      const named = /filename="([^"]+)"/.exec(answer.headers.get("Content-Disposition") ?? "");
      const link = document.createElement("a");
      link.href = URL.createObjectURL(await answer.blob());
      link.download = named?.[1] ?? href.split("/").at(-1)?.split("?")[0] ?? "file";
      link.click();
      setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
      setState("");
    } catch (e) {
      setWhy(words(e));
      setState("wrong");
    }
  };
  return (
    <>
      <a
        className={className}
        href={href}
        aria-label={label}
        aria-busy={state === "made"}
        download
        onClick={(e) => {
          e.preventDefault();
          if (state !== "made") void save();
        }}
      >
        {state === "made" ? "being made…" : children}
      </a>
      {state === "wrong" && (
        <span role="alert" className="text-[15px] text-stop">
          {why}
        </span>
      )}
    </>
  );
}
