import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

const PATIENCE_MS = 90_000;
const SAVING_MS = 20_000;

/** A request that is not answered in time counts as lost: what it would have saved is sent again under its id. */
function patient(request: Request): Promise<Response> {
  const saving =
    request.method !== "GET" && /\/(edits|undo|redo|revisions\/\d+)$/.test(new URL(request.url).pathname);
  if (!AbortSignal.any) return fetch(request); // an older tablet waits as long as its browser does
  const late = AbortSignal.timeout(saving ? SAVING_MS : PATIENCE_MS);
  return fetch(request, { signal: AbortSignal.any([request.signal, late]) });
}

/** Said to the page when the server knows this device no longer. */
export const OUT = "shadbo:out";

export const api = createClient<paths>({ baseUrl: "/", fetch: patient });
api.use({
  onResponse({ response }) {
    if (response.status === 401) dispatchEvent(new Event(OUT));
  },
});

type Schemas = components["schemas"];
export type Both = Schemas["Both"];
export type Edit = Schemas["Edit"];
export type PlanView = Schemas["PlanView"];
export type AdviceView = Schemas["AdviceView"];
export type FindingView = Schemas["FindingView"];
export type RemedyView = Schemas["RemedyView"];
export type Station = Schemas["Station"];
export type Question = Schemas["Question"];
export type Choice = Schemas["Choice"];
export type JobView = Schemas["JobView"];
export type Listed = Schemas["Listed"];
export type Health = Schemas["Health"];
export type Found = Schemas["Found"];
export type Shelf = NonNullable<NonNullable<paths["/api/jobs"]["get"]["parameters"]["query"]>["shelf"]>;
export type Sort = NonNullable<NonNullable<paths["/api/jobs"]["get"]["parameters"]["query"]>["sort"]>;
export type ItemView = Schemas["ItemView"];
export type Blank = Schemas["Blank"];
export type Tracer = Schemas["Tracer"];
export type TracedView = Schemas["TracedView"];
export type ShopChange = Schemas["ShopChange"];
export type PracticeView = Schemas["PracticeView"];
export type Habit = Schemas["Habit"];
export type Worked = Schemas["Worked"];
export type Compared = Schemas["Compared"];
export type KeptPhoto = Schemas["KeptPhoto"];
export type Line = Schemas["Line"];
export type WeeksView = Schemas["WeeksView"];
export type DayView = Schemas["DayView"];
export type ReadyView = Schemas["ReadyView"];
export type HandView = Schemas["HandView"];
export type Slot = Schemas["Slot"];
export type Ring = Schemas["Ring"];
export type RecordView = Schemas["RecordView"];
export type LearnedView = Schemas["LearnedView"];
export type Lesson = Schemas["Lesson"];
export type Effect = Schemas["Effect"];
export type Progress = Schemas["Progress"];
export type StandingExercise = Schemas["Standing"];
export type MarkedView = Schemas["MarkedView"];
export type CrewHours = Schemas["CrewHours"];
export type Problem = Schemas["Problem"];
export type Revision = Schemas["RevisionView"];
export type System = "mm" | "in";
export type ToolName = Schemas["ToolName"];
export type ShopView = Schemas["ShopView"];
export type Tool = Schemas["ToolName"]["tool"];
export type View = Schemas["Board"]["view"];
export type ProposedLayout = Schemas["ProposedLayout"];
export type Sampled = Schemas["Sampled"];
export type Taken = Schemas["Taken"];
export type PaperView = Schemas["PaperView"];
export type Machine = Schemas["Machine"];
export type Cut = Schemas["Cut"];
export type Here = Schemas["Here"];
export type Crew = Schemas["Crew"];
export type Person = Schemas["Person"];
export type GivenCode = Schemas["Code"];
export type Pending = Schemas["Pending"];
export type Rack = Schemas["Rack"];
export type BenchView = Schemas["BenchView"];
export type StepView = Schemas["StepView"];
export type CheckView = Schemas["CheckView"];

/** The server could not be reached, or cannot just now, and says why where it can: try again later. */
export class Unreachable extends Error {}

/** The server said no, and why. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail || problem.title);
  }
}

/** Whether a refusal is of the moment, not of what was sent: it is tried again as it is. */
export const passes = (status: number) => [401, 408, 425, 429].includes(status);

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The data of an answer; Unreachable or Refused otherwise. */
export async function got<T>(request: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await request;
  } catch {
    throw new Unreachable();
  }
  if (answer.response.ok) return answer.data as T;
  if (answer.response.status >= 502) throw new Unreachable((answer.error as Problem | undefined)?.title);
  const status = answer.response.status;
  const blank = {
    type: "about:blank",
    title: "Not accepted",
    status,
    detail: "",
    errors: [],
    since: [],
    clashing: [],
  };
  throw new Refused({ ...blank, ...((answer.error as Problem | undefined) ?? {}) });
}

/** Said where a page asks again by itself. */
export const TRYING = "No connection. Trying again.";

/** What went wrong, in the words of the server where it gave any. */
export function words(e: unknown): string {
  if (e instanceof Refused) return e.problem.errors?.[0]?.message ?? e.message;
  return e instanceof Unreachable ? e.message || "No connection just now; try again." : (e as Error).message;
}

/** A body that is sent as it is. */
export const plainText = {
  bodySerializer: (text: string) => text,
  headers: { "Content-Type": "text/plain" },
};

/** An id of a change; made by hand where the page is not served over a secure connection. */
export const newId = (): string =>
  crypto.randomUUID?.() ??
  [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, "0")).join("");
