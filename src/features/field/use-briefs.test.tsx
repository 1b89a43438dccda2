import { renderHook, waitFor } from "@testing-library/react";
import { EMPTY_PLAN } from "@/core";
import { keepBriefs, readBriefs } from "@/ui/outbox/device-store";
import { freshDevice } from "@/ui/testing/fresh-device";
import { useBriefs } from "./use-briefs";

const brief = (id: string) => ({ pilot: { id }, standing: { stepId: "flip-slow" } });
const nothing = { briefs: [], plan: null };
const asked: string[] = [];
let answer: () => Promise<Response>;
const says = (body: object) => () => Promise.resolve(new Response(JSON.stringify(body)));
const ids = ({ result }: { result: { current: ReturnType<typeof useBriefs> } }) =>
  result.current.briefs.map(({ pilot }) => pilot.id);

beforeEach(async () => {
  globalThis.fetch = jest.fn(() => Promise.reject(new TypeError("offline")));
  await freshDevice();
  asked.length = 0;
  globalThis.fetch = jest.fn((address: RequestInfo | URL) => {
    asked.push(String(address));
    return answer();
  });
});

it("fetches the briefs once, keeps them with their tag, and asks the next time only whether they are still those", async () => {
  answer = says({ tag: "t+1/=", briefs: [brief("odo")] });
  const first = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(ids(first)).toEqual(["odo"]));
  expect(asked).toEqual(["/field-briefs/s"]);
  expect((await readBriefs("s"))!.tag).toBe("t+1/=");
  first.unmount();
  answer = says({ tag: "t+1/=", briefs: null });
  const again = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(asked).toHaveLength(2));
  expect(asked[1]).toBe("/field-briefs/s?unless=t%2B1%2F%3D");
  expect(ids(again)).toEqual(["odo"]);
});

it("shows what is on the device where nothing answers, and what came along where nothing is", async () => {
  answer = () => Promise.reject(new TypeError("offline"));
  const along = renderHook(() => useBriefs("s", { briefs: [brief("ida")], plan: null } as never));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(ids(along)).toEqual(["ida"]);
  expect(along.result.current.failure).toBeNull();
});

it("takes other briefs when a setup or the syllabus changed meanwhile", async () => {
  answer = says({ tag: "one", briefs: [brief("odo")] });
  const first = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(ids(first)).toEqual(["odo"]));
  first.unmount();
  answer = says({ tag: "two", briefs: [brief("odo"), brief("ida")] });
  const later = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(ids(later)).toEqual(["odo", "ida"]));
  expect((await readBriefs("s"))!.tag).toBe("two");
});

it("keeps the courses of the site beside them, and lets go of what is no plan", async () => {
  const plan = { siteName: "Pans", plan: EMPTY_PLAN };
  answer = says({ tag: "one", briefs: [brief("odo")], plan });
  const first = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(first.result.current.plan).toEqual(plan));
  first.unmount();
  answer = () => Promise.reject(new TypeError("offline"));
  const offline = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(offline.result.current.plan).toEqual(plan));
  offline.unmount();
  await keepBriefs({
    sessionId: "s",
    tag: "old",
    briefs: [brief("odo")],
    plan: { siteName: "Pans", plan: { courses: 3 } },
  });
  const spoilt = renderHook(() => useBriefs("s", nothing));
  await waitFor(() => expect(ids(spoilt)).toEqual(["odo"]));
  expect(spoilt.result.current.plan).toBeNull();
});
