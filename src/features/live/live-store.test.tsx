import { IDBFactory } from "fake-indexeddb";
import { beginLive, dropLive, keepLines, leftRecordings, liveFile } from "./live-store";

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});
const textOf = (file: File) =>
  new Promise<string>((done) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.readAsText(file);
  });

it("keeps rows as they come, gives them back in order as a file, and lets go of them when told", async () => {
  const one = { id: "a", pilotId: "odo", beganMs: new Date(2026, 10, 25, 14, 3).getTime() };
  await beginLive(one);
  expect(await leftRecordings("odo")).toEqual([]);
  await keepLines("a", 2, ["0.02,0,0,0,0.3,3,0,0"]);
  await keepLines("a", 0, ["0.00,0,0,0,0.3,1,0,0", "0.01,0,0,0,0.3,2,0,0"]);
  await beginLive({ ...one, id: "b", beganMs: one.beganMs + 1 });
  await keepLines("b", 0, ["0.00,0,0,0,0.4,9,0,0"]);
  await beginLive({ ...one, id: "c", pilotId: "ida" });
  await keepLines("c", 0, ["0.00,0,0,0,0.5,9,0,0"]);
  expect((await leftRecordings("odo")).map(({ id, rows }) => [id, rows])).toEqual([
    ["b", 1],
    ["a", 3],
  ]);
  const file = await liveFile(one);
  expect(file.name).toBe("live 2026-11-25 14.03.csv");
  expect((await textOf(file)).split("\n")).toEqual([
    expect.stringMatching(/^time_s,stick_roll/),
    "0.00,0,0,0,0.3,1,0,0",
    "0.01,0,0,0,0.3,2,0,0",
    "0.02,0,0,0,0.3,3,0,0",
    "",
  ]);
  await dropLive("a");
  expect((await leftRecordings("odo")).map(({ id }) => id)).toEqual(["b"]);
});
