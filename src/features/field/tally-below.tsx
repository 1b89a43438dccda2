"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { BegunAgainst, LoggedAttempt, TallyData } from "@/contract";
import { NoteList, Verdict } from "@/features/debrief/client";
import { Link } from "@/ui/actions/link";
import { PickOne } from "@/ui/forms/pick-one";
import { Box } from "@/ui/layout/box";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { useListener } from "@/ui/units/listener";
import { usePreferences } from "@/ui/theme/preferences";
import { lookNames, themeNames } from "@/ui/theme/tokens";
import { blockReasonWords, refusalWords } from "@/words";
import { CoursesButton } from "./courses-button";
import { Lesson } from "./lesson";
import { EndSession } from "./end-session";
import { TapList } from "./tally-parts";
import type { useFieldPlace } from "./use-field-place";
import type { useTally } from "./use-tally";
import type { FlownNow } from "./use-taps";

/** Every step of the session. */
export const stepsFlown = ({ pilots }: TallyData): readonly string[] =>
  pilots.flatMap(({ steps }) => steps.map(({ stepId }) => stepId));

export type Field = ReturnType<typeof useTally>;

export interface PartProps {
  readonly field: Field;
  readonly place: ReturnType<typeof useFieldPlace>;
  readonly now: FlownNow;
}

/** The verdict with what was tapped, the notes, and the way out of the session. */
export function BelowTargets({
  field,
  place,
  now,
  today,
  notes,
  onSignOff,
  onEnd,
  onBrief,
}: PartProps & {
  /** What the pilot flew in this session. */
  today: readonly LoggedAttempt[];
  notes: TallyData["notes"];
  onSignOff: (pilotId: string, stepId: string) => void;
  onEnd: () => void;
  onBrief: (() => void) | null;
}) {
  const { pilot, block } = place;
  const { step, own, known } = now;
  const syllabus = useSyllabus();
  const { theme, setPreference } = usePreferences();
  const listener = useListener();
  const { tally, act } = field;
  return (
    <Box sx={{ pt: { xs: 2, md: 0 } }}>
      {step && (
        <>
          <Verdict
            pilot={pilot}
            known={known}
            step={step}
            own={own}
            today={today}
            maySignOff={tally.coaches}
            onSignOff={() => onSignOff(pilot.id, step.id)}
          />
          <TapList step={step} own={own} onUndo={(id) => act({ action: "undo-attempt", input: { id } })} />
        </>
      )}
      {tally.coaches && <Lesson place={place} now={now} />}
      <Against against={(tally.session.against ?? []).filter((one) => one.pilotId === pilot.id)} />
      <NoteList notes={notes} />
      {block.reason && (
        <Typography sx={{ mt: 1.5, fontSize: "0.9rem", color: "text.secondary" }}>
          Planned because: {blockReasonWords(block, syllabus, listener)}
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 3 }}>
        {tally.pilots.length > 1 && (
          <Button variant="outlined" disabled={!onBrief} onClick={() => onBrief?.()} sx={{ minHeight: 56 }}>
            Brief
          </Button>
        )}
        <CoursesButton
          plan={field.plan}
          stepIds={[...(block.stepId === null ? [] : [block.stepId]), ...stepsFlown(tally)]}
        />
        <EndSession
          waiting={field.waiting.unsent}
          onEnd={() => {
            onEnd();
            field.act({ action: "end-session", input: { id: tally.session.id, atMs: Date.now() } });
          }}
        />
        <Button component={Link} href={`/pilot?pilot=${pilot.id}`} sx={{ minHeight: 56 }}>
          To the desk
        </Button>
      </Box>
      <Box sx={{ mt: 2 }}>
        <PickOne
          label="Theme"
          value={theme}
          options={themeNames.map((name) => [name, lookNames[name]])}
          onPick={(next) => setPreference({ theme: next })}
          buttonSx={{ minHeight: 56, px: 2 }}
        />
      </Box>
    </Box>
  );
}

/** What stands against what is flown, in a session begun without a network: the taps stand all the same. */
function Against({ against }: { against: readonly BegunAgainst[] }) {
  const { units } = usePreferences();
  return against.map(({ refusal }) => (
    <Typography
      key={refusalWords(refusal, units)}
      role="note"
      sx={(theme) => ({ mt: 1, borderLeft: `4px solid ${theme.tokens.ochre}`, pl: 1 })}
    >
      Against the rules: {refusalWords(refusal, units)} What was tapped stands.
    </Typography>
  ));
}
