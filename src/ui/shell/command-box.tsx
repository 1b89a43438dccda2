"use client";

import Box from "@mui/material/Box";
import Dialog from "@mui/material/Dialog";
import InputBase from "@mui/material/InputBase";
import MenuItem from "@mui/material/MenuItem";
import MenuList from "@mui/material/MenuList";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { stepTitle } from "@/syllabus";
import { useSyllabus } from "../syllabus/use-syllabus";
import { usePreferences } from "../theme/preferences";
import { lookNames, themeNames } from "../theme/tokens";
import { unitSystems } from "@/words";
import { useAtHand } from "./at-hand";
import { screensFor } from "./screens";

interface Command {
  readonly group: string;
  readonly label: string;
  readonly run: () => void;
}

/** One box that reaches every pilot, step, aircraft, screen and setting of this device. */
export function CommandBox({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="sm"
      aria-label="Find or do"
      sx={{ "& .MuiDialog-container": { alignItems: "start" } }}
    >
      {open && <CommandList onClose={onClose} />}
    </Dialog>
  );
}

function CommandList({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState(0);
  const found = useCommands().filter(({ group, label }) =>
    text
      .toLowerCase()
      .split(/\s+/)
      .every((word) => `${group} ${label}`.toLowerCase().includes(word)),
  );
  const run = (command: Command | undefined) => {
    if (!command) return;
    onClose();
    command.run();
  };
  return (
    <>
      <InputBase
        autoFocus
        value={text}
        placeholder="A pilot, a step, an aircraft, a screen…"
        inputProps={{
          "aria-label": "Find or do",
          role: "combobox",
          "aria-expanded": true,
          "aria-controls": "commands",
          "aria-activedescendant": `command-${chosen}`,
          maxLength: 100,
        }}
        onChange={(event) => {
          setText(event.target.value);
          setChosen(0);
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter") run(found[chosen]);
          const move = { ArrowDown: 1, ArrowUp: -1 }[event.key];
          if (move === undefined || found.length === 0) return;
          event.preventDefault();
          setChosen((chosen + move + found.length) % found.length);
        }}
        sx={(theme) => ({ px: 2, py: 1.5, fontSize: "1.15rem", borderBottom: `1.5px solid ${theme.tokens.ink}` })}
      />
      <MenuList id="commands" role="listbox" sx={{ maxHeight: 400, overflow: "auto" }}>
        {found.map((command, i) => (
          <MenuItem
            key={`${command.group} ${command.label}`}
            id={`command-${i}`}
            role="option"
            aria-selected={i === chosen}
            selected={i === chosen}
            ref={(item: HTMLLIElement | null) => {
              if (item && i === chosen) item.scrollIntoView({ block: "nearest" });
            }}
            onClick={() => run(command)}
          >
            <Typography component="span" sx={{ width: 90, color: "text.secondary", fontSize: "0.85rem" }}>
              {command.group}
            </Typography>
            {command.label}
          </MenuItem>
        ))}
        {found.length === 0 && (
          <Box sx={{ px: 2, py: 1.5, color: "text.secondary" }}>
            Nothing by that name. Try a pilot, a step or a screen.
          </Box>
        )}
      </MenuList>
    </>
  );
}

function useCommands(): Command[] {
  const router = useRouter();
  const atHand = useAtHand();
  const { steps } = useSyllabus();
  const { setPreference } = usePreferences();
  return useMemo(() => {
    const go = (href: string) => () => router.push(href);
    const { pilots, pilot, coaches, hrefFor } = atHand;
    const { work, keeping } = screensFor(coaches);
    return [
      ...pilots.map(({ id, name }) => ({
        group: "Pilot",
        label: name,
        run: go(hrefFor("/pilot", { pilot: id, aircraft: undefined })),
      })),
      ...(pilot
        ? steps.flatMap((step) =>
            step.directions.map((direction) => ({
              group: "Brief",
              label: `${stepTitle(step, direction.id)} (${pilot.name})`,
              run: go(hrefFor("/brief", { step: step.id, direction: direction.id })),
            })),
          )
        : []),
      ...pilots.flatMap((one) =>
        one.aircraft.map((aircraft) => ({
          group: "Setup",
          label: `${aircraft.name} (${one.name})`,
          run: go(hrefFor("/setup", { pilot: one.id, aircraft: aircraft.id })),
        })),
      ),
      ...[...work, ...keeping].map(({ path, name, says }) => ({
        group: "Screen",
        label: `${name}: ${says}`,
        run: go(hrefFor(path)),
      })),
      ...(coaches && pilot
        ? [{ group: "Do", label: "Change the phases of a trick", run: go(hrefFor("/lab/choreographer")) }]
        : []),
      { group: "Do", label: coaches ? "Start a session" : "Practise alone", run: go(hrefFor("/session")) },
      ...themeNames.map((theme) => ({ group: "Look", label: lookNames[theme], run: () => setPreference({ theme }) })),
      ...unitSystems.map((units) => ({ group: "Units", label: units, run: () => setPreference({ units }) })),
    ];
  }, [atHand, router, setPreference, steps]);
}
