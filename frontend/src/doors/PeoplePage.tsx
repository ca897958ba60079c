import { useEffect, useState } from "react";
import {
  api,
  type Crew,
  type CrewHours,
  type GivenCode,
  got,
  type Person,
  Refused,
  words,
} from "../api/client";
import { longDay, timeOf } from "../ui/dates";
import { Field } from "../ui/Field";
import { useFetched } from "../ui/useFetched";
import { HoursForm } from "./HoursForm";
import { useDoors } from "./here";
import { PageHeader } from "./PageHeader";

type PersonRole = "owner" | "framer" | "apprentice";
const ROLES: PersonRole[] = ["owner", "framer", "apprentice"];

const askCrew = () => got(api.GET("/api/people"));
const askHours = () => got(api.GET("/api/people/hours"));

/** Who works here and what they may do; the tablets on the benches; the codes that let them in. */
export function PeoplePage() {
  const { may } = useDoors();
  const { view: crew, trouble: crewLost, load: loadCrew } = useFetched<Crew>(askCrew);
  const {
    view: hours,
    setView: setHours,
    trouble: hoursLost,
    load: loadHours,
  } = useFetched<CrewHours[]>(askHours);
  const [code, setCode] = useState<GivenCode | null>(null);
  const [trouble, setTrouble] = useState("");
  const load = () => {
    loadHours();
    loadCrew();
  };
  useEffect(() => {
    document.title = "People · Shadbo";
  }, []);
  const then = async (asked: Promise<unknown>) => {
    setTrouble("");
    try {
      await asked;
    } catch (e) {
      setTrouble(words(e));
    }
    load();
  };
  const given = async (asked: Promise<GivenCode>) => {
    setCode(await asked);
    load();
  };
  const people = crew?.people.filter((p) => p.role !== "tablet") ?? [];
  const tablets = crew?.people.filter((p) => p.role === "tablet") ?? [];
  const leaves = (p: Person) =>
    then(got(api.DELETE("/api/people/{person_id}", { params: { path: { person_id: p.id } } })));
  return (
    <div className="mx-auto flex min-h-dvh max-w-6xl flex-col px-4 pb-10">
      <PageHeader />
      <main className="grow">
        <h1 className="py-5 text-3xl font-extrabold">At the benches</h1>
        <p role="alert" className="text-stop empty:hidden">
          {trouble || crewLost || hoursLost}
        </p>
        {code && <CodeShown given={code} done={() => setCode(null)} />}
        <div className="grid items-start gap-x-10 gap-y-8 lg:grid-cols-[1fr_20rem]">
          <section aria-labelledby="people-title">
            <h2 id="people-title" className="border-b border-ink text-xl font-extrabold">
              People
            </h2>
            <ul>
              {people.map((p) => (
                <li key={p.id} className="flex flex-wrap items-center gap-x-5 border-b border-line py-2">
                  <span className="min-w-48 grow">
                    <span className="block text-xl font-bold">{p.name}</span>
                    <Seen of={p} />
                  </span>
                  {may("people") ? (
                    <PersonTools person={p} then={then} given={given} leaves={() => leaves(p)} />
                  ) : (
                    <span className="small-caps">{p.role}</span>
                  )}
                  {(hours ?? [])
                    .filter((h) => h.id === p.id)
                    .map((h) => (
                      <HoursForm
                        key={h.id}
                        of={h}
                        name={p.name}
                        may={may("practice")}
                        onSet={(now) =>
                          setHours((all) => (all ?? []).map((x) => (x.id === now.id ? now : x)))
                        }
                      />
                    ))}
                </li>
              ))}
            </ul>
            <dl className="grid grid-cols-[7rem_1fr] gap-y-1 pt-4 text-[15px] text-soft">
              {crew?.roles.map((r) => (
                <div key={r.role} className="contents">
                  <dt className="font-bold">{r.role}</dt>
                  <dd>{r.says}</dd>
                </div>
              ))}
            </dl>
          </section>
          <aside className="grid gap-y-8">
            {may("people") && <NewPerson given={given} />}
            <section aria-labelledby="tablets-title">
              <h2 id="tablets-title" className="border-b border-ink text-xl font-extrabold">
                Tablets
              </h2>
              <ul>
                {tablets.map((t) => (
                  <li key={t.id} className="flex items-center gap-x-3 border-b border-line py-2">
                    <span className="grow">
                      <span className="block font-bold">{t.name}</span>
                      <Seen of={t} />
                    </span>
                    {may("people") && (
                      <Sure says="Give up" really={`Give ${t.name} up`} then={() => leaves(t)} />
                    )}
                  </li>
                ))}
              </ul>
              <NewTablet given={given} />
            </section>
          </aside>
        </div>
      </main>
    </div>
  );
}

function Seen({ of }: { of: Person }) {
  const where = of.devices === 1 ? "on one device" : `on ${of.devices} devices`;
  return (
    <span className="text-[15px] text-soft">
      {of.seen_at
        ? `here ${longDay(of.seen_at.slice(0, 10))}, ${timeOf(of.seen_at)}, ${where}`
        : of.role === "tablet"
          ? "not paired yet"
          : of.waits
            ? "has no password yet"
            : "not signed in"}
    </span>
  );
}

