import type { Question } from "../api/client";
import { api, got } from "../api/client";
import { TableIn } from "../ui/TableIn";
import { useSession } from "./useSession";

/** Pieces from a table: shown with everything that is wrong before any is taken into the job. */
export function TableRow({ q }: { q: Question }) {
  const session = useSession();
  return (
    <TableIn
      label={q.label}
      columns="kind, name, width, height; relief, back_relief, pin_off, depth, thickness, weight_kg where they apply"
      word="piece"
      read={(text, plain) => {
        const params = { path: { job_id: session.id }, query: { system: session.system } };
        return got(api.POST("/api/jobs/{job_id}/pieces/table", { params, body: text, ...plain }));
      }}
      take={(taken) => session.edit(taken.edits ?? [])}
    />
  );
}
