/** The server's refusal in its words, and the field it is about. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly path: readonly (string | number)[] = [],
  ) {
    super(message);
  }
}

/** How long a request of these pages may take. */
const WITHIN_MS = 30_000;

/** Asks the server something outside a project's session: answers its JSON, or throws {@link Refused} with words to show. */
export async function askServer<T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  url: string,
  body?: unknown,
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, {
      method,
      signal: AbortSignal.timeout(WITHIN_MS),
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new Refused('The server cannot be reached. Try again', 0);
  }
  const read = (await response.json().catch(() => null)) as
    (T & { message?: string; path?: (string | number)[] }) | null;
  if (response.ok && read !== null) return read;
  throw new Refused(read?.message ?? 'The server gave no readable answer. Try again', response.status, read?.path);
}