/** A code in letters that are read out across a room. It is shown this once. */
function CodeShown({ given, done }: { given: GivenCode; done: () => void }) {
  const tablet = given.person.role === "tablet";
  return (
    <section
      role="status"
      className="mb-6 flex flex-wrap items-center gap-x-8 border-2 border-accent bg-board p-4"
    >
      <p className="grow">
        <span className="block text-soft">
          For {given.person.name}, good once and for {given.good_for}. It is not shown again.
        </span>
        <span className="font-drawing text-5xl tracking-widest">{given.code}</span>
        <span className="block text-soft">
          {tablet
            ? "On the tablet, open this address and choose “This is the tablet of a bench”."
            : "They open this address and choose “I was given a code”."}
        </span>
      </p>
      <button type="button" className="action" onClick={done}>
        It is written down
      </button>
    </section>
  );
}

interface RoleProps {
  label: string;
  role: string;
  pick: (role: PersonRole) => void;
}

/** One of the roles that a person can have. */
function RolePicker({ label, role, pick }: RoleProps) {
  return (
    <fieldset className="flex">
      <legend className="sr-only">{label}</legend>
      {ROLES.map((r) => (
        <button
          key={r}
          type="button"
          aria-pressed={role === r}
          onClick={() => pick(r)}
          className={`min-h-11 px-2 ${role === r ? "border-b-4 border-accent font-bold" : "text-soft"}`}
        >
          {r}
        </button>
      ))}
    </fieldset>
  );
}

interface ToolsProps {
  person: Person;
  then: (asked: Promise<unknown>) => Promise<void>;
  given: (asked: Promise<GivenCode>) => Promise<void>;
  leaves: () => Promise<void>;
}

function PersonTools({ person, then, given, leaves }: ToolsProps) {
  const { here } = useDoors();
  const params = { path: { person_id: person.id } };
  const own = person.id === here.id;
  return (
    <span className="flex flex-wrap items-center gap-2">
      <RolePicker
        label={`What ${person.name} is`}
        role={person.role}
        pick={(role) => void then(got(api.PATCH("/api/people/{person_id}", { params, body: { role } })))}
      />
      {!here.unlocked && (
        <button
          type="button"
          className="action"
          onClick={() =>
            given(got(api.POST("/api/people/{person_id}/code", { params }))).catch((e: unknown) =>
              then(Promise.reject(e)),
            )
          }
        >
          New code
        </button>
      )}
      {person.devices > 0 && !own && (
        <button
          type="button"
          className="action"
          onClick={() => then(got(api.DELETE("/api/people/{person_id}/devices", { params })))}
        >
          Sign out
        </button>
      )}
      {!own && <Sure says="Leaves" really={`${person.name} leaves`} then={leaves} />}
    </span>
  );
}

/** A button that is pressed twice, since it cannot be taken back. */
function Sure({ says, really, then }: { says: string; really: string; then: () => Promise<void> }) {
  const [asked, setAsked] = useState(false);
  return (
    <button
      type="button"
      className={`action ${asked ? "border-stop! text-stop" : ""}`}
      onBlur={() => setAsked(false)}
      onClick={() => (asked ? void then() : setAsked(true))}
    >
      {asked ? `${really}: press again` : says}
    </button>
  );
}

function NewPerson({ given }: { given: ToolsProps["given"] }) {
  const [name, setName] = useState("");
  const [role, setRole] = useState<PersonRole>("framer");
  const [wrong, setWrong] = useState("");
  const add = async () => {
    try {
      await given(got(api.POST("/api/people", { body: { name, role } })));
      setName("");
      setWrong("");
    } catch (e) {
      setWrong(e instanceof Refused && !name.trim() ? "A name, as the others call them." : words(e));
    }
  };
  return (
    <section aria-labelledby="new-title">
      <h2 id="new-title" className="border-b border-ink text-xl font-extrabold">
        Somebody new
      </h2>
      <div className="grid gap-2 pt-2">
        <Field label="Name" value={name} set={setName} wrong={wrong} />
        <RolePicker label="What they are" role={role} pick={setRole} />
        <button type="button" className="action font-bold" onClick={() => void add()}>
          Add, and give a code
        </button>
      </div>
    </section>
  );
}

function NewTablet({ given }: { given: ToolsProps["given"] }) {
  const [name, setName] = useState("");
  const [wrong, setWrong] = useState("");
  const pair = async () => {
    try {
      await given(got(api.POST("/api/tablets", { body: { name } })));
      setName("");
      setWrong("");
    } catch (e) {
      setWrong(e instanceof Refused && !name.trim() ? "The bench that it lies on." : words(e));
    }
  };
  return (
    <div className="grid gap-2 pt-2">
      <Field label="The bench that it lies on" value={name} set={setName} wrong={wrong} />
      <button type="button" className="action font-bold" onClick={() => void pair()}>
        Pair a tablet
      </button>
    </div>
  );
}
