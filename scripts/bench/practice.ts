import { build } from "esbuild";
import { chromium } from "@playwright/test";
import { browserPackages, findBrowser, prepareMachine } from "../lib/install.mjs";

/**
 * `npm run bench -- practice`: what a second of flight costs of a core, in Node and in Chromium, how much of a frame that is, and what drawing a frame costs
 * beside it. The model has to stay under 5 % of a core (section 10 of the design).
 */
const FRAMES_HZ = 60;
const SECONDS = 60;
const LIMIT = 0.05;

/** Flies so many seconds in frames of a 60th and returns how long that took, ms: all of it, and the longest frame. */
const measured = `
  import { airframePresets, CALM_AIR, createPractice, firstSettings, recipes } from "@/core";
  globalThis.timeFlight = (seconds, framesHz) => {
    const { airframe } = airframePresets["five-inch-freestyle"];
    const practice = createPractice(recipes["hang-right"], airframe, firstSettings, { ...CALM_AIR, entryHeightM: 900 });
    const { throttle } = practice.state().sticks;
    let longest = 0;
    const began = performance.now();
    for (let i = 0; i < seconds * framesHz; i++) {
      const frame = performance.now();
      practice.advance(1 / framesHz, { roll: 0.02 * Math.sin(i / 20), pitch: 0.02 * Math.cos(i / 31), yaw: 0, throttle });
      longest = Math.max(longest, performance.now() - frame);
    }
    return { allMs: performance.now() - began, longestMs: longest };
  };
`;
/** Draws so many moments of a flip with its ghost through the camera and by eye, and returns what a frame takes of the page, ms; with the pixels waited for, too. */
const drawn = `
  import { airframePresets, CALM_AIR, createPractice, firstSettings, prepareDrill, recipes, spanM } from "@/core";
  import { World } from "@/features/practice/world";
  import { tokens } from "@/ui/theme/tokens";
  globalThis.timeFrames = (frames, looking) => {
    const { airframe } = airframePresets["five-inch-freestyle"];
    const asked = { kind: "trick", asks: "trick", recipe: recipes["flip-one-move-back"], withinDeg: 15, id: "flip" };
    const prepared = prepareDrill({ ...asked, airframe, settings: firstSettings, environment: CALM_AIR });
    const canvas = document.createElement("canvas");
    canvas.style.cssText = "width:850px;height:430px;display:block";
    document.body.append(canvas);
    const { drill, obstacles, seat, ghost, environment } = prepared;
    const stage = { obstacles, task: drill.task, seat };
    const world = new World(canvas, tokens.light, { tiltDeg: 25, verticalFovDeg: 90 }, stage, spanM(airframe));
    const practice = createPractice(drill, airframe, firstSettings, environment);
    const { sticks } = practice.state();
    const context = canvas.getContext("webgl2");
    const pixel = new Uint8Array(4);
    let [callMs, allMs, calls, triangles] = [0, 0, 0, 0];
    for (let i = 0; i < frames; i++) {
      const state = practice.advance(1 / 60, sticks);
      const began = performance.now();
      world.draw(state, ghost.trace, looking);
      const called = performance.now();
      context.readPixels(0, 0, 1, 1, context.RGBA, context.UNSIGNED_BYTE, pixel);
      if (i < 10) continue;
      callMs += called - began;
      allMs += performance.now() - began;
    }
    const { render } = world.renderer.info;
    world.end();
    canvas.remove();
    return { callMs: callMs / (frames - 10), allMs: allMs / (frames - 10), calls: render.calls, triangles: render.triangles, lines: render.lines };
  };
`;
interface FrameWork {
  readonly callMs: number;
  readonly allMs: number;
  readonly calls: number;
  readonly triangles: number;
  readonly lines: number;
}

type TimeFlight = (seconds: number, framesHz: number) => { readonly allMs: number; readonly longestMs: number };

async function bundled(contents: string): Promise<string> {
  const { outputFiles } = await build({
    stdin: { contents, resolveDir: process.cwd(), loader: "ts" },
    ...{ bundle: true, write: false, format: "iife", target: "es2022", tsconfig: "tsconfig.json" },
  });
  return outputFiles[0].text;
}
const script = await bundled(measured);

function say(where: string, { allMs, longestMs }: ReturnType<TimeFlight>): void {
  const share = allMs / 1000 / SECONDS;
  console.log(
    `${where.padEnd(9)} ${(1000 * share).toFixed(1)} ms of a core for a second of flight (${(100 * share).toFixed(2)} %, limit ${100 * LIMIT} %); a frame ${(allMs / SECONDS / FRAMES_HZ).toFixed(2)} ms, the longest ${longestMs.toFixed(1)} ms`,
  );
  if (share > LIMIT) process.exitCode = 1;
}

// oxlint-disable-next-line typescript/no-implied-eval -- a script of this file, brought to the page
new Function(script)();
const here = globalThis as unknown as { timeFlight: TimeFlight };
here.timeFlight(5, FRAMES_HZ);
say("Node", here.timeFlight(SECONDS, FRAMES_HZ));
await prepareMachine(browserPackages);
const browser = await chromium.launch({ executablePath: findBrowser()!, args: ["--no-sandbox"] });
const page = await browser.newPage();
await page.evaluate(script);
const there = async (seconds: number) =>
  page.evaluate(([s, hz]) => (globalThis as unknown as { timeFlight: TimeFlight }).timeFlight(s, hz), [
    seconds,
    FRAMES_HZ,
  ] as const);
await there(5);
say("Chromium", await there(SECONDS));
await page.evaluate(await bundled(drawn));
for (const looking of ["camera", "eye"]) {
  const { callMs, allMs, ...work } = await page.evaluate(
    (how) => (globalThis as unknown as { timeFrames: (frames: number, how: string) => FrameWork }).timeFrames(120, how),
    looking,
  );
  console.log(
    `${looking.padEnd(9)} ${callMs.toFixed(2)} ms of the page a frame, ${allMs.toFixed(1)} with its pixels (no graphics card here); ${work.calls} calls, ${work.triangles} triangles, ${work.lines} lines`,
  );
}
await browser.close();
