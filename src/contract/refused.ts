import { DomainError } from "@/core";

/** A refusal on its way out of a worker: an error thrown there would lose all but its text. */
export interface Refused {
  readonly refused: {
    readonly field: string;
    readonly value: unknown;
    readonly allowed: string;
    readonly message: string;
    readonly range: readonly [number, number] | null;
  };
}

/** The same functions, a refused input answered as data instead of thrown. */
export function answering<Api extends Readonly<Record<string, (...args: never[]) => unknown>>>(api: Api): Api {
  const wrapped = Object.entries(api).map(([name, run]) => [
    name,
    async (...args: never[]) => {
      try {
        return await run(...args);
      } catch (error) {
        if (!(error instanceof DomainError)) throw error;
        const { field, value, allowed, message, range } = error;
        return { refused: { field, value: String(value), allowed, message, range } } satisfies Refused;
      }
    },
  ]);
  return Object.fromEntries(wrapped) as Api;
}

/** What a worker answered; throws what it refused. */
export function unlessRefused<T>(answer: T): T {
  const refused = (answer as Partial<Refused> | null | undefined)?.refused;
  if (!refused) return answer;
  throw new DomainError(refused.field, refused.value, refused.allowed, refused.message, refused.range);
}
