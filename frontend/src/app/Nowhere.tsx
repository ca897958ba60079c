import { Link } from "react-router";

export function Nowhere({ what = "There is nothing at this address." }: { what?: string }) {
  return (
    <main className="grid min-h-dvh place-content-center gap-4 p-6 text-center">
      <h1 className="text-2xl font-bold">{what}</h1>
      <Link className="link" to="/">
        To the jobs
      </Link>
    </main>
  );
}
