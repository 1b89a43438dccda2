import { usualRadio } from "@/ui/radio/radio-map";
import { act } from "@testing-library/react";
import { readAnswer } from "./answers";
import { gamepadSource, serialSource, standInSource, type LineState, type SerialPortLike } from "./sources";
import { settingsFile, firstSettings } from "@/core";

const flush = async (ms = 0) =>
  act(async () => {
    await jest.advanceTimersByTimeAsync(ms);
  });
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** What a source said. */
function listener() {
  const lines: string[] = [];
  const states: LineState[] = [];
  return {
    lines,
    states,
    hear: (some: readonly string[]) => void lines.push(...some),
    state: (one: LineState) => void states.push(one),
  };
}

/** A port with bytes put into it by hand. */
function fakePort() {
  const waiting: ((result: { done: boolean; value?: Uint8Array }) => void)[] = [];
  const written: string[] = [];
  const opened: number[] = [];
  const port = {
    readable: {
      getReader: () => ({
        read: () => new Promise((resolve) => waiting.push(resolve)),
        releaseLock: () => undefined,
        cancel: async () => waiting.shift()?.({ done: true }),
      }),
    },
    writable: {
      getWriter: () => ({
        write: async (bytes: Uint8Array) => void written.push(Buffer.from(bytes).toString()),
        releaseLock: () => undefined,
      }),
    },
    open: async ({ baudRate }: { baudRate: number }) => void opened.push(baudRate),
    close: async () => undefined,
  };
  const give = (text: string) => waiting.shift()?.({ done: false, value: new Uint8Array(Buffer.from(text)) });
  const pull = () => waiting.shift()?.({ done: true });
  return { port: port as unknown as SerialPortLike, written, opened, give, pull };
}

it("a serial line gives whole lines however its bytes are cut, and opens itself again when the cable was pulled", async () => {
  const { port, written, opened, give, pull } = fakePort();
  const heard = listener();
  const source = serialSource(port, 115_200);
  source.open(heard);
  await flush();
  give("time_s,stick_r");
  await flush();
  give("oll\r\n0.01,0.2\n0.0");
  await flush();
  expect(heard.lines).toEqual(["time_s,stick_roll", "0.01,0.2"]);
  source.say('{"read":"settings"}');
  await flush();
  expect(written).toEqual(['{"read":"settings"}\n']);
  pull();
  await flush();
  expect(heard.states).toEqual(["opening", "open", "lost"]);
  await flush(600);
  expect(opened).toEqual([115_200, 115_200]);
  // What was cut in the middle is not joined to what comes after.
  give("0.02,0.3\n");
  await flush();
  expect(heard.lines.at(-1)).toBe("0.02,0.3");
  source.close();
  await flush(10_000);
  expect(opened).toHaveLength(2);
});

it("a socket that is lost is opened again, less and less often, until it is closed", async () => {
  const sockets: {
    onopen?: () => void;
    onclose?: () => void;
    onmessage?: (event: { data: string }) => void;
    sent: string[];
    readyState: number;
  }[] = [];
  class Socket {
    static readonly OPEN = 1;
    sent: string[] = [];
    readyState = 1;
    constructor() {
      sockets.push(this as never);
    }
    send(text: string) {
      this.sent.push(text);
    }
    close() {
      (this as unknown as { onclose?: () => void }).onclose?.();
    }
  }
  globalThis.WebSocket = Socket as never;
  const heard = listener();
  const source = standInSource("ws://127.0.0.1:1/?token=x");
  source.open(heard);
  sockets[0].onopen?.();
  sockets[0].onmessage?.({ data: "a\nb" });
  source.say("{}");
  expect([heard.lines, sockets[0].sent]).toEqual([["a", "b"], ["{}"]]);
  sockets[0].onclose?.();
  expect(heard.states.at(-1)).toBe("lost");
  await flush(499);
  expect(sockets).toHaveLength(1);
  await flush(1);
  sockets[1].onclose?.();
  await flush(600);
  expect(sockets).toHaveLength(2);
  await flush(400);
  expect(sockets).toHaveLength(3);
  source.close();
  await flush(60_000);
  expect(sockets).toHaveLength(3);
});

it("a radio gives its sticks as rows without a gyro, and says when it goes away", async () => {
  let axes: number[] | null = [0.5, -0.25, -1, 0.1];
  Object.assign(navigator, { getGamepads: () => [null, axes && { axes }] });
  const heard = listener();
  const source = gamepadSource(usualRadio);
  source.open(heard);
  await flush(10);
  expect(heard.lines[0]).toMatch(/^time_s,stick_roll/);
  expect(heard.lines[1]).toMatch(/^[\d.]+,0\.5,-0\.25,0\.1,0,0,0,0$/);
  axes = null;
  await flush(10);
  expect(heard.states).toEqual(["opening", "open", "lost"]);
  source.close();
});

it("answers are read where they say something, and refused where a setup cannot be", () => {
  const setup = settingsFile(firstSettings, "Plank", "");
  expect(readAnswer(JSON.stringify({ setup, saved: true }))).toMatchObject({ kind: "setup", saved: true });
  const wrong = { ...setup, settings: { ...firstSettings, tiltDeg: 900 } };
  expect(readAnswer(JSON.stringify({ setup: wrong }))).toEqual({ kind: "refused", why: "its tiltDeg cannot be" });
  expect(readAnswer('{"written":true}')).toEqual({ kind: "written" });
  expect(readAnswer('{"saved":true}')).toEqual({ kind: "saved" });
  expect(readAnswer('{"refused":"armed"}')).toEqual({ kind: "refused", why: "armed" });
  for (const line of ["{", "[]", "null", '{"hello":1}', '"x"']) expect(readAnswer(line)).toBeNull();
});
