/** A refusal with a message for people. `status` is the HTTP status it becomes. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 422 | 429,
    message: string,
    /** Messages by field path, shown at the field. */
    readonly fields: Readonly<Record<string, string>> = {},
  ) {
    super(message);
  }
}

/** What was asked for is not there. */
export const missing = (what: string) =>
  new Refusal(404, `${what} is not in the records. It may have been removed; reload the page.`);

/** What was read, or a Refusal where it has gone meanwhile. */
export function there<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw missing(what);
  return value;
}

/** Someone else was faster. */
export const conflict = (message: string) => new Refusal(409, message);

/** A value that cannot be taken, said at its field. */
export const badField = (field: string, message: string) => new Refusal(422, message, { [field]: message });
