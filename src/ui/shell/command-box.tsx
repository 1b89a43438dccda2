"use client";

import InputBase from "@mui/material/InputBase";
import MenuItem from "@mui/material/MenuItem";
import MenuList from "@mui/material/MenuList";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { stepTitle } from "@/syllabus";
import { useRunAt } from "../keys/keys";
import { Box } from "../layout/box";
import { Dialog } from "../layout/opened";
import { useSyllabus } from "../syllabus/use-syllabus";
import { usePreferences } from "../theme/preferences";
import { lookNames, themeNames } from "../theme/tokens";
import { capital, tradeWords, unitSystems } from "@/words";
import { useAtHand } from "./at-hand";
import { screensFor } from "./screens";

interface Command {
  readonly group: string;
  readonly label: string;
  /** Other words it is found by. */
  readonly words?: string;
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
      aria-label="Search or run"
      sx={{ "& .MuiDialog-container": { alignItems: "start" } }}
    >
      {open && <CommandList onClose={onClose} />}
    </Dialog>
  );
}

function CommandList({ onClose }: { onClose: () => void }) {
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState(0);
  const found = matching(useCommands(), text);
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
          "aria-label": "Search or run",
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
            No match. Try a pilot, a step, an aircraft, a screen or an action.
          </Box>
        )}
      </MenuList>
    </>
  );
}

/** Commands that hold every word asked for: those by their own name first, then those by another word for them. */
function matching(commands: readonly Command[], text: string): readonly Command[] {
  const asked = text.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (all: string) => asked.every((word) => all.toLowerCase().includes(word));
  const named = commands.filter(({ group, label }) => holds(`${group} ${label}`));
  return [
    ...named,
    ...commands.filter((one) => !named.includes(one) && holds(`${one.group} ${one.label} ${one.words ?? ""}`)),
  ];
}

/** What is done rather than looked at, where it is begun, and by which key of that screen its form opens. */
function deeds(
  coaches: boolean,
  pilotName: string | null,
  to: (path: string, key?: string) => () => void,
): readonly Command[] {
  const own = pilotName ? ` (${pilotName})` : "";
  const always: readonly Command[] = [
    {
      group: "Do",
      label: coaches ? "Start a session" : "Practise alone",
      words: "fly log tally begin",
      run: to("/session"),
    },
    { group: "Do", label: "Open a recording", words: "csv gyro file drop", run: to("/tape") },
    { group: "Do", label: "Change my password", words: "account two-factor code sign in", run: to("/account") },
  ];
  if (!coaches) return always;
  return [
    ...always,
    { group: "Do", label: "Add pilot", words: "new create", run: to("/squad", "a") },
    { group: "Do", label: "Plan a session", words: "schedule date add", run: to("/calendar", "a") },
    { group: "Do", label: "Set a target date", words: "goal deadline", run: to("/calendar") },
    { group: "Do", label: "Add site", words: "new field location", run: to("/yard", "a") },
    { group: "Do", label: "Invite a coach or a pilot", words: "share link account", run: to("/people") },
    { group: "Do", label: "Export or import a record", words: "backup file json csv", run: to("/records") },
    { group: "Do", label: "Restore something deleted", words: "undo bin recover", run: to("/records") },
    ...(pilotName
      ? [
          { group: "Do", label: `Sign off a step${own}`, words: "milestone pass approve", run: to("/pilot", "o") },
          { group: "Do", label: `Change rates${own}`, words: "expo throttle tilt tune setup save", run: to("/setup") },
          { group: "Do", label: `Set homework${own}`, words: "practice sim", run: to("/practice") },
          { group: "Do", label: `Add line${own}`, words: "new combo sequence", run: to("/lines") },
          { group: "Do", label: "Edit the phases of a trick", words: "own version", run: to("/lab/choreographer") },
          { group: "Do", label: `Season report${own}`, words: "pdf summary year", run: to("/season") },
        ]
      : []),
  ];
}

function useCommands(): Command[] {
  const router = useRouter();
  const atHand = useAtHand();
  const { steps } = useSyllabus();
  const { setPreference } = usePreferences();
  const runAt = useRunAt();
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
      ...steps.flatMap((step): Command[] =>
        pilot
          ? step.directions.map((direction) => ({
              group: "Brief",
              label: `${stepTitle(step, direction.id)} (${pilot.name})`,
              words: tradeWords(step.id),
              run: go(hrefFor("/brief", { step: step.id, direction: direction.id })),
            }))
          : [
              {
                group: "Step",
                label: step.name,
                words: tradeWords(step.id),
                run: go(hrefFor("/syllabus", { step: step.id })),
              },
            ],
      ),
      ...pilots.flatMap((one) =>
        one.aircraft.map((aircraft) => ({
          group: "Setup",
          label: `${aircraft.name} (${one.name})`,
          words: "aircraft quad craft rates",
          run: go(hrefFor("/setup", { pilot: one.id, aircraft: aircraft.id })),
        })),
      ),
      ...deeds(coaches, pilot?.name ?? null, (path, key) => () => {
        router.push(hrefFor(path));
        if (key) runAt(path, key);
      }),
      ...[...work, ...keeping].map(({ path, name, says, words }) => ({
        group: "Screen",
        label: `${name}: ${says}`,
        words,
        run: go(hrefFor(path)),
      })),
      ...themeNames.map((theme) => ({
        group: "Theme",
        label: lookNames[theme],
        words: "dark light sun contrast look",
        run: () => setPreference({ theme }),
      })),
      ...unitSystems.map((units) => ({
        group: "Units",
        label: capital(units),
        words: "feet metres mph",
        run: () => setPreference({ units }),
      })),
    ];
  }, [atHand, router, setPreference, steps, runAt]);
}
