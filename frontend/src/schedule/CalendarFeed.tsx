import { useState } from "react";
import { api, got, words } from "../api/client";
import { useDoors } from "../doors/here";

/** The schedule for a calendar: as a file, or at a secret address that it is read at again and again. */
export function CalendarFeed({ feed, again }: { feed: string; again: () => void }) {
  const { may, here } = useDoors();
  const [address, setAddress] = useState("");
  const [trouble, setTrouble] = useState("");
  const then = async (asked: Promise<{ path: string } | undefined>) => {
    try {
      const made = await asked;
      setAddress(made ? new URL(made.path, window.location.href).href : "");
      setTrouble("");
    } catch (e) {
      setTrouble(words(e));
    }
    again();
  };
  return (
    <div className="max-w-md">
      <div className="flex flex-wrap gap-2">
        <a className="action grid content-center" href="/api/schedule/calendar.ics">
          Calendar file
        </a>
        {may("pair") && (
          <button
            type="button"
            className="action"
            onClick={() => void then(got(api.POST("/api/schedule/feed")))}
          >
            {feed ? "New secret address" : "Calendar for the phone"}
          </button>
        )}
        {may("pair") && feed && (
          <button
            type="button"
            className="action"
            onClick={() => void then(got(api.DELETE("/api/schedule/feed")).then(() => undefined))}
          >
            No address
          </button>
        )}
      </div>
      {address && (
        <p role="status" className="pt-1 text-[15px]">
          Whoever knows this address reads the schedule. It is not shown again:
          <input
            aria-label="Address of the calendar"
            className="entry text-[15px]!"
            readOnly
            value={address}
            onFocus={(e) => e.target.select()}
          />
          {here.id && (
            <>
              With your own work:
              <input
                aria-label="Address of the calendar with your own work"
                className="entry text-[15px]!"
                readOnly
                value={`${address}?hand=${here.id}`}
                onFocus={(e) => e.target.select()}
              />
            </>
          )}
        </p>
      )}
      {!address && feed && <p className="pt-1 text-[15px] text-soft">Its address was made by {feed}.</p>}
      <p role="alert" className="text-stop empty:hidden">
        {trouble}
      </p>
    </div>
  );
}
