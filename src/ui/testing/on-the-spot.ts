import { useEffect, useState } from "react";
import { cloudOnPlan, flyLineWorkedOut, flyOnPlan, judgeTry, prepareDrill } from "@/core";
import { flyKeptTry, packedTry } from "@/workers/kept-tries";

/** In the place of `use-newest` in tests: what a worker would be asked is answered on the spot by the core, each thing once, or by what stands in its place here. */
export const inTheirPlace: Record<string, (...given: never[]) => unknown> = {};
const core: typeof inTheirPlace = {
  cloudOnPlan,
  flyKeptTry,
  flyLineWorkedOut,
  flyOnPlan,
  judgeTry,
  packedTry,
  prepareDrill,
};
const answered = new Map<string, unknown>();

const remote = new Proxy(
  {},
  {
    get:
      (_, name: string) =>
      async (...given: unknown[]): Promise<unknown> => {
        if (inTheirPlace[name]) return inTheirPlace[name](...(given as never[]));
        const key = JSON.stringify([name, given]);
        if (!answered.has(key)) answered.set(key, core[name](...(given as never[])));
        return answered.get(key);
      },
  },
);

export function useNewest(request: unknown, _: unknown, ask: (to: object, what: unknown) => Promise<unknown>) {
  const [answer, setAnswer] = useState<{ readonly key: string; readonly result: object } | null>(null);
  const key = request === null ? "" : JSON.stringify(request);
  useEffect(() => {
    if (key === "") return;
    void ask(remote, JSON.parse(key))
      .then((given) => setAnswer({ key, result: { kind: "answer", answer: given } }))
      .catch((why: Error) => setAnswer({ key, result: { kind: "refused", why } }));
    // oxlint-disable-next-line react/exhaustive-deps -- all that is asked is in the key
  }, [key]);
  return { result: key === "" ? null : (answer?.result ?? null), pending: key !== "" && answer?.key !== key };
}
