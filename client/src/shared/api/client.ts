import createClient, { type Middleware } from 'openapi-fetch';
import { ref } from 'vue';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type UseKind = Schemas['UseKind'];
export type UsesPage = Schemas['UsesPage'];
export type UseView = Schemas['UseView'];
export type FormerDocument = Schemas['CitedView'];
export type FormerSheet = Schemas['FormerSheetView'];
export type Ahead = Schemas['Ahead'];
export type Bench = Schemas['Bench'];
export type BenchLine = Schemas['BenchLine'];
export type Caution = Schemas['Caution'];
export type AnchorKind = Schemas['AnchorKind'];
export type CommentsView = Schemas['CommentsView'];
export type CommentThread = Schemas['ThreadView'];
export type CommentEntry = Schemas['EntryView'];
export type Difference = Schemas['Difference'];
export type DifferencesView = Schemas['DifferencesView'];
export type StepSideBySide = Schemas['StepSideBySide'];
export type Edit = Schemas['Edit'];
export type EventView = Schemas['EventView'];
export type RecordView = Schemas['RecordView'];
export type RecordLine = Schemas['RecordLine'];
export type MomentView = Schemas['MomentView'];
export type FieldView = Schemas['FieldView'];
export type Finding = Schemas['Finding'];
export type Factor = Schemas['Factor'];
export type Figure = Schemas['Figure'];
export type FigurePicture = Schemas['FigurePicture'];
export type SourcePage = Schemas['SourcePage'];
export type PrintedFigure = Schemas['PrintedFigure'];
export type PaperTicket = Schemas['PaperTicket'];
export type PrintView = Schemas['PrintView'];
export type Glyph = Schemas['Glyph'];
export type RefitChoice = Schemas['RefitChoice'];
export type BlockView = Schemas['BlockView'];
export type BuildingBlock = Schemas['Block'];
export type Chart = Schemas['Chart'];
export type ChartBand = Schemas['ChartBand'];
export type ChartRow = Schemas['ChartRow'];
export type CalculatorView = Schemas['CalculatorView'];
export type HouseRules = Schemas['HouseRules'];
export type JointSlipView = Schemas['JointSlipView'];
export type JointView = Schemas['JointView'];
export type MendingView = Schemas['MendingView'];
export type PlainView = Schemas['PlainView'];
export type PhaseView = Schemas['PhaseView'];
export type Readiness = Schemas['Readiness'];
export type PreviewView = Schemas['PreviewView'];
export type ReadyItem = Schemas['ReadyItem'];
export type ReleasingView = Schemas['ReleasingView'];
export type RevisionState = Schemas['RevisionState'];
export type RevisionView = Schemas['RevisionView'];
export type Saying = Schemas['Saying'];
export type AuditLine = Schemas['AuditLine'];
export type Mail = Schemas['Mail'];
export type MeView = Schemas['MeView'];
export type PersonLine = Schemas['PersonLine'];
export type LinkMade = Schemas['LinkMade'];
export type FactorSetup = Schemas['Setup'];
export type SessionEnd = Schemas['SessionEnd'];
export type SessionView = Schemas['SessionView'];
export type ValueView = Schemas['ValueView'];
export type ValueStanding = Schemas['ValueStanding'];
export type Someone = Schemas['Someone'];
export type SourceDocument = Schemas['SourceDocument'];
export type Severity = Schemas['Severity'];
export type SettingsForm = Schemas['SettingsForm'];
export type SheetView = Schemas['SheetView'];
export type ShelfRow = Schemas['ShelfRow'];
export type ShelfPage = Schemas['ShelfPage'];
export type ShelfFilters = Schemas['ShelfFilters'];
export type Written = Schemas['WrittenView'];
export type Slip = Schemas['Slip'];
export type StepView = Schemas['StepView'];
export type ThingKind = Schemas['ThingKind'];
export type ThingView = Schemas['ThingView'];
export type ToolLine = Schemas['ToolLine'];
export type DeskLine = Schemas['DeskLine'];
export type HolderView = Schemas['HolderView'];
export type WordView = Schemas['WordView'];
export type WorkshopView = Schemas['WorkshopView'];

/** What went wrong, as the server says it: what happened and what to do; both values where two people met. */
export interface Trouble {
  status: number;
  title: string;
  detail: string;
  theirs?: string;
  yours?: string;
  /** True where the same, sent again, may go through. */
  again?: boolean;
  /** What the person is asked for: the password or a code again, a code at sign-in, a second factor to set up. */
  asks?: 'confirm' | 'code' | 'factor';
}

/** Thrown where the server could not be reached at all. */
export class NotConnected extends Error {}

/** Thrown where the server answered with a problem. */
export class Refused extends Error {
  constructor(readonly trouble: Trouble) {
    super(trouble.title);
  }
}

let token = '';

/** The token that every change carries back. */
export function useToken(value: string): void {
  token = value;
}

const carryToken: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRF-TOKEN', token);
    return request;
  },
};

/** Asks the person to say again that it is she. True where she has; set by the dialog that asks. */
let confirmAgain: (() => Promise<boolean>) | null = null;

export function useConfirm(ask: () => Promise<boolean>): void {
  confirmAgain = ask;
}

async function asksToConfirm(response: Response): Promise<boolean> {
  if (response.status !== 403) return false;
  const problem = (await response
    .clone()
    .json()
    .catch(() => null)) as Partial<Trouble> | null;
  return problem?.asks === 'confirm';
}

/** When the server last answered, in milliseconds: a session counts from there. */
export const answeredAt = ref(Date.now());

/** Sends; where the server asks first who is there, asks, and sends the same again. */
async function send(request: Request): Promise<Response> {
  const again = request.clone();
  const response = await globalThis.fetch(request);
  answeredAt.value = Date.now();
  return confirmAgain && (await asksToConfirm(response)) && (await confirmAgain()) ? send(again) : response;
}

export const api = createClient<paths>({ baseUrl: '/', fetch: send });
api.use(carryToken);

/** Unwraps an answer: its data, or a thrown {@link Refused} or {@link NotConnected}. */
export async function take<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let answer: { data?: T; error?: unknown; response: Response };
  try {
    answer = await call;
  } catch {
    throw new NotConnected();
  }
  if (answer.response.ok) return answer.data as T;
  // A gateway without a server behind it is no answer of ours; a trouble the server tells of is.
  if (answer.response.status >= 502 && !answer.response.headers.get('Content-Type')?.includes('problem+json')) throw new NotConnected();
  const problem = (typeof answer.error === 'object' && answer.error !== null ? answer.error : {}) as Partial<Trouble> & {
    errors?: Record<string, string[]>;
  };
  const fields = problem.errors ? Object.values(problem.errors).flat().join(' ') : '';
  throw new Refused({
    status: answer.response.status,
    title: problem.title ?? `The server answered ${answer.response.status}.`,
    detail: fields || (problem.detail ?? 'Try again; if it stays, tell an administrator.'),
    theirs: problem.theirs,
    yours: problem.yours,
    again: problem.again,
    asks: problem.asks,
  });
}
