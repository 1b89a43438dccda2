"use client";

import Alert from "@mui/material/Alert";
import Autocomplete from "@mui/material/Autocomplete";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FamilyTextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { Knob } from "@/core";
import { settingsProposals, settingsSchoolOf, tricks } from "@/syllabus";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { usePreferences } from "@/ui/theme/preferences";
import { refusedWords } from "@/words";
import { RunOrStop } from "@/ui/scatter/run-or-stop";
import { Found, shown } from "./found";
import { MOST_WEIGHT, useRecommend, type Bounds, type RecommendProps } from "./use-recommend";

const MOST_OTHERS = 2;

/** Looks within the coach's bounds for what makes a trick kinder, against what it costs other tricks. */
export function RecommendPanel(props: RecommendProps) {
  const { trick, manner, setup, aircraft, environment, frozen, hands } = props;
  const recommend = useRecommend(props);
  const { units } = usePreferences();
  const { knobs, boundsOf, wrong, setBounds, state, cancel, search } = recommend;
  const air = { heightM: environment.siteElevationM, isaOffsetK: environment.isaOffsetK };
  return (
    <Box
      component="section"
      aria-labelledby="kinder"
      sx={(theme) => ({ mt: 3, pt: 1.5, borderTop: `1.5px solid ${theme.tokens.ink}` })}
    >
      <Typography variant="h2" id="kinder">
        Settings that would make it easier
      </Typography>
      <Typography sx={{ fontSize: "0.88rem", color: "text.secondary", mb: 1, maxWidth: 760 }}>
        Searches the ticked settings inside these limits for the most clean runs, re-solving the trick each time: punch,
        stop and height follow the settings.
      </Typography>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "repeat(2, minmax(0,1fr))" },
          columnGap: 3,
          maxWidth: 860,
        }}
      >
        {knobs.map((knob) => (
          <KnobBounds
            key={knob.id}
            knob={knob}
            bounds={boundsOf(knob)}
            wrong={wrong(knob)}
            onChange={(part) => setBounds(knob, part)}
          />
        ))}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5, my: 1.5 }}>
        <WeighedTogether trickId={trick.id} {...recommend} />
        <RunOrStop state={state} label="Searching" onStop={cancel}>
          <Button variant="contained" disabled={search === null} onClick={() => search?.()}>
            Search
          </Button>
        </RunOrStop>
      </Box>
      {state.kind === "broken" && <Alert severity="error">{refusedWords(state.why, units)}</Alert>}
      {state.kind === "done" && (
        <Found
          searched={state.result}
          setup={setup}
          onSaved={props.onSaved}
          aircraft={aircraft}
          frozen={frozen}
          usual={(turned) =>
            settingsProposals(turned, aircraft.airframe, trick.stage, settingsSchoolOf(manner.school), hands, air)
          }
        />
      )}
    </Box>
  );
}

/** Whether a knob may change, and between which figures. */
function KnobBounds({
  knob,
  bounds,
  wrong,
  onChange,
}: {
  knob: Knob;
  bounds: Bounds;
  wrong: boolean;
  onChange: (part: Partial<Bounds>) => void;
}) {
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
      <Checkbox
        checked={bounds.on}
        onChange={(_, on) => onChange({ on })}
        slotProps={{ input: { "aria-label": `${knob.label} may change` } }}
      />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {knob.label}, now <span className="num">{shown(knob, knob.value)}</span>
      </Box>
      {(["min", "max"] as const).map((end) => (
        <TextField
          key={end}
          size="small"
          look="lined"
          value={bounds[end]}
          disabled={!bounds.on}
          error={bounds.on && wrong}
          onChange={(event) => onChange({ [end]: event.target.value })}
          slotProps={{
            htmlInput: {
              inputMode: "decimal",
              maxLength: 7,
              "aria-label": `${knob.label}, ${end === "min" ? "from" : "to"}`,
            },
          }}
          sx={{ width: 62 }}
        />
      ))}
    </Box>
  );
}

/** The tricks that are weighed together with this one, and how much each counts. */
function WeighedTogether({
  trickId,
  others,
  setOthers,
  weighed,
  weigh,
}: { trickId: string } & Pick<ReturnType<typeof useRecommend>, "others" | "setOthers" | "weighed" | "weigh">) {
  return (
    <>
      <Autocomplete
        multiple
        size="small"
        options={tricks.filter(({ id }) => id !== trickId)}
        getOptionLabel={({ name }) => name}
        value={[...others]}
        onChange={(_, next) => setOthers(next.slice(0, MOST_OTHERS))}
        renderInput={(params) => <FamilyTextField {...params} label="Also keep these tricks clean" />}
        sx={{ width: 320 }}
      />
      {others.length > 0 &&
        weighed.map(({ id, name, text, wrong: bad }) => (
          <TextField
            key={id}
            size="small"
            label={`${name} counts`}
            value={text}
            error={bad}
            helperText={bad ? `0 to ${MOST_WEIGHT}` : undefined}
            onChange={(event) => weigh(id, event.target.value)}
            slotProps={{ htmlInput: { inputMode: "decimal", maxLength: 4 } }}
            sx={{ width: 170 }}
          />
        ))}
    </>
  );
}
