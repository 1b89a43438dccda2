import { v7 as newId } from "uuid";
import { listAircraft, listPilots } from "@/server/repositories";
import { withFreshDatabase } from "@/server/testing/fresh-database";
import { onePilot } from "@/server/testing/one-pilot";
import { loadSetup } from "./load";

withFreshDatabase();

it("a setup is compared with the one before at the step flown first with it: what stands, and was flown for real", async () => {
  const [first, second, unflown] = [newId(), newId(), newId()];
  const { who, aircraftId } = await onePilot(
    new Date("2026-03-01T10:00:00Z"),
    [first, second, unflown],
    [
      [1, first, "flip-slow", "right", "clean", "field"],
      [2, first, "hang", "right", "crashed", "field"],
      [3, first, "hang", "right", "clean", "by-eye"],
      [4, first, "hang", "right", "clean", "simulator"],
      // The step that was flown first with the second setup is the one that is compared.
      [5, second, "flip-slow", "right", "clean", "simulator"],
      [6, second, "hang", "right", "clean", "field"],
      [7, second, "hang", "right", "clean", "field"],
      [8, second, "flip-slow", "right", "rough", "field"],
      [9, second, "hang", "right", "crashed", "field"],
    ],
  );
  const [pilot] = await listPilots(who);
  const aircraft = (await listAircraft([pilot.id])).find(({ id }) => id === aircraftId)!;
  const { changes } = await loadSetup(who, pilot, aircraft);
  expect(changes).toEqual({
    [second]: {
      stepName: expect.any(String),
      before: { attempts: 2, clean: 1 },
      after: { attempts: 2, clean: 2 },
    },
  });
});
