"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Airframe, Settings } from "@/core";
import type { Mount, Pilot } from "@/contract";
import {
  schoolQuestion,
  settingsProposals,
  settingsSchoolOf,
  type School,
  type SettingsSchool,
  type SettingsProposal,
} from "@/syllabus";
import { useAir } from "@/ui/air/use-air";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";

const sidesOf = (questionId: string) => schoolQuestion(questionId).sides.map(({ id, name }) => [id, name] as const);
const routes = sidesOf("route");
const tilts = sidesOf("tilt");
const tuningWords = {
  throttle: "the throttle first, the rates when it is quiet",
  rates: "the rates first, the throttle when they fit",
} as const;

/** What is usual at a stage, each thing with its reason; taken one by one or all together. */
export function StagePanel({
  settings,
  airframe,
  stage: currentStage,
  pilot,
  mount,
  school: own,
  onChange,
}: {
  settings: Settings;
  airframe: Airframe;
  /** Stage the pilot is at. */
  stage: number;
  pilot: Pilot;
  /** How the camera is mounted; null where nobody said. */
  mount: Mount | null;
  /** What the pilot's school says; looked at otherwise here without changing it. */
  school: School;
  onChange: (settings: Settings) => void;
}) {
  const [stage, setStage] = useState(currentStage);
  const [school, setSchool] = useState<SettingsSchool>(() => settingsSchoolOf(own));
  const { stages } = useSyllabus();
  const proposals = settingsProposals(
    settings,
    airframe,
    stage,
    // What cannot be tilted is not proposed to be.
    mount === "fixed" ? { ...school, tilt: "fixed" } : school,
    pilot,
    useAir(),
  );
  return (
    <section aria-labelledby="stage">
      <Typography variant="h2" id="stage" sx={{ mb: 1.5 }}>
        Usual at this stage
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mb: 2 }}>
        <SelectField
          size="small"
          label="Stage"
          value={stage}
          onChange={(event) => setStage(Number(event.target.value))}
          sx={{ minWidth: 230 }}
        >
          {stages.map((name, i) => (
            <Option key={name} value={i}>
              {name}
              {i === currentStage && " (now)"}
            </Option>
          ))}
        </SelectField>
        <SelectField
          size="small"
          label="First route"
          value={school.route}
          onChange={(event) => setSchool({ ...school, route: event.target.value as SettingsSchool["route"] })}
          sx={{ minWidth: 250 }}
        >
          {routes.map(([id, name]) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </SelectField>
        <SelectField
          size="small"
          label="Camera angle"
          value={school.tilt}
          onChange={(event) => setSchool({ ...school, tilt: event.target.value as SettingsSchool["tilt"] })}
          sx={{ minWidth: 170 }}
        >
          {tilts.map(([id, name]) => (
            <Option key={id} value={id}>
              {name}
            </Option>
          ))}
        </SelectField>
      </Box>
      {proposals.length === 0 ? (
        <Typography>■ All of it is usual for this stage already.</Typography>
      ) : (
        <Proposals proposals={proposals} school={school} settings={settings} onChange={onChange} />
      )}
      <Typography sx={{ fontSize: "0.85rem", color: "text.secondary", mt: 1.5 }}>
        Common practice for learners&apos; settings; where practice names a range, the value in it is ours. Nothing is
        saved until you save a setup.
      </Typography>
    </section>
  );
}

/** Taken one by one, or all that wait for nothing together. */
function Proposals({
  proposals,
  school,
  settings,
  onChange,
}: {
  proposals: readonly SettingsProposal[];
  school: SettingsSchool;
  settings: Settings;
  onChange: (settings: Settings) => void;
}) {
  const open = proposals.filter(({ waits }) => !waits);
  return (
    <>
      {proposals.map((proposal) => (
        <ProposalLine
          key={proposal.id}
          proposal={proposal}
          waits={tuningWords[school.tuning ?? "throttle"]}
          onTake={() => onChange(proposal.apply(settings))}
        />
      ))}
      <Button
        variant="outlined"
        sx={{ mt: 2 }}
        onClick={() => onChange(open.reduce((now, { apply }) => apply(now), settings))}
      >
        Apply all {open.length}
      </Button>
    </>
  );
}

/** One thing that is usual and not so, with its reason. */
function ProposalLine({
  proposal,
  waits,
  onTake,
}: {
  proposal: SettingsProposal;
  /** What comes first, for what has to wait. */
  waits: string;
  onTake: () => void;
}) {
  return (
    <Box
      sx={(theme) => ({
        display: "grid",
        gridTemplateColumns: { xs: "1fr auto", md: "170px 190px 1fr auto" },
        columnGap: 2,
        alignItems: "center",
        py: 1,
        borderTop: `1.5px solid ${theme.tokens.rule}`,
      })}
    >
      <b>{proposal.what}</b>
      <span className="num">
        {proposal.now} → {proposal.wanted}
      </span>
      <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
        {proposal.waits ? `waits: ${waits}` : proposal.reason}
      </Box>
      <Button size="small" disabled={proposal.waits} onClick={onTake} aria-label={`Apply ${proposal.what}`}>
        Apply
      </Button>
    </Box>
  );
}
