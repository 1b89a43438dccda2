"use client";

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { v7 as newId } from "uuid";
import { tallyBegun, type ActionInput, type FieldSquad, type TallyPilot } from "@/contract";
import { stepName, syllabusFrom, builtInSyllabus, type Syllabus } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Moment } from "@/ui/moment/moment";
import { enqueue, outboxNow } from "@/ui/outbox/outbox";
import { squadsAlong } from "@/ui/outbox/squads";
import { counted } from "@/words";
import { keepOnDevice } from "./packet";

/** A session begun from the squad this device knows, with a network or without. */
export function BeginHere() {
  const [along, setAlong] = useState<Awaited<ReturnType<typeof squadsAlong>>>([]);
  const [squadId, setSquadId] = useState<string | null>(null);
  useEffect(() => {
    // What cannot be read here is said of the sessions, which lie beside it.
    squadsAlong().then(setAlong, () => setAlong([]));
  }, []);
  const known = along.find(({ squad }) => squad.squadId === squadId) ?? along[0];
  if (!known) return null;
  return (
    <Box component="section" aria-labelledby="begin-here" sx={{ my: 3 }}>
      <Typography variant="h2" id="begin-here">
        Begin a session here
      </Typography>
      <Typography sx={{ fontSize: "0.9rem", color: "text.secondary" }}>
        {known.squad.squadName} as last seen <Moment atMs={known.keptAtMs} show="both" />.
      </Typography>
      {along.length > 1 && (
        <SelectField
          label="Squad"
          value={known.squad.squadId}
          onChange={(event) => setSquadId(event.target.value)}
          sx={{ mt: 1.5, minWidth: 220 }}
        >
          {along.map(({ squad }) => (
            <Option key={squad.squadId} value={squad.squadId}>
              {squad.squadName}
            </Option>
          ))}
        </SelectField>
      )}
      <Who key={known.squad.squadId} squad={known.squad} />
    </Box>
  );
}

/** Who flies, where, and the button. */
function Who({ squad }: { squad: FieldSquad }) {
  const [flying, setFlying] = useState<ReadonlySet<string>>(new Set());
  const [siteId, setSiteId] = useState(squad.sites.length === 1 ? squad.sites[0].id : "");
  const [place, setPlace] = useState<"field" | "by-eye">("field");
  const [failure, setFailure] = useState<string | null>(null);
  const syllabus = syllabusOf(squad);
  const toggle = (id: string) =>
    setFlying((before) => new Set(before.has(id) ? [...before].filter((one) => one !== id) : [...before, id]));
  const begin = async () => {
    const input: ActionInput<"begin-in-field"> = {
      id: newId(),
      squadId: squad.squadId,
      place,
      siteId: siteId === "" ? null : siteId,
      atMs: Date.now(),
      pilots: squad.pilots
        .filter(({ id }) => flying.has(id))
        .map(({ id, steps, setupId, loadId }) => ({ pilotId: id, stepId: steps[0].stepId, setupId, loadId })),
    };
    try {
      await keepOnDevice(tallyBegun(squad, input));
      const key = newId();
      await enqueue({ key, accountId: squad.accountId, sessionId: input.id, action: "begin-in-field", input });
      // What is not on the disk would not outlive the way to the tally.
      const { broken, unkept } = outboxNow();
      if (unkept.has(key)) throw new Error(broken ?? "its disk takes nothing");
      // Whole, as without a network: the page comes from this device.
      window.location.assign(`/field?session=${input.id}`);
    } catch (error) {
      setFailure((error as Error).message);
    }
  };
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1.5, alignItems: "center" }}>
        <PickOne
          label="Flown"
          value={place}
          options={[
            ["field", "Goggles"],
            ["by-eye", "By eye"],
          ]}
          onPick={setPlace}
          buttonSx={{ minHeight: 56, px: 2 }}
        />
        {squad.sites.length > 0 && (
          <SelectField
            label="Site"
            value={siteId}
            onChange={(event) => setSiteId(event.target.value)}

            sx={{ minWidth: 160 }}
          >
            <Option value="">no site</Option>
            {squad.sites.map(({ id, name }) => (
              <Option key={id} value={id}>
                {name}
              </Option>
            ))}
          </SelectField>
        )}
        <Button
          variant="outlined"
          sx={{ minHeight: 56 }}
          onClick={() => setFlying(new Set(squad.pilots.map(({ id }) => id)))}
        >
          Everyone
        </Button>
      </Box>
      {squad.pilots.map((pilot) => (
        <PilotLine
          key={pilot.id}
          pilot={pilot}
          stepName={stepName(syllabus, pilot.steps[0].stepId)}
          flies={flying.has(pilot.id)}
          onToggle={() => toggle(pilot.id)}
        />
      ))}
      {failure && (
        <Typography role="alert" sx={{ color: "error.main", my: 1 }}>
          This device can’t save anything: {failure}
        </Typography>
      )}
      <Button
        variant="contained"
        size="large"
        disabled={flying.size === 0}
        onClick={() => void begin()}
        sx={{ minHeight: 64, minWidth: 220, mt: 1 }}
      >
        {flying.size === 0 ? "Choose who flies" : `Begin with ${counted(flying.size, "pilot")}`}
      </Button>
    </>
  );
}

/** A pilot who may fly, at the step they are at. */
function PilotLine({
  pilot: { name, checkFirst },
  stepName: step,
  flies,
  onToggle,
}: {
  pilot: TallyPilot;
  stepName: string;
  flies: boolean;
  onToggle: () => void;
}) {
  return (
    <FormControlLabel
      sx={(theme) => ({ display: "flex", minHeight: 56, mr: 0, borderTop: `1.5px solid ${theme.tokens.rule}` })}
      control={<Checkbox checked={flies} onChange={onToggle} />}
      label={
        <>
          <b>{name}</b>{" "}
          <Box component="span" sx={{ fontSize: "0.9rem" }}>
            {step}
            {checkFirst.length > 0 && (
              <Box component="span" sx={{ color: "error.main", ml: 1 }}>
                ▲ by eye first: {checkFirst.join(", ")}
              </Box>
            )}
          </Box>
        </>
      }
    />
  );
}

function syllabusOf({ squadId, syllabi }: FieldSquad): Syllabus {
  const own = syllabi.find((one) => one.squadId === squadId);
  return own ? syllabusFrom(own.document, own.number) : builtInSyllabus;
}
