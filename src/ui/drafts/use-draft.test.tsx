import { act, renderHook } from "@testing-library/react";
import { isRecord } from "../device/device-storage";
import { useDraft } from "./use-draft";

const saved = { text: "saved" };
const open = (basedOn = 3) =>
  renderHook(() =>
    useDraft<{ text: string }>({
      key: "draft",
      saved,
      basedOn,
      isWhole: (kept): kept is { text: string } => isRecord(kept) && typeof kept.text === "string",
    }),
  ).result;
type Opened = ReturnType<typeof open>;
const change = (draft: Opened, text: string, gesture?: string) =>
  act(() => draft.current.change({ text }, gesture ?? null));
const undo = (draft: Opened) => act(() => draft.current.undo!());
const redo = (draft: Opened) => act(() => draft.current.redo!());

beforeEach(() => localStorage.clear());

it("takes back one change after the other, and does it again until something else is changed", () => {
  const draft = open();
  expect(draft.current).toMatchObject({ document: saved, changed: false, undo: null, redo: null });
  change(draft, "one");
  change(draft, "two");
  undo(draft);
  expect(draft.current.document.text).toBe("one");
  undo(draft);
  expect(draft.current).toMatchObject({ document: saved, changed: false, undo: null });
  redo(draft);
  redo(draft);
  expect(draft.current).toMatchObject({ document: { text: "two" }, redo: null });
  undo(draft);
  change(draft, "other");
  expect(draft.current.redo).toBeNull();
});

it("takes a whole drag back at once, but not two drags, nor a drag gone on with after undoing", () => {
  const draft = open();
  for (const text of ["a", "b", "c"]) change(draft, text, "drag 1");
  for (const text of ["d", "e"]) change(draft, text, "drag 2");
  undo(draft);
  expect(draft.current.document.text).toBe("c");
  change(draft, "f", "drag 2");
  undo(draft);
  expect(draft.current.document.text).toBe("c");
  undo(draft);
  expect(draft.current.document).toBe(saved);
});

it("is there again after a reload, on the version it was begun from, until it is dropped", () => {
  change(open(3), "kept");
  const again = open(4);
  expect(again.current).toMatchObject({ document: { text: "kept" }, basedOn: 3, restored: true, changed: true });
  act(() => again.current.drop(saved, 4));
  expect(again.current).toMatchObject({ document: saved, basedOn: 4, restored: false, changed: false });
  expect(open(4).current.restored).toBe(false);
});

it.each(["no JSON", "null", '{"basedOn":1}', '{"basedOn":1,"document":{"text":7}}'])(
  "begins from what is saved where the device kept %s",
  (kept) => {
    localStorage.setItem("draft", kept);
    expect(open().current).toMatchObject({ document: saved, restored: false });
  },
);

it("keeps nothing on the device while nothing is changed", () => {
  open();
  expect(localStorage).toHaveLength(0);
});
