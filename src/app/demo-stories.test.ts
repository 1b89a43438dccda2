import { loadSquad, type SquadRow } from "@/features/squad";
import { copyTries, tricksOf, tryResult } from "@/contract";
import {
  airframePresets,
  CALM_AIR,
  copyEvidence,
  DAY_MS,
  flyLineWorkedOut,
  lineEvidence,
  lineFaults,
  lineFreezes,
} from "@/core";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { loadProgress } from "@/server/progress";
import { listCoaches, listLines, listLineTries, listPilots, listSites } from "@/server/repositories";
import { builtInSyllabus, findStep, standingAt } from "@/syllabus";
import { adviceWords } from "@/words";
import { loadDemo } from "../../scripts/demo-data/load";

/** Each sentence the program gives has a case in the demo that triggers it, and one that does not. */

withFreshDatabase();

const now = new Date("2026-11-20T20:00:00Z");
let rows: readonly SquadRow[];
let who: { coachId: string; accountId: string; name: string };

beforeAll(async () => {
  await loadDemo(now, "four plain words here");
  const [first] = await listCoaches();
  who = { coachId: first.id, accountId: "", name: first.name };
  ({ rows } = await loadSquad(who as never, now.getTime()));
});

const row = (name: string) => rows.find((one) => one.name === name)!;
const advised = (name: string) => {
  const { current } = row(name).glance;
  return adviceWords(current!.advice, current!.stepId, builtInSyllabus);
};

it.each([
  ["Ysolde Marr", /pass mark met, sign it off\.$/],
  ["Wenna Loft", /pass mark met, but only with what was flown alone/],
  ["Odalie Venn", /stay, forward first, the weaker side\.$/],
  ["Brannoch Sile", /^Stuck: .* The setup changed \d times in between/],
  ["Corvin Haldt", /on the new setup and \d+ before it/],
  ["Joss Hathering", /clean of the last 8: go back to/],
  ["Perrin Askew", /^Not done yet: go through the brief\.$/],
  ["Tamsel Orrick", /^No attempts logged yet\. Read the brief and start high\.$/],
])("%s is advised just that, and nobody else", (name, words) => {
  expect(advised(name)).toMatch(words);
  for (const other of rows) if (other.name !== name) expect(advised(other.name)).not.toMatch(words);
});

it.each([
  ["asks", ["Ysolde Marr"]],
  ["ready", ["Wenna Loft", "Ysolde Marr"]],
  ["step-back", ["Joss Hathering"]],
  ["stuck", ["Brannoch Sile"]],
  ["slipping", ["Tamsel Orrick"]],
  ["check-first", ["Brannoch Sile", "Corvin Haldt", "Joss Hathering", "Perrin Askew"]],
  ["unsettled", ["Corvin Haldt"]],
  ["burst", ["Wenna Loft"]],
  ["due", ["Tamsel Orrick"]],
  ["one-sided", ["Odalie Venn"]],
])("needs the coach because of %s: %j", (kind, names) => {
  const found = rows.filter(({ reasons }) => reasons.some((one) => one.kind === kind)).map(({ name }) => name);
  expect([kind, [...found].sort()]).toEqual([kind, names]);
});

it("advises rest on the evening on which crashes pile up, and no more after a night", async () => {
  const joss = (await listPilots(who as never)).find(({ name }) => name === "Joss Hathering")!;
  const progress = (await loadProgress([joss])).get(joss.id)!;
  const last = Math.max(...[...progress.flown.values()].map(({ digest }) => digest.lastMs ?? 0));
  const at = (nowMs: number) =>
    standingAt(findStep(builtInSyllabus, "flip-one-move")!, { ...progress, setupId: null, nowMs }).advice.kind;
  expect([at(last + 60_000), at(last + DAY_MS)]).toEqual(["rest", "step-back"]);
});

it("the camp's lines hold but for those that tell of a limit, and one breaks at the same joint try after try", async () => {
  const { pilots } = await import("../../scripts/demo-data/camp");
  const { settings } = pilots.find(({ name }) => name === "Corvin Haldt")!.aircraft[0].setups.at(-1)!;
  const { airframe } = airframePresets["five-inch-freestyle"];
  const corvin = (await listPilots(who as never)).find(({ name }) => name === "Corvin Haldt")!;
  const lines = await listLines([corvin.squadId]);
  const sites = await listSites([corvin.squadId]);
  const told: Record<string, readonly string[]> = {};
  for (const { name, siteId, line: kept } of lines) {
    const line = { id: name, label: name, ...kept };
    const { flight } = flyLineWorkedOut(line, airframe, settings, CALM_AIR);
    const wantsM = lineFreezes(line, airframe, settings, CALM_AIR)?.wantsM;
    const site = sites.find(({ id }) => id === siteId)!;
    const faults = lineFaults(flight, line.items.length, { wantsM, ceilingM: site.ceilingM, roomM: 2 * site.roomM });
    if (faults.length > 0) told[name] = [...new Set(faults.map(({ kind }) => kind))].sort();
  }
  expect(told).toEqual({
    "Yard there and back": ["over-ceiling", "over-room", "too-low"],
    "Down to the dyke": ["too-low"],
  });
  const { id, line } = lines.find(({ name }) => name === "Windmill hang")!;
  const tries = (await listLineTries([corvin.id], id)).map(tryResult);
  const { weakest } = lineEvidence(tries, tricksOf(line.items).length);
  expect(tricksOf(line.items)[weakest!]).toBe("hang-left");
  const { id: copied, copy } = lines.find(({ name }) => name === "Five over the pans")!;
  const ticked = copyTries(await listLineTries([corvin.id], copied));
  const partIds = copy!.parts.map((part) => part.id);
  const { lost } = copyEvidence(ticked, partIds, copy!.lookAfter);
  expect(lost.map((part) => copy!.parts.find((one) => one.id === part)!.name)).toEqual(["Turn without a climb"]);
}, 120_000);
