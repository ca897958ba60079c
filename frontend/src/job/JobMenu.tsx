import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { useRef } from "react";
import { useNavigate } from "react-router";
import { api, got, newId, type Shelf, words } from "../api/client";
import { useDoors } from "../doors/here";
import type { GaugeState } from "../gauge/useGauge";
import { useOutbox, useSession } from "./useSession";

const PUT: { shelf: Shelf; label: string }[] = [
  { shelf: "rack", label: "Back onto the rack" },
  { shelf: "pattern", label: "Keep it as a pattern" },
  { shelf: "archive", label: "Into the archive" },
  { shelf: "bin", label: "Into the bin" },
];

/** What is seldom done with a job as a whole: once more, or elsewhere. */
export function JobMenu({ onKeys, gauge }: { onKeys: () => void; gauge: GaugeState }) {
  const session = useSession();
  const job = useOutbox((s) => s.job);
  const { may } = useDoors();
  const go = useNavigate();
  const asked = useRef({ id: "", first: "none" });
  if (!job) return null;
  const plans = may("plan");
  const params = { path: { job_id: job.id } };
  const copy = async (first = "") => {
    if (asked.current.first !== first) asked.current = { id: newId(), first };
    try {
      const body = { edit_id: asked.current.id, first };
      const made = await got(api.POST("/api/jobs/{job_id}/copy", { params, body }));
      asked.current = { id: "", first: "none" };
      go(`/jobs/${made.id}?at=receive`);
    } catch (e) {
      session.trouble(words(e));
    }
  };
  const put = async (shelf: Shelf) => {
    try {
      await got(api.POST("/api/jobs/{job_id}/shelf", { params, body: { shelf } }));
      go(shelf === "rack" ? "/" : `/?shelf=${shelf}`);
    } catch (e) {
      session.trouble(words(e));
    }
  };
  const item = "grid min-h-11 w-full content-center px-4 text-left data-focus:bg-paper";
  return (
    <Menu>
      <MenuButton className="bar-button">more</MenuButton>
      <MenuItems anchor="bottom end" className="z-10 min-w-56 border border-ink bg-board outline-none">
        <MenuItem>
          <button type="button" className={item} onClick={onKeys}>
            Keys
          </button>
        </MenuItem>
        {gauge.there && (
          <MenuItem>
            <button type="button" className={item} onClick={() => gauge.setOn(!gauge.on)}>
              {gauge.on ? "Do not listen to the gauge" : "Listen to the gauge"}
            </button>
          </MenuItem>
        )}
        {plans && (
          <MenuItem>
            <button type="button" className={item} onClick={() => void copy()}>
              {job.shelf === "pattern" ? "Make a job by this pattern" : "Make a copy"}
            </button>
          </MenuItem>
        )}
        {job.others
          .filter(() => plans)
          .map((o) => (
            <MenuItem key={o.piece}>
              <button type="button" className={item} onClick={() => void copy(o.piece)}>
                Make a job for {o.name}, of the same set
              </button>
            </MenuItem>
          ))}
        <MenuItem>
          <button type="button" className={item} onClick={() => go(`/jobs/${job.id}/record`)}>
            Its record
          </button>
        </MenuItem>
        {PUT.filter((p) => plans && p.shelf !== job.shelf).map((p) => (
          <MenuItem key={p.shelf}>
            <button type="button" className={item} onClick={() => void put(p.shelf)}>
              {p.label}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
