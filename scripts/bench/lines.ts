import { airframePresets, CALM_AIR, firstSettings, fly, inventLines, joins, recipes } from "@/core";
import { sequences } from "@/core/lines/candidates";

/** `npm run bench -- lines`: how long inventing takes in flights of a trick, and whether the candidates are all there are. */
const five = airframePresets["five-inch-freestyle"].airframe;
const environment = { ...CALM_AIR, entryHeightM: 25 };
const kinds = [
  "roll-level-right",
  "yaw-snap-left",
  "flip-slow-back",
  "loop-open-power",
  "split-s-float-left",
  "orbit-right",
];
const LIMITS = { first: 50, ten: 1500 };

const since = (startedMs: number) => performance.now() - startedMs;
const flights = 100;
const flightsBegan = performance.now();
for (let n = 0; n < flights; n++) fly(recipes[kinds[n % kinds.length]], five, firstSettings, environment);
const aFlightMs = since(flightsBegan) / flights;
const inFlights = (ms: number) => Math.round(ms / aFlightMs);
console.log(`a flight takes ${aFlightMs.toFixed(1)} ms`);

const tableBegan = performance.now();
const table = kinds.map((from) =>
  kinds.map((to) => joins(recipes[from], recipes[to], five, firstSettings, environment)),
);
console.log(
  `what can follow what, ${kinds.length ** 2} pairs: ${inFlights(since(tableBegan))} flights, once for a setup`,
);

// As many as there are walks of four in the table: the sum over the third power of what can follow what.
const follows = table.map((row) => row.map(({ kind }) => (kind === "never" ? 0 : 1)));
const times = (a: number[][], b: number[][]) =>
  a.map((row) => b[0].map((_, k) => row.reduce((sum, x, i) => sum + x * b[i][k], 0)));
const walks = times(times(follows, follows), follows)
  .flat()
  .reduce((sum, n) => sum + n, 0);
const found = sequences(
  kinds.length,
  table,
  { length: 4, mustHave: [], fresh: new Set() },
  kinds.length ** 4,
  () => NaN,
);
console.log(
  `four of six kinds: ${found.length} candidates for ${walks} walks ${found.length === walks ? "" : "WRONG"}`,
);

let firstMs = NaN;
const began = performance.now();
const { lines } = inventLines(
  { allowed: kinds, length: 4, seed: 1, budget: 200 },
  five,
  firstSettings,
  environment,
  (done, _, stage) => {
    if (stage === "lines" && done === 1 && Number.isNaN(firstMs)) firstMs = since(began);
  },
);
const tenMs = since(began);
const said = (what: string, ms: number, limit: number) =>
  console.log(`${what}: ${inFlights(ms)} flights (at most ${limit}) ${inFlights(ms) <= limit ? "within" : "OVER"}`);
said("the first proposal", firstMs, LIMITS.first);
said(`the ${lines.length} best of 200`, tenMs, LIMITS.ten);
