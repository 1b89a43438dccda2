import { cpus } from "node:os";
import { spawn } from "node:child_process";
import { fileURLToPath } from "node:url";
import {
  airframePresets,
  briefTrick,
  CALM_AIR,
  crashesAtOwnHeight,
  DomainError,
  draftBrief,
  firstSettings,
  groundHits,
  onPacks,
  recipes,
  solveTrick,
  usualErrors,
} from "@/core";
import { problemWords } from "@/words";

/**
 * Whether the minimum start height is safe: every trick begun at it, flown 1,000 times with hands of a seed that the figure has not seen. One side of every
 * trick on the five inch at 25°, with `all` every preset at 15, 25 and 40°: some hours, which may be flown in parts, `all 1/12` being the first of twelve, each
 * drawn from all of them. At most 20 in any cell and 1 in 100 over all may meet the ground.
 */

const RUNS = 1000;
const FRESH_SEED = 977;
const hands = usualErrors(4);
const OWN_HEIGHT = "own height";

interface Cell {
  readonly preset: string;
  readonly tiltDeg: number;
  readonly id: string;
}

const oneSide = Object.keys(recipes).filter((id) => !id.endsWith("-left") && !id.endsWith("-front"));

function cellsOf(all: boolean): readonly Cell[] {
  const presets = all ? Object.keys(airframePresets) : ["five-inch-freestyle"];
  const tilts = all ? [15, 25, 40] : [25];
  return presets.flatMap((preset) => tilts.flatMap((tiltDeg) => oneSide.map((id) => ({ preset, tiltDeg, id }))));
}

/** Every so-many-th of a list that is mixed the same way each time. */
function partOf<Item>(items: readonly Item[], part: string): readonly Item[] {
  const [index, count] = part.split("/").map(Number);
  const rank = (at: number) => (Math.imul(at + 1, 2_654_435_761) >>> 0) / 2 ** 32;
  const mixed = [...items.keys()].sort((a, b) => rank(a) - rank(b));
  return mixed.filter((_, place) => place % count === index - 1).map((at) => items[at]);
}

interface Checked extends Cell {
  readonly heightM: number | null;
  readonly draftM: number | null;
  readonly by: string;
  readonly crashes: number;
  readonly runs: number;
}

function check(cell: Cell): Checked {
  const { airframe } = airframePresets[cell.preset];
  const settings = { ...firstSettings, tiltDeg: cell.tiltDeg };
  const refused = (by: string) => ({ ...cell, heightM: null, draftM: null, by, crashes: 0, runs: 0 });
  try {
    const draft = draftBrief(recipes[cell.id], airframe, settings, CALM_AIR);
    if (draft.problem !== null) return refused(problemWords(draft.problem, "metric"));
    const brief = briefTrick(recipes[cell.id], airframe, settings, CALM_AIR);
    const entryHeightM = brief.minimumStartHeightM ?? brief.entryHeightM;
    const solved = solveTrick(recipes[cell.id], airframe, settings, CALM_AIR);
    const environment = { ...CALM_AIR, entryHeightM };
    const task = { solved, airframe, settings, environment, hands, seed: FRESH_SEED };
    const packs = onPacks(solved);
    const reason = brief.startHeight?.reason;
    const own = recipes[cell.id].entryHeightM !== undefined;
    const crashes = ({ packUsed, recipe }: (typeof packs)[number]) =>
      own ? crashesAtOwnHeight(task, recipe, packUsed, 0, RUNS) : groundHits(task, packUsed, RUNS);
    return {
      ...cell,
      heightM: entryHeightM,
      draftM: draft.minimumStartHeightM,
      by: reason
        ? `${reason.kind}${reason.kind === "freeze" ? ` before ${reason.before}` : ""}, pack ${reason.packUsed}`
        : OWN_HEIGHT,
      crashes: Math.max(...packs.map(crashes)),
      runs: RUNS,
    };
  } catch (error) {
    if (error instanceof DomainError) return refused(error.message);
    throw error;
  }
}

const [mode = "five", part = "1/1", core = ""] = process.argv.slice(2);
const cells = partOf(cellsOf(mode === "all"), part);
if (core !== "") {
  for (const cell of partOf(cells, core)) console.log(JSON.stringify(check(cell)));
} else {
  const count = cpus().length;
  const checked: Checked[] = [];
  await Promise.all(
    Array.from({ length: count }, async (_, index) => {
      const child = spawn("npx", ["tsx", fileURLToPath(import.meta.url), mode, part, `${index + 1}/${count}`], {
        stdio: ["ignore", "pipe", "inherit"],
      });
      let text = "";
      for await (const part of child.stdout) {
        text += String(part);
        const lines = text.split("\n");
        text = lines.pop()!;
        for (const line of lines) {
          const one = JSON.parse(line) as Checked;
          checked.push(one);
          const height = one.heightM === null ? "   -  " : `${one.heightM.toFixed(1).padStart(5)} m`;
          console.log(
            `  ${one.preset.slice(0, 10).padEnd(10)} ${one.tiltDeg}° ${one.id.padEnd(30)} ${height} (draft ${one.draftM?.toFixed(1) ?? "-"}) ${String(one.crashes).padStart(4)} of ${one.runs}  ${one.by}`,
          );
        }
      }
    }),
  );
  // Landings and wall bails are counted in the brief; no height makes them safer.
  const flown = checked.filter(({ heightM, by }) => heightM !== null && by !== OWN_HEIGHT);
  const crashes = flown.reduce((sum, one) => sum + one.crashes, 0);
  const worst = Math.max(...flown.map((one) => one.crashes));
  console.log(
    `  ${flown.length} of ${checked.length} fly; ${((100 * crashes) / (RUNS * flown.length)).toFixed(2)} % meet the ground over all, at most ${worst} of ${RUNS} in a cell: ${worst <= 20 && crashes <= 0.01 * RUNS * flown.length ? "SAFE" : "NOT SAFE"}`,
  );
}
