import { builtInSyllabus } from "@/syllabus";
import { blockReasonWords } from "@/words";
import { tallyPilot } from "@/contract/testing/made-up-pilot";
import { blockAt, fieldTurns, placeFrom } from "./use-field-place";

const block = (minutes: number) =>
  ({ kind: "main", stepId: "flip-slow", minutes, firstDirection: null, reason: null }) as const;

it("takes turns as planned, whoever was left out of the order after them; without an order each in turn", () => {
  const [odo, ida, kit] = [
    tallyPilot("odo", "Odo Fenn", ["flip-slow"], { turns: [3, 0] }),
    tallyPilot("ida", "Ida Rook", ["flip-slow"], { turns: [1] }),
    tallyPilot("kit", "Kit Marsh", ["flip-slow"]),
  ];
  expect(fieldTurns([odo, ida, kit])).toEqual([
    { at: 0, pack: 0 },
    { at: 1, pack: 0 },
    { at: 0, pack: 1 },
    { at: 2, pack: 0 },
  ]);
  expect(fieldTurns([kit, kit])).toEqual([
    { at: 0, pack: 0 },
    { at: 1, pack: 0 },
  ]);
});

it("comes with each pack to the block that the minutes before it have brought it to", () => {
  const plan = { blocks: [block(2), block(4), block(2)], turns: [0, 1] };
  expect([0, 1].map((pack) => blockAt(plan, pack))).toEqual([0, 1]);
  expect([0, 1, 2, 3].map((pack) => blockAt({ ...plan, turns: [0, 1, 2, 3] }, pack))).toEqual([0, 1, 1, 2]);
  expect(blockAt({ blocks: [block(0)], turns: [0] }, 5)).toBe(0);
  expect(blockAt(plan, 9)).toBe(2);
});

it("a step that a device took up before reasons had kinds is still flown, for the one reason there is", () => {
  const kept = { kind: "main", stepId: "hang", minutes: 0, firstDirection: null, why: "Added at the field." };
  // Also whatever stands there for a reason: it never stops the screen.
  for (const reason of [null, 7, { kind: "advised" }, { kind: "luck" }])
    expect(blockReasonWords(placeFrom({ added: { odo: [{ ...kept, reason }] } })!.added.odo[0], builtInSyllabus)).toBe(
      "Added at the field.",
    );
  const { added } = placeFrom({ turn: 2, added: { odo: [kept], ida: "damaged" } })!;
  expect(Object.keys(added)).toEqual(["odo"]);
  expect(added.odo).toMatchObject([{ kind: "main", stepId: "hang", minutes: 0 }]);
  expect(blockReasonWords(added.odo[0], builtInSyllabus)).toBe("Added at the field.");
});
