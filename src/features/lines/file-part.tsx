"use client";

import Button from "@mui/material/Button";
import { send } from "@/ui/actions/send";
import { JsonFileButton, type JsonFile } from "@/ui/forms/json-file-button";
import { nameForFile, saveFile } from "@/ui/forms/save-file";
import { documentOf, type LineDraft } from "./edits";
import { LONGEST_LINE_BYTES } from "./limits";

/** A line out as a file, and in from one. What comes in is a change like any other: it can be undone, and is not saved yet. */
export function FilePart({
  draft,
  onRead,
  onProblem,
}: {
  draft: LineDraft;
  onRead: ((draft: LineDraft) => void) | null;
  onProblem: (problem: string | null) => void;
}) {
  const take = async (file: JsonFile) => {
    if (!file.ok) return onProblem(file.message);
    // The server has the schema.
    const result = await send("check-line", { document: file.content });
    if (!result.ok) return onProblem(`${file.name}: ${result.message}`);
    onProblem(null);
    const { name, style, line, copy = null } = result.data.document;
    onRead?.({ name, style, line, copy, siteId: draft.siteId });
  };
  return (
    <>
      {onRead && (
        <JsonFileButton label="File with a line" longestBytes={LONGEST_LINE_BYTES} onFile={take}>
          Import file
        </JsonFileButton>
      )}
      <Button
        disabled={draft.line.items.length === 0}
        onClick={() =>
          saveFile(
            `line-${nameForFile(draft.name || "line")}.json`,
            "application/json",
            JSON.stringify(documentOf(draft), null, 1),
          )
        }
      >
        Export file
      </Button>
    </>
  );
}
