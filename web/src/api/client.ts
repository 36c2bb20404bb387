/** One way to the server: typed by its schema, with the token that shows a request is ours. */
import createClient, { type Middleware } from 'openapi-fetch';
import { pageWords } from '../measure/units.svelte';
import type { paths } from './schema';
import type { FieldProblem } from './types';

/** What the server refused, in its own words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    says: string,
    readonly fields: readonly FieldProblem[] = [],
    readonly newest: number | null = null,
  ) {
    super(says);
  }
}

/** What shows that a request is ours. */
export function csrfToken(): string {
  return /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? '';
}

const withToken: Middleware = {
  onRequest({ request }) {
    request.headers.set('X-CSRFToken', csrfToken());
    return request;
  },
};

export const client = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request) => globalThis.fetch(request), // looked up at each call, so that a test can stand in for the server
});
client.use(withToken);

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}

function isFieldProblem(value: unknown): value is FieldProblem {
  return isRecord(value) && typeof value.field === 'string' && typeof value.says === 'string';
}

/** Its figures in the reader's units, as they are now. */
function inUnits(problem: FieldProblem): FieldProblem {
  return { ...problem, says: pageWords(problem.says) };
}

/** Returns what was asked for, or throws the server's refusal. */
export async function answered<T>(asked: Promise<Answer<T>>): Promise<T> {
  const { data, response } = await taken(asked);
  if (data === undefined) throw new Refusal(response.status, 'The server gave no answer.');
  return data;
}

/** Waits for what gives no answer but that it is done, or throws the server's refusal. */
export async function doneOr(asked: Promise<Answer<unknown>>): Promise<void> {
  await taken(asked);
}

async function taken<T>(asked: Promise<Answer<T>>): Promise<Answer<T>> {
  const answer = await asked.catch(() => {
    throw new Refusal(0, 'The server does not answer.');
  });
  const { error, response } = answer;
  if (response.ok) return answer;
  const problem = isRecord(error) ? error : {};
  throw new Refusal(
    response.status,
    typeof problem.says === 'string' ? pageWords(problem.says) : `The server answered ${response.status}.`,
    Array.isArray(problem.fields) ? problem.fields.filter(isFieldProblem).map(inUnits) : [],
    typeof problem.newest === 'number' ? problem.newest : null,
  );
}

/** A form with a file in it, to send: the schema calls a file's bytes a string, the form carries the file itself. */
export function sent<T extends { file: File }>(
  fields: T,
): { body: Omit<T, 'file'> & { file: string }; bodySerializer: () => FormData } {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.append(name, value as File | string);
  return { body: { ...fields, file: fields.file.name }, bodySerializer: () => form };
}
