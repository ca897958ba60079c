import { api, got, words } from "../api/client";
import type { JobSession } from "./session";

/** Move a piece: by px of the board at its scale, or by marks where there is no scale. The server says where it rests. */
export async function movePiece(
  session: JobSession,
  piece: string,
  right: number,
  down: number,
  scale: number | null,
) {
  try {
    const params = { path: { job_id: session.id } };
    const body = { piece, right, down, scale, edits: session.unsaved(), system: session.system };
    const moved = await got(api.POST("/api/jobs/{job_id}/move", { params, body }));
    session.edit(moved.edits);
    session.say(moved.why.join(" · "));
  } catch (e) {
    session.trouble(words(e));
  }
}
