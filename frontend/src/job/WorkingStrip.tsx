import type { Line } from "../api/client";
import { useMeasures } from "../app/system";
import { Frac } from "../ui/Frac";
import { LengthRow } from "./LengthRow";
import { usePlan, useSession } from "./useSession";

/** A number opened: what it was worked out from, how sure it is, and what was really made. */
export function WorkingStrip({ line }: { line: Line }) {
  const session = useSession();
  const plan = usePlan((s) => s.plan);
  const { say } = useMeasures();
  const close = () => session.look({ open: "" });
  const pin = plan?.pin ? { ...plan.pin, key: "" } : null;
  const blame = line.blame;
  return (
    <section
      aria-label={`Working of ${line.label}`}
      className="flex h-full gap-6 overflow-auto bg-board px-5 py-3"
    >
      <div className="min-w-0 grow">
        <h3 className="text-[19px] font-extrabold">
          {line.label}:{" "}
          <span>
            <Frac>{say(line.text)}</Frac>
          </span>
          {line.plus_minus && (
            <span className="font-normal text-soft">
              {" "}
              ± <Frac>{say(line.plus_minus)}</Frac>
            </span>
          )}
        </h3>
        {line.planned && (
          <p>
            <Frac>{say(line.planned)}</Frac> was planned:
          </p>
        )}
        <p className="flex flex-wrap items-baseline gap-x-2 gap-y-1 pt-1 text-[19px]">
          <span aria-hidden="true">=</span>
          {line.working.map((token, i) =>
            token.key ? (
              <button
                // biome-ignore lint/suspicious/noArrayIndexKey: tokens have no other name
                key={i}
                type="button"
                className="min-h-9 border-b border-accent text-accent"
                onClick={() => session.look({ open: token.key ?? "" })}
              >
                <Frac>{say(token.text)}</Frac> <span className="text-[15px] text-soft">{token.label}</span>
              </button>
            ) : (
              // biome-ignore lint/suspicious/noArrayIndexKey: tokens have no other name
              <span key={i}>
                <Frac>{say(token.text)}</Frac>
              </span>
            ),
          )}
        </p>
        <p className="pt-1 text-[15px] text-soft">{line.source}</p>
        {blame.length > 0 && line.plus_minus && (
          <p className="pt-1 text-[15px] text-soft">
            moved by: {blame.map((b) => `${b.label} ± ${say(b.text)}`).join(" · ")}
          </p>
        )}
      </div>
      {pin && (
        <div className="w-72 shrink-0">
          <LengthRow q={{ ...pin, aside: true }} order={0} onNext={close} />
        </div>
      )}
      <button type="button" className="action h-11 shrink-0" onClick={close}>
        Close <span className="text-soft">Esc</span>
      </button>
    </section>
  );
}
