"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Recipe } from "@/core";
import { findTrick } from "@/syllabus";
import { send } from "@/ui/actions/send";
import type { useDraft } from "@/ui/drafts/use-draft";
import { JsonFileButton, type JsonFile } from "@/ui/forms/json-file-button";
import { nameForFile, saveFile } from "@/ui/forms/save-file";
import type { Choreography } from "./choreography";
import { documentOf } from "./document";
import { LONGEST_VARIANT_BYTES } from "./limits";
import type { ChoreographerData } from "./load";

/** A way to fly the trick out as a file, and in from one. What comes in is a change like any other: it can be undone, and is not saved yet. */
export function FilePart({
  data,
  draft,
  recipe,
}: {
  data: ChoreographerData;
  draft: ReturnType<typeof useDraft<Choreography>>;
  recipe: Recipe;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  const opened = data.own.find(({ id }) => id === data.openId);
  const name = opened?.name ?? recipe.label;
  const take = async (file: JsonFile) => {
    if (!file.ok) return setProblem(file.message);
    // The server has the schema.
    const result = await send("check-variant", { document: file.content });
    if (!result.ok) return setProblem(`${file.name}: ${result.message}`);
    const read = result.data.document;
    if (read.trick !== data.trickId)
      return setProblem(
        `${file.name} is a way to fly ${findTrick(read.trick)?.name ?? read.trick}. Open that trick first, then read it there.`,
      );
    setProblem(null);
    draft.change({ direction: read.direction, recipe: read.recipe });
  };
  return (
    <>
      <JsonFileButton
        size="small"
        label="File with a way to fly the trick"
        longestBytes={LONGEST_VARIANT_BYTES}
        onFile={take}
      >
        Import file
      </JsonFileButton>
      <Button
        size="small"
        onClick={() =>
          saveFile(
            `trick-${nameForFile(name)}.json`,
            "application/json",
            JSON.stringify(documentOf({ data, name, bothWays: opened?.bothWays ?? true, draft, recipe }), null, 1),
          )
        }
      >
        Export file
      </Button>
      {problem && (
        <Alert severity="error" onClose={() => setProblem(null)} sx={{ flexBasis: "100%" }}>
          Nothing was changed. {problem}
        </Alert>
      )}
    </>
  );
}
