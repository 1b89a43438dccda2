"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { useState } from "react";
import { readSettingsFile, settingsFile, type Settings } from "@/core";
import type { Aircraft } from "@/contract";
import { JsonFileButton, type JsonFile } from "@/ui/forms/json-file-button";
import { Box } from "@/ui/layout/box";
import { ButtonGrid } from "@/ui/layout/button-grid";
import { usePreferences } from "@/ui/theme/preferences";
import { refusedWords } from "@/words";
import { nameForFile, saveFile } from "@/ui/forms/save-file";
import { cardPapers } from "./papers";

/** A setup is a few hundred bytes; more than this is something else. */
const LONGEST_BYTES = 64 * 1024;

/** The setup of this screen as a file, its curves as a table, and a file back into the screen; nothing is saved by that. */
export function SetupFiles(props: {
  aircraft: Aircraft;
  /** There is a saved setup, of which a card can be made. */
  hasSetup: boolean;
  settings: Settings;
  reason: string;
  onRead: (settings: Settings, name: string) => void;
}) {
  const { aircraft, hasSetup, settings, reason, onRead } = props;
  const aircraftName = aircraft.name;
  const { units } = usePreferences();
  const [problems, setProblems] = useState<readonly Error[]>([]);
  const take = (file: JsonFile) => {
    if (!file.ok) return setProblems([new Error(file.message)]);
    const read = readSettingsFile(file.content);
    setProblems(read.ok ? [] : read.problems);
    if (read.ok) onRead(read.settings, file.name);
  };
  return (
    <Box>
      <ButtonGrid>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            saveFile(
              `${fileName(aircraftName)}.json`,
              "application/json",
              JSON.stringify(settingsFile(settings, aircraftName, reason), null, 1),
            )
          }
        >
          Export JSON
        </Button>
        <Button
          size="small"
          variant="outlined"
          onClick={async () => {
            const { curvesCsv } = await import("./curves-csv");
            saveFile(`${fileName(aircraftName)}-curves.csv`, "text/csv", curvesCsv(settings));
          }}
        >
          Curves as CSV
        </Button>
        {hasSetup &&
          cardPapers.map((paper) => (
            <Button
              key={paper}
              size="small"
              variant="outlined"
              component="a"
              href={`/setup-card/${aircraft.id}/${paper}`}
              download
            >
              Card, {paper.toUpperCase()}
            </Button>
          ))}
        <JsonFileButton
          label="File with a setup"
          size="small"
          variant="outlined"
          longestBytes={LONGEST_BYTES}
          onFile={take}
        >
          Import file
        </JsonFileButton>
      </ButtonGrid>
      {problems.length > 0 && (
        <Alert severity="error" onClose={() => setProblems([])} sx={{ mt: 1 }}>
          Nothing was changed.
          <Box component="ul" sx={{ m: 0, pl: 2 }}>
            {problems.map((problem) => (
              <li key={problem.message}>{refusedWords(problem, units)}</li>
            ))}
          </Box>
        </Alert>
      )}
    </Box>
  );
}

const fileName = (name: string) => `setup-${nameForFile(name)}`;
