"use client";

import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { memo, useMemo } from "react";
import type { FlownTrick } from "@/core";
import { directionWords, findStep, tricks, type Trick } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import type { useFlown } from "@/ui/flight/use-flown";
import { Option, OptionHeading } from "@/ui/forms/options";
import { PickOne } from "@/ui/forms/pick-one";
import { SelectField } from "@/ui/forms/select-field";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import { usePreferences } from "@/ui/theme/preferences";
import { problemWords, quantityText, refusedWords } from "@/words";
import type { Way } from "./ways";

/** Which trick, in which way and direction. */
export const LabHeading = memo(function LabHeading(props: {
  trick: Trick;
  ways: readonly Way[];
  variantId: string;
  direction: string;
  onVariant: (id: string) => void;
  onDirection: (id: string) => void;
  /** The column of controls: whether it is shown, and a press that turns it. */
  controls: boolean;
  onControls: () => void;
}) {
  const { trick, ways, variantId, direction, onVariant, onDirection, controls, onControls } = props;
  const router = useRouter();
  const { hrefFor, coaches } = useAtHand();
  const syllabus = useSyllabus();
  const variant = ways.find(({ id }) => id === variantId)!;
  const builtIn = trick.variants.some(({ id }) => id === variantId);
  const directions = Object.keys(variant.recipes);
  const at = tricks.findIndex(({ id }) => id === trick.id);
  const keys = useMemo(() => {
    const go = (id: string | undefined) => id && router.push(hrefFor("/lab", { step: id, direction }));
    return [
      { key: "n", label: "Next trick", run: () => go(tricks[at + 1]?.id) },
      { key: "p", label: "Trick before", run: () => go(tricks[at - 1]?.id) },
      {
        key: "d",
        label: "The other direction",
        run: () => onDirection(directions[(directions.indexOf(direction) + 1) % directions.length]),
      },
    ];
  }, [at, router, hrefFor, directions, direction, onDirection]);
  useKeys(keys);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2, rowGap: 1, mb: 0.5 }}>
      <Typography variant="h1" sx={{ mr: 1 }}>
        Trick lab
      </Typography>
      <SelectField
        size="small"
        label="Trick"
        value={trick.id}
        onChange={(event) => router.push(hrefFor("/lab", { step: event.target.value, direction }))}
        sx={{ minWidth: 250 }}
      >
        {syllabus.stages.flatMap((stageName, stage) => {
          const own = tricks.filter((one) => one.stage === stage);
          return own.length === 0
            ? []
            : [
                <OptionHeading key={stageName}>{stageName}</OptionHeading>,
                ...own.map(({ id, name }) => (
                  <Option key={id} value={id}>
                    {name}
                  </Option>
                )),
              ];
        })}
      </SelectField>
      {ways.length > 1 && (
        <PickOne
          label="Way to fly it"
          value={variantId}
          options={ways.map(({ id, name }) => [id, name])}
          onPick={onVariant}
        />
      )}
      {directions.length > 1 && (
        <PickOne
          label="Direction"
          value={direction}
          options={directions.map((id) => [id, directionWords[id]])}
          onPick={onDirection}
        />
      )}
      <Box sx={{ flex: 1 }} />
      <Button aria-expanded={controls} aria-controls="lab-controls" onClick={onControls}>
        {controls ? "Hide controls" : "Show controls"}
      </Button>
      {coaches && (
        <Button
          component={Link}
          href={hrefFor("/lab/choreographer", {
            step: trick.id,
            ...(builtIn ? { way: variantId, direction } : { own: variantId }),
          })}
        >
          Edit phases
        </Button>
      )}
      {findStep(syllabus, trick.id) && (
        <Button
          component={Link}
          href={hrefFor("/brief", { step: trick.id, ...(directions.length > 1 && { direction }) })}
        >
          Brief
        </Button>
      )}
    </Box>
  );
});

/** What cannot be flown, and what breaks the local ceiling, before anything else. */
export function Statements({
  flown,
  shown,
  ceilingM,
}: {
  flown: ReturnType<typeof useFlown>["flown"];
  shown: FlownTrick | null;
  ceilingM: number | null;
}) {
  const { units } = usePreferences();
  return (
    <>
      {flown?.kind === "refused" && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>This cannot be flown:</b> {refusedWords(flown.why, units)}.
        </Alert>
      )}
      {shown?.problem && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>This does not work:</b> {problemWords(shown.problem, units)}.
        </Alert>
      )}
      {shown && shown.overCeilingM !== null && (
        <Alert severity="error" sx={{ mb: 1 }}>
          <b>
            Its highest point, {quantityText(shown.flight.measures.peakM, "length", units)}, breaks the local ceiling of{" "}
            {quantityText(ceilingM, "length", units)} by {quantityText(shown.overCeilingM, "length", units)}.
          </b>{" "}
          Do not fly it here. Local rules come before anything this program says.
        </Alert>
      )}
    </>
  );
}
