import { type FormEvent, type ReactNode, useEffect, useState } from "react";
import { api, got, type Here, Refused, words } from "../api/client";
import { Field } from "../ui/Field";

type Way = "password" | "join" | "pair";
type Mark = "0.5 mm" | "1/16 in";

interface Props {
  here: Here;
  entered: () => void;
  /** Whether a page stays open behind the door. */
  kept: boolean;
}

/** The way in: by password, with a code that was given, or as the tablet of a bench. */
export function DoorPage({ here, entered, kept }: Props) {
  const [way, setWay] = useState<Way>("password");
  useEffect(() => {
    document.title = "Shadbo";
  }, []);
  const other = (to: Way, says: string) => (
    <button type="button" className="link min-h-11 text-left" onClick={() => setWay(to)}>
      {says}
    </button>
  );
  return (
    <div className="grid min-h-dvh content-start bg-paper px-4 py-[6vh] lg:grid-cols-[minmax(0,1fr)_26rem_minmax(0,1fr)]">
      <Corner />
      <main className="w-full max-w-[26rem] justify-self-center border-t-4 border-accent pt-5">
        {here.needs_set_up ? (
          <SetUp entered={entered} />
        ) : way === "password" ? (
          <SignIn entered={entered} kept={kept} />
        ) : way === "join" ? (
          <Join entered={entered} />
        ) : (
          <Pair entered={entered} />
        )}
        {!here.needs_set_up && (
          <nav aria-label="Other ways in" className="mt-8 grid border-t border-line pt-2">
            {way !== "password" && other("password", "Sign in with name and password")}
            {way !== "join" && other("join", "I was given a code: choose a password")}
            {way !== "pair" && other("pair", "This is the tablet of a bench")}
          </nav>
        )}
      </main>
    </div>
  );
}

/** A mitred corner, cut at true scale of nothing: the sign over the door. */
function Corner() {
  return (
    <svg
      viewBox="0 0 120 120"
      aria-hidden="true"
      className="hidden h-32 w-32 justify-self-end text-ink lg:mr-12 lg:block"
    >
      <g fill="none" stroke="currentColor" strokeWidth="1.5">
        <path d="M118 2H2v116" strokeWidth="3" />
        <path d="M118 14H14v104M118 30H30v88M118 36H36v82" />
        <path d="M2 2l34 34" />
      </g>
    </svg>
  );
}

interface FormProps {
  title: string;
  says?: string | undefined;
  button: string;
  send: () => Promise<unknown>;
  entered: () => void;
  children: (wrong: Record<string, string>) => ReactNode;
}

/** A form that lets somebody in, or says at its field why not. */
function DoorForm({ title, says, button, send, entered, children }: FormProps) {
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState("");
  const [wrong, setWrong] = useState<Record<string, string>>({});
  const submit = async (e: FormEvent) => {
    e.preventDefault();
    setBusy(true);
    setTrouble("");
    setWrong({});
    try {
      await send();
      entered();
    } catch (e) {
      const errors = e instanceof Refused ? (e.problem.errors ?? []) : [];
      setWrong(Object.fromEntries(errors.map((x) => [x.at, x.message])));
      if (!errors.length) setTrouble(words(e));
    }
    setBusy(false);
  };
  return (
    <form onSubmit={submit} className="grid gap-3" noValidate>
      <h1 className="text-3xl font-extrabold">{title}</h1>
      {says && <p className="text-soft">{says}</p>}
      {children(wrong)}
      <p role="alert" className="text-stop empty:hidden">
        {trouble}
      </p>
      <button type="submit" className="action bg-accent! text-lg font-bold text-white" disabled={busy}>
        {button}
      </button>
    </form>
  );
}

const PASSWORD_SAYS = "At least 12 signs. Three or four words do well.";

function SignIn({ entered, kept }: { entered: () => void; kept: boolean }) {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  return (
    <DoorForm
      title="Who is it?"
      says={kept ? "What you had open is still there, with all that was typed." : undefined}
      button="Sign in"
      send={() => got(api.POST("/api/session", { body: { name, password } }))}
      entered={entered}
    >
      {(wrong) => (
        <>
          <Field label="Name" value={name} set={setName} wrong={wrong.name} complete="username" first />
          <Field
            label="Password"
            value={password}
            set={setPassword}
            wrong={wrong.password}
            complete="current-password"
            secret
          />
        </>
      )}
    </DoorForm>
  );
}

function Join({ entered }: { entered: () => void }) {
  const [code, setCode] = useState("");
  const [password, setPassword] = useState("");
  return (
    <DoorForm
      title="Choose a password"
      says="With the code that the owner of the workshop gave you. It is good once."
      button="Come in"
      send={() => got(api.POST("/api/session/join", { body: { code, password } }))}
      entered={entered}
    >
      {(wrong) => (
        <>
          <Field label="Code" value={code} set={setCode} wrong={wrong.code} complete="one-time-code" first />
          <Field
            label="New password"
            value={password}
            set={setPassword}
            wrong={wrong.password}
            says={PASSWORD_SAYS}
            complete="new-password"
            secret
          />
        </>
      )}
    </DoorForm>
  );
}

function Pair({ entered }: { entered: () => void }) {
  const [code, setCode] = useState("");
  return (
    <DoorForm
      title="Tablet of a bench"
      says="Ask a framer for the code: People, then “Pair a tablet”. It is good for ten minutes."
      button="Pair this tablet"
      send={() => got(api.POST("/api/session/pair", { body: { code } }))}
      entered={entered}
    >
      {(wrong) => (
        <Field label="Code" value={code} set={setCode} wrong={wrong.code} complete="one-time-code" first />
      )}
    </DoorForm>
  );
}

const MARKS: { mark: Mark; says: string }[] = [
  { mark: "0.5 mm", says: "millimetres" },
  { mark: "1/16 in", says: "inches" },
];

function SetUp({ entered }: { entered: () => void }) {
  const [code, setCode] = useState("");
  const [shop, setShop] = useState("");
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [mark, setMark] = useState<Mark>("0.5 mm");
  return (
    <DoorForm
      title="Set up the workshop"
      says="The code stands where the program was started: the first owner comes in with it, once."
      button="Open the workshop"
      send={() =>
        got(api.POST("/api/session/setup", { body: { code, name, password, shop_name: shop, mark } }))
      }
      entered={entered}
    >
      {(wrong) => (
        <>
          <Field label="Code" value={code} set={setCode} wrong={wrong.code} complete="one-time-code" first />
          <Field
            label="What the workshop is called"
            value={shop}
            set={setShop}
            wrong={wrong.shop_name}
            says="One that is there already keeps its name."
          />
          <Field label="Your name" value={name} set={setName} wrong={wrong.name} complete="username" />
          <Field
            label="Password"
            value={password}
            set={setPassword}
            wrong={wrong.password}
            says={PASSWORD_SAYS}
            complete="new-password"
            secret
          />
          <fieldset className="flex items-baseline gap-x-2">
            <legend className="text-soft">It measures in</legend>
            {MARKS.map((m) => (
              <button
                key={m.mark}
                type="button"
                aria-pressed={mark === m.mark}
                onClick={() => setMark(m.mark)}
                className={`min-h-11 px-3 ${mark === m.mark ? "border-b-4 border-accent font-bold" : "text-soft"}`}
              >
                {m.says}
              </button>
            ))}
          </fieldset>
        </>
      )}
    </DoorForm>
  );
}
