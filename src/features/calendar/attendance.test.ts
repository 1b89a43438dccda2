import { attendanceOf, presentAt } from "./attendance";

const squad = ["a", "b", "c", "d", "e", "f", "g", "h", "i"];

it.each([
  ["all of many", squad, { all: true, pilotIds: [] }],
  ["most of many", squad.slice(0, 7), { all: true, pilotIds: ["h", "i"] }],
  ["a few", ["b", "c"], { all: false, pilotIds: ["b", "c"] }],
  ["one who left since", [...squad.slice(0, 7), "gone"], { all: false, pilotIds: [...squad.slice(0, 7), "gone"] }],
])("says who was there by the shorter list: %s", (_, there, expected) => {
  expect(attendanceOf(there, squad)).toEqual(expected);
  expect(presentAt(attendanceOf(there, squad), squad)).toEqual(there);
});
