import { requiredColumns } from "@/core";
import { sticksOf, type RadioMap } from "@/ui/radio/radio-map";
import { firstRadio } from "@/ui/radio/use-radio";

/** How a line stands. */
export type LineState = "opening" | "open" | "lost" | "closed";

export interface Listener {
  /** Whole lines, in order. */
  readonly hear: (lines: readonly string[]) => void;
  readonly state: (state: LineState) => void;
}

/** Where frames come from: lines of an open recording with its names first, and answers as JSON lines. It opens itself again when it is lost, until it is closed. */
export interface LiveSource {
  readonly kind: "serial" | "stand-in" | "gamepad";
  readonly name: string;
  /** Whether it has settings that can be asked for. */
  readonly answers: boolean;
  open(listener: Listener): void;
  say(line: string): void;
  close(): void;
}

const SHORTEST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 5000;

/** Lines out of text that comes in pieces. */
function lineSplitter(hear: Listener["hear"]): (text: string) => void {
  let rest = "";
  return (text) => {
    const lines = (rest + text).split(/\r?\n/);
    rest = lines.pop() ?? "";
    if (rest.length > LONGEST_LINE) rest = "";
    if (lines.length > 0) hear(lines);
  };
}
const LONGEST_LINE = 64 * 1024;

/** Made-up aircraft at a socket of this machine. Each message is whole lines. */
export function standInSource(address: string): LiveSource {
  let socket: WebSocket | null = null;
  let closed = false;
  let waitMs = SHORTEST_WAIT_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const connect = (listener: Listener) => {
    listener.state("opening");
    const own = new WebSocket(address);
    socket = own;
    own.onopen = () => {
      waitMs = SHORTEST_WAIT_MS;
      listener.state("open");
    };
    own.onmessage = ({ data }) => listener.hear(String(data).split("\n"));
    own.onclose = () => {
      if (closed) return;
      listener.state("lost");
      timer = setTimeout(() => connect(listener), waitMs);
      waitMs = Math.min(LONGEST_WAIT_MS, 2 * waitMs);
    };
  };
  return {
    kind: "stand-in",
    name: "Made-up aircraft",
    answers: true,
    open: connect,
    say: (line) => {
      if (socket?.readyState === WebSocket.OPEN) socket.send(line);
    },
    close: () => {
      closed = true;
      clearTimeout(timer);
      socket?.close();
    },
  };
}

/** What of Web Serial is used here; browsers that have none offer no such source. */
export interface SerialPortLike {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
}
export const serialPorts = (): { requestPort(): Promise<SerialPortLike> } | null =>
  (navigator as { serial?: { requestPort(): Promise<SerialPortLike> } }).serial ?? null;

/** A serial line, one frame a line. It is opened again when the cable was pulled and put back. */
export function serialSource(port: SerialPortLike, baudRate: number): LiveSource {
  let closed = false;
  let reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  const run = async ({ hear, state }: Listener) => {
    for (let waitMs = SHORTEST_WAIT_MS; !closed; waitMs = Math.min(LONGEST_WAIT_MS, 2 * waitMs)) {
      try {
        state("opening");
        await port.open({ baudRate });
        state("open");
        waitMs = SHORTEST_WAIT_MS;
        const take = lineSplitter(hear);
        const decoder = new TextDecoder();
        reader = port.readable?.getReader() ?? null;
        for (;;) {
          const { done, value } = (await reader?.read()) ?? { done: true as const, value: undefined };
          if (done) break;
          take(decoder.decode(value, { stream: true }));
        }
      } catch {
        // The cable was pulled, or the port is someone else's: it is tried again, and the screen says so.
      }
      reader?.releaseLock();
      reader = null;
      await port.close().catch(() => undefined);
      if (closed) return;
      state("lost");
      await new Promise((done) => setTimeout(done, waitMs));
    }
  };
  return {
    kind: "serial",
    name: "Serial line",
    answers: true,
    open: (listener) => void run(listener),
    say: (line) => {
      const writer = port.writable?.getWriter();
      void writer?.write(new TextEncoder().encode(`${line}\n`)).finally(() => writer.releaseLock());
    },
    close: () => {
      closed = true;
      void reader?.cancel().catch(() => undefined);
    },
  };
}

const PAD_MS = 10;

/** A radio as a gamepad: its sticks by where they were found, and no gyro. */
export function gamepadSource(map: RadioMap): LiveSource {
  let timer: ReturnType<typeof setInterval> | undefined;
  return {
    kind: "gamepad",
    name: "Radio as a gamepad",
    answers: false,
    open: ({ hear, state }) => {
      state("opening");
      hear([requiredColumns.join(",")]);
      let open = false;
      const beganMs = performance.now();
      timer = setInterval(() => {
        const pad = firstRadio();
        if (!pad) {
          if (open) state("lost");
          open = false;
          return;
        }
        if (!open) state("open");
        open = true;
        const { roll, pitch, throttle, yaw } = sticksOf(map, pad.axes);
        const s = (performance.now() - beganMs) / 1000;
        hear([[s, roll, pitch, yaw, throttle, 0, 0, 0].map((x) => String(Math.round(1e4 * x) / 1e4)).join(",")]);
      }, PAD_MS);
    },
    say: () => undefined,
    close: () => clearInterval(timer),
  };
}
