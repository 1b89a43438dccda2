import { v7 as newId } from "uuid";
import { listPilots } from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { onePilot } from "@/server/testing/one-pilot";
import { loadPilot } from "./load";

withFreshDatabase();

it("the history has a line for a session, as of its first attempt: each step and direction once, in the order begun, without what was taken back", async () => {
  const setup = newId();
  const now = new Date("2026-03-01T10:00:00Z");
  const { who, sessionId } = await onePilot(
    now,
    [setup],
    [
      [1, setup, "hang", "left", "rough", "by-eye"],
      [2, setup, "flip-slow", "forward", "bailed", "field"],
      [3, setup, "hang", "right", "clean", "field"],
      [4, setup, "hang", "left", "clean", "field"],
      [5, setup, "hang", "left", "clean", "field"],
      [6, setup, "hang", "left", "crashed", "field"],
    ],
  );
  const [pilot] = await listPilots(who);
  const { history } = await loadPilot(who, pilot, null, {}, now.getTime() + 3_600_000);
  const none = { clean: 0, rough: 0, bailed: 0, crashed: 0 };
  expect(history.find(({ kind }) => kind === "session")).toEqual({
    kind: "session",
    id: sessionId,
    atMs: now.getTime() + 60_000,
    place: "by-eye",
    steps: [
      { stepId: "hang", direction: "left", outcomes: { ...none, clean: 2, rough: 1 } },
      { stepId: "flip-slow", direction: "forward", outcomes: { ...none, bailed: 1 } },
      { stepId: "hang", direction: "right", outcomes: { ...none, clean: 1 } },
    ],
  });
});

it("sends the evidence of every step only where the list of them is asked for, each in the order of the chart", async () => {
  const now = new Date("2026-04-01T10:00:00Z");
  const setup = newId();
  const { who } = await onePilot(now, [setup], [[1, setup, "flip-slow", "forward", "clean", "field"]]);
  const [pilot] = (await listPilots(who)).slice(-1);
  const look = (asList: boolean) => loadPilot(who, pilot, null, { asList }, now.getTime() + 3_600_000);
  const [chart, list] = [await look(false), await look(true)];
  expect(chart.listed).toBeNull();
  expect(list.steps).toEqual(chart.steps);
  expect(list.listed!.map(({ stepId }) => stepId)).toEqual(chart.steps.map(({ stepId }) => stepId));
  expect(chart.steps[0]).not.toHaveProperty("evidence");
});

it("sends the newest lines of the history, says whether there are older ones, and sends all when asked", async () => {
  const now = new Date("2026-04-01T10:00:00Z");
  const setup = newId();
  const { who } = await onePilot(now, [setup], [[1, setup, "flip-slow", "forward", "clean", "field"]]);
  const [pilot] = (await listPilots(who)).slice(-1);
  const look = (wholeHistory: boolean) => loadPilot(who, pilot, null, { wholeHistory }, now.getTime() + 3_600_000);
  const [newest, all] = [await look(false), await look(true)];
  expect([newest.historyShown, all.historyShown]).toEqual(["newest", "all"]);
  expect(newest.history).toEqual(all.history);
});
