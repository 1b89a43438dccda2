import { act, renderHook, waitFor } from "@testing-library/react";
import { MessageChannel } from "node:worker_threads";
import { expose } from "comlink";
import { answering } from "@/contract";
import { DomainError, requireNumber, type TrickRequest } from "@/core";
import { createPool } from "../scatter/pool";
import { useFlown } from "../flight/use-flown";
import { workerClient } from "./worker-client";

type Answer = (asked: unknown) => unknown;
/** Workers that were started, the last one last; each answers what `answers` says. */
const started: FakeWorker[] = [];
let answers: Answer = (asked) => asked;

/** A worker of this thread: comlink through a message channel, and a way to make it break. */
class FakeWorker extends EventTarget {
  onerror: ((event: { message: string }) => void) | null = null;
  readonly terminate = jest.fn(() => {
    this.channel.port1.close();
    this.channel.port2.close();
  });
  private readonly channel = new MessageChannel();
  constructor() {
    super();
    started.push(this);
    const { port1, port2 } = this.channel;
    port1.on("message", (data) => this.dispatchEvent(new MessageEvent("message", { data })));
    const api = { flyAsSet: (asked: unknown) => answers(asked), echo: (asked: unknown) => answers(asked) };
    expose(api, {
      postMessage: (message: unknown) => port2.postMessage(message),
      addEventListener: (_: string, listen: (event: { data: unknown }) => void) =>
        port2.on("message", (data: unknown) => listen({ data })),
      removeEventListener: () => undefined,
    } as never);
  }
  postMessage(message: unknown) {
    this.channel.port1.postMessage(message);
  }
  breakDown(message: string) {
    this.onerror?.({ message });
  }
}

beforeEach(() => {
  started.length = 0;
  answers = (asked) => asked;
  globalThis.Worker = FakeWorker as unknown as typeof Worker;
});

interface Api {
  echo: (text: string) => string;
}
const echoing = () => workerClient<Api>(() => new Worker("echo"));
const never = () => new Promise(() => undefined);

it("throws what any of several calls in one go is refused for, whatever is made of the others", async () => {
  const { echo } = answering({ echo: (text: string) => requireNumber("text", Number(text), 0, 9) });
  answers = (asked) => echo(asked as string);
  const told = await echoing().ask((remote) =>
    Promise.all(
      ["3", "12"].map((text) =>
        remote.echo(text).then(
          (answer) => ({ answer }),
          (why: Error) => ({ why: why instanceof DomainError && why.field }),
        ),
      ),
    ),
  );
  expect(told).toEqual([{ answer: 3 }, { why: "text" }]);
});

it("starts its worker when it is first asked, and asks the same one again", async () => {
  const client = echoing();
  expect(started).toHaveLength(0);
  expect(await client.ask((remote) => remote.echo("one"))).toBe("one");
  expect(await client.ask((remote) => remote.echo("two"))).toBe("two");
  expect(started).toHaveLength(1);
  client.close();
  expect(started[0].terminate).toHaveBeenCalled();
});

it("tells whoever asked when the worker breaks, and has a new one for whoever asks next", async () => {
  const client = echoing();
  answers = never;
  const asked = client.ask((remote) => remote.echo("one"));
  await waitFor(() => expect(started).toHaveLength(1));
  started[0].breakDown("out of memory");
  await expect(asked).rejects.toThrow("out of memory");
  answers = (text) => text;
  expect(await client.ask((remote) => remote.echo("two"))).toBe("two");
  expect(started).toHaveLength(2);
  client.close();
});

it("never answers once it is closed: what is asked for is not wanted any more", async () => {
  const client = echoing();
  client.close();
  const settled = jest.fn();
  void client.ask((remote) => remote.echo("one")).then(settled, settled);
  await new Promise((done) => setTimeout(done, 20));
  expect(settled).not.toHaveBeenCalled();
  expect(started).toHaveLength(0);
});

describe("a trick flown as it is set", () => {
  const request = (n: number) => ({ n }) as unknown as TrickRequest;
  const flying = () => renderHook(({ n }: { n: number }) => useFlown(request(n)), { initialProps: { n: 1 } });

  it("flies the newest of what was asked meanwhile, and none between; what was flown stays till then", async () => {
    const flown: unknown[] = [];
    const waiting: (() => void)[] = [];
    answers = (asked) => {
      flown.push(asked);
      return new Promise((done) => waiting.push(() => done(asked)));
    };
    const { result, rerender } = flying();
    await waitFor(() => expect(waiting).toHaveLength(1));
    for (const n of [2, 3, 4]) rerender({ n });
    await act(async () => waiting[0]());
    await waitFor(() => expect(result.current.flown).toEqual({ kind: "flown", trick: { n: 1 } }));
    expect(result.current.pending).toBe(true);
    await waitFor(() => expect(waiting).toHaveLength(2));
    await act(async () => waiting[1]());
    await waitFor(() => expect(result.current).toEqual({ flown: { kind: "flown", trick: { n: 4 } }, pending: false }));
    expect(flown).toEqual([{ n: 1 }, { n: 4 }]);
  });

  it("says why a worker that died gives nothing, and flies again at the next move", async () => {
    answers = never;
    const { result, rerender, unmount } = flying();
    await waitFor(() => expect(started).toHaveLength(1));
    act(() => started[0].breakDown("out of memory"));
    await waitFor(() => expect(result.current.flown).toEqual({ kind: "refused", why: new Error("out of memory") }));
    answers = (asked) => asked;
    rerender({ n: 2 });
    await waitFor(() => expect(result.current.flown).toEqual({ kind: "flown", trick: { n: 2 } }));
    unmount();
    expect(started[1].terminate).toHaveBeenCalled();
  });
});

it("a pool shares jobs among its workers, each at one, and goes on with a new worker after one broke", async () => {
  const pool = createPool({ count: 2 });
  const waiting: (() => void)[] = [];
  answers = (asked) => new Promise((done) => waiting.push(() => done(asked)));
  const job = (name: string) =>
    pool.run((remote) => (remote as unknown as { echo: (text: string) => Promise<string> }).echo(name));
  const [one, two, three] = [job("one"), job("two"), job("three")];
  two.catch(() => undefined);
  await waitFor(() => expect(waiting).toHaveLength(2));
  expect(started).toHaveLength(2);
  started[1].breakDown("gone");
  await expect(two).rejects.toThrow("gone");
  await waitFor(() => expect(waiting).toHaveLength(3));
  expect(started).toHaveLength(3);
  waiting.forEach((done) => done());
  expect(await Promise.all([one, three])).toEqual(["one", "three"]);
  pool.close();
});

it("carries what the arithmetic refuses out of a worker whole: field, value and range", async () => {
  const client = echoing();
  const { echo } = answering({ echo: (tiltDeg: number) => requireNumber("tiltDeg", tiltDeg, 0, 80) });
  answers = (asked) => echo(Number(asked));
  expect(await client.ask((remote) => remote.echo("20"))).toBe(20);
  const refused: unknown = await client.ask((remote) => remote.echo("99")).catch((error: unknown) => error);
  expect(refused).toBeInstanceOf(DomainError);
  expect(refused).toMatchObject({ field: "tiltDeg", value: "99", range: [0, 80] });
  const broken = answering({
    echo: () => {
      throw new TypeError("a mistake of ours");
    },
  });
  answers = () => broken.echo();
  await expect(client.ask((remote) => remote.echo("20"))).rejects.toThrow("a mistake of ours");
  client.close();
});
