import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { useState } from "react";
import { Link } from "react-router";
import { api, got, words } from "../api/client";
import { useDoors } from "./here";
import { PasswordForm } from "./PasswordForm";

/** Who is here; and the way to be somebody else, or nobody. */
export function WhoMenu() {
  const { here, look, leave, may } = useDoors();
  const [trouble, setTrouble] = useState("");
  const [changing, setChanging] = useState(false);
  const then = (asked: Promise<unknown>) => {
    setTrouble("");
    asked.then(look).catch((e: unknown) => setTrouble(words(e)));
  };
  const item = "grid min-h-11 w-full content-center px-4 text-left data-focus:bg-paper";
  const told = here.name || "the owner";
  return (
    <div className="flex items-center gap-x-4">
      {may("pair") && (
        <Link to="/people" className="link grid min-h-10 content-center">
          People
        </Link>
      )}
      <Menu>
        <MenuButton className="bar-button px-1">
          <span className="font-bold">{told}</span>
          {here.role !== "owner" && here.name && <span className="text-soft"> · {here.role}</span>}
          <span aria-hidden="true" className="text-soft">
            {" "}
            ▾
          </span>
        </MenuButton>
        <MenuItems
          anchor="bottom end"
          className="z-10 min-w-60 border border-ink bg-board shadow-lg outline-none"
        >
          <MenuItem>
            <Link to="/practice" className={item}>
              Practice
            </Link>
          </MenuItem>
          {here.others.map((o) => (
            <MenuItem key={o.id}>
              <button
                type="button"
                className={item}
                onClick={() => then(got(api.POST("/api/session/as", { body: { person_id: o.id } })))}
              >
                <span>
                  Be {o.name} <span className="text-soft">· {o.role}</span>
                </span>
              </button>
            </MenuItem>
          ))}
          {!here.unlocked && here.role !== "tablet" && (
            <MenuItem>
              <button type="button" className={item} onClick={() => setChanging(true)}>
                Another password…
              </button>
            </MenuItem>
          )}
          {!here.unlocked && (
            <MenuItem>
              <button
                type="button"
                className={item}
                onClick={() => leave().catch((e: unknown) => setTrouble(words(e)))}
              >
                {here.role === "tablet" ? "Give this tablet up" : "Sign out"}
              </button>
            </MenuItem>
          )}
        </MenuItems>
      </Menu>
      {changing && <PasswordForm done={() => setChanging(false)} />}
      <span role="alert" className="text-stop empty:hidden">
        {trouble}
      </span>
    </div>
  );
}
