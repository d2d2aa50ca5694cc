/** How the interface talks to the API: typed answers, and refusals as errors that carry their field. */
import { CONFIRM } from '../../contract/door.ts';
import type { ApiKey, AskedWith, JsonOf, KeyFor, PathFor } from '../../contract/api.ts';
import type { ApiError } from '../../contract/common.ts';
import { askToConfirm } from './confirm.ts';
import { ours } from './activity.ts';

/** A refused or lost request; status 0 when no answer came at all. */
export class ApiProblem extends Error {
  override readonly name = 'ApiProblem';
  constructor(
    readonly status: number,
    readonly field: string | null,
    message: string,
    /** On a stale edit: what the salon holds now. */
    readonly stored?: unknown,
  ) {
    super(message);
  }
}

const SIGNED_OUT = 401;
const FORBIDDEN = 403;
const LOCKED = 423;
const TOO_OFTEN = 429;
/** Said on the window when a request found the door shut: the person who shows the door asks again. */
export const DOOR_SHUT = 'woolly-tide-door-shut';

/** Is a refusal about who asks and not about what: the same can be sent again by somebody else. */
export const isDoor = (status: number): boolean =>
  status === SIGNED_OUT || status === FORBIDDEN || status === LOCKED || status === TOO_OFTEN;

const LOST = 'The salon’s computer does not answer. What you entered is still here; try again when the link is back.';

async function refusal(response: Response): Promise<ApiProblem> {
  try {
    const { error }: ApiError = await response.json();
    return new ApiProblem(response.status, error.field, error.message, error.stored);
  } catch {
    // Not one of our refusals: something between the browser and the salon's computer answered.
    return new ApiProblem(response.status, null, `The salon’s computer could not answer (${response.status}).`);
  }
}

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

const entriesOf = (given: unknown): [string, string][] =>
  Object.entries(Object(given)).map(([name, value]) => [name, String(value)]);

/** The address of a path with its ids and its query filled in. */
function addressOf(path: string, ids: unknown, query: unknown): string {
  const filled = entriesOf(ids).reduce((p, [name, id]) => p.replace(`:${name}`, encodeURIComponent(id)), path);
  const search = new URLSearchParams(entriesOf(query)).toString();
  return `/api${filled}${search === '' ? '' : `?${search}`}`;
}

let tellWritten: (key: string) => void = () => undefined;
/** Who is told of each write that was answered or refused, by its row. */
export const whenWritten = (told: (key: string) => void): void => {
  tellWritten = told;
};

/** Tells of a write that went another way than by `api`: of bytes. */
export const written = (key: ApiKey): void => tellWritten(key);

/** One request, once; what was refused is an error. */
async function answered(method: Method, path: string, asked: readonly unknown[]): Promise<Response> {
  const [ids, sent] = path.includes(':') ? asked : [{}, ...asked];
  const [query, body] = method === 'GET' || method === 'DELETE' ? [sent, undefined] : [undefined, sent];
  const response = await fetch(addressOf(path, ids, query), {
    method,
    ...(body !== undefined && { body: JSON.stringify(body) }),
    headers: { ...ours(), ...(body !== undefined && { 'Content-Type': 'application/json' }) },
  }).catch(() => {
    throw new ApiProblem(0, null, LOST);
  });
  if (response.status === SIGNED_OUT || response.status === LOCKED) window.dispatchEvent(new Event(DOOR_SHUT));
  if (!response.ok) throw await refusal(response);
  return response;
}

/** Is it refused because an owner's passphrase is wanted first. */
const asksToConfirm = (problem: unknown): boolean => problem instanceof ApiProblem && problem.field === CONFIRM;

/** Sends a request and reads its JSON, which the server made as the row of the API says. */
async function send<K extends ApiKey>(method: Method, path: string, asked: readonly unknown[]): Promise<JsonOf<K>> {
  try {
    const response = await answered(method, path, asked).catch(async (problem: unknown) => {
      // An owner's act: it is sent once more when the passphrase was shown.
      if (asksToConfirm(problem) && (await askToConfirm())) return answered(method, path, asked);
      throw problem;
    });
    return await response.json();
  } finally {
    if (method !== 'GET') tellWritten(`${method} ${path}`);
  }
}

const by =
  <M extends Method>(method: M) =>
  <P extends PathFor<M>>(path: P, ...asked: AskedWith<KeyFor<M, P>>): Promise<JsonOf<KeyFor<M, P>>> =>
    send<KeyFor<M, P>>(method, path, asked);

/**
 * The API, a function a method: `api.get('/dogs/:id', { id })`. What a row takes and answers is what the contract says of it.
 * Throws ApiProblem on a refusal or a lost link.
 */
export const api = { get: by('GET'), post: by('POST'), put: by('PUT'), delete: by('DELETE') };

/** An id made on this device: 128 random bits. Works without a secure context, as a tablet on the salon's own net. */
export const newId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
