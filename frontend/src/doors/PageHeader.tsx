import type { ReactNode } from "react";
import { Link } from "react-router";
import { SystemSwitch, useMeasures } from "../app/system";
import { WhoMenu } from "./WhoMenu";

/** What stands above every page but a job's own: the shop, ways on, who is here, the system. */
export function PageHeader({ home, children }: { home?: boolean; children?: ReactNode }) {
  const { shopName } = useMeasures();
  return (
    <header className="flex min-h-14 flex-wrap items-center gap-x-6 border-b border-ink">
      {home ? (
        <span className="small-caps">Shadbo</span>
      ) : (
        <Link to="/" className="small-caps grid min-h-10 content-center" title="To all jobs">
          Shadbo
        </Link>
      )}
      <span className="grow text-soft">{shopName}</span>
      {children}
      <WhoMenu />
      <SystemSwitch />
    </header>
  );
}
