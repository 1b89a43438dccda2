import { useMemo } from "react";
import type { Draft } from "@/ui/drafts/use-draft";
import { withMoved, withoutItem, type LineDraft } from "./edits";

/** What can be done to the line by key and by button. */
export function useEdits(draft: Draft<LineDraft>, at: number | null, onSelect: (item: number | null) => void) {
  const { document, undo, redo } = draft;
  const { length } = document.line.items;
  return useMemo(() => {
    const go = (run: () => void, to: number | null) => () => {
      run();
      onSelect(to);
    };
    const chosen = at !== null;
    return [
      { key: "u", name: "Undo", run: undo },
      { key: "r", name: "Redo", run: redo },
      {
        key: "n",
        name: "Next item",
        run: length > 0 ? go(() => undefined, at === null ? 0 : Math.min(length - 1, at + 1)) : null,
      },
      {
        key: "p",
        name: "Item before",
        run: length > 0 ? go(() => undefined, at === null ? length - 1 : Math.max(0, at - 1)) : null,
      },
      {
        key: "b",
        name: "Earlier",
        run: chosen && at > 0 ? go(() => draft.change(withMoved(document, at, at - 1)), at - 1) : null,
      },
      {
        key: "f",
        name: "Later",
        run: chosen && at < length - 1 ? go(() => draft.change(withMoved(document, at, at + 1)), at + 1) : null,
      },
      {
        key: "Backspace",
        name: "Remove",
        run: chosen ? go(() => draft.change(withoutItem(document, at)), null) : null,
      },
    ];
    // oxlint-disable-next-line react/exhaustive-deps -- `draft` is new at every render; what is used of it hangs on these
  }, [document, undo, redo, length, at, onSelect]);
}
