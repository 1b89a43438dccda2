import { act, renderHook } from "@testing-library/react";
import { isCount, isRecord, isText, recordOf } from "./device-storage";
import { useDeviceState } from "./use-device-state";

const read = (kept: unknown) => (isRecord(kept) && isCount(kept.n) ? { n: kept.n } : null);
const opened = () => renderHook(() => useDeviceState("counted", { n: 0 }, read)).result;

beforeEach(() => localStorage.clear());
afterEach(() => jest.restoreAllMocks());

it("keeps what was changed over a reload", () => {
  const first = opened();
  act(() => first.current[1](({ n }) => ({ n: n + 2 })));
  expect(first.current[0]).toEqual({ n: 2 });
  expect(opened().current[0]).toEqual({ n: 2 });
});

it.each([
  ["half a text", '{"n":'],
  ["another kind", '"two"'],
  ["of an earlier version", '{"count":3}'],
  ["nothing", "null"],
  ["a number that is none of these", '{"n":-1}'],
])("begins anew where what is kept is %s", (_, kept) => {
  localStorage.setItem("counted", kept);
  expect(opened().current[0]).toEqual({ n: 0 });
});

it("goes on where the browser keeps nothing, or is full, and says so once to whoever looks", () => {
  const warned = jest.spyOn(console, "warn").mockImplementation(() => undefined);
  jest.spyOn(Storage.prototype, "getItem").mockImplementation(() => {
    throw new DOMException("denied", "SecurityError");
  });
  jest.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
    throw new DOMException("full", "QuotaExceededError");
  });
  const state = opened();
  act(() => state.current[1](() => ({ n: 5 })));
  expect(state.current[0]).toEqual({ n: 5 });
  expect(warned).toHaveBeenCalledWith("This browser does not keep counted.", expect.anything());
});

it("takes of a kept object the values of one kind, and never what lists and texts are made of", () => {
  expect(recordOf({ a: "x", b: 1, c: null }, isText)).toEqual({ a: "x" });
  for (const kept of [null, "text", ["x"], 3, undefined]) expect(recordOf(kept, isText)).toEqual({});
});
