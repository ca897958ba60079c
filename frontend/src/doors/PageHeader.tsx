import { Link, NavLink } from "react-router";
import { SystemSwitch, useMeasures } from "../app/system";
import { WhoMenu } from "./WhoMenu";

const WAYS = [
  ["/", "Rack"],
  ["/today", "Today"],
  ["/weeks", "Weeks"],
  ["/stock", "Stock"],
  ["/settings", "Settings"],
] as const;

/** What stands above every page but a job's own: the shop, the ways on, who is here, the system. */
export function PageHeader() {
  const { shopName } = useMeasures();
  return (
    <header className="flex min-h-14 flex-wrap items-center gap-x-6 border-b border-ink">
      <Link to="/" className="small-caps grid min-h-10 content-center" title="To all jobs">
        Shadbo
      </Link>
      <span className="grow text-soft">{shopName}</span>
      <nav aria-label="The shop" className="flex flex-wrap gap-x-5">
        {WAYS.map(([to, label]) => (
          <NavLink
            key={to}
            to={to}
            end
            className={({ isActive }) =>
              `grid min-h-10 content-center ${isActive ? "font-bold underline decoration-accent decoration-3 underline-offset-6" : "link"}`
            }
          >
            {label}
          </NavLink>
        ))}
      </nav>
      <WhoMenu />
      <SystemSwitch />
    </header>
  );
}
