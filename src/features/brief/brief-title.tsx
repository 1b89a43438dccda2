"use client";

import ChevronLeftIcon from "@mui/icons-material/ChevronLeft";
import ChevronRightIcon from "@mui/icons-material/ChevronRight";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import Typography from "@mui/material/Typography";
import { useRouter } from "next/navigation";
import { useMemo } from "react";
import { pathOf, routeOf, skillOf, type Step, stepBefore, stepTitle } from "@/syllabus";
import { Link } from "@/ui/actions/link";
import { PickOne } from "@/ui/forms/pick-one";
import { useKeys } from "@/ui/keys/keys";
import { Box } from "@/ui/layout/box";
import { StateMark } from "@/ui/marks/marks";
import { useAtHand } from "@/ui/shell/at-hand";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";
import type { BriefData } from "./load";
import { useStep } from "./use-step";

/** The step and the pilot, the steps before and after, the direction. */
export function BriefTitle({ data }: { data: BriefData }) {
  const syllabus = useSyllabus();
  const step = useStep(data);
  const route = routeOf(data.school);
  const path = pathOf(syllabus, route);
  const router = useRouter();
  const { hrefFor } = useAtHand();
  const go = useMemo(
    () => (stepId: string, direction: string) => router.push(hrefFor("/brief", { step: stepId, direction })),
    [router, hrefFor],
  );
  const at = path.findIndex((one) => one.id === step.id);
  // What lies beside the way counts nowhere.
  const way = path.flatMap(({ id, optional }) => (optional ? [] : [id]));
  const number = way.indexOf(step.id) + 1;
  const before = stepBefore(syllabus, step, route);
  const after = path[at + 1];
  const other = step.directions.find(({ id }) => id !== data.direction);
  const keys = useMemo(
    () => [
      ...(other ? [{ key: "d", label: `The other direction: ${other.name}`, run: () => go(step.id, other.id) }] : []),
      ...(before ? [{ key: "p", label: `Step before: ${before.name}`, run: () => go(before.id, data.direction) }] : []),
      ...(after ? [{ key: "n", label: `Next step: ${after.name}`, run: () => go(after.id, data.direction) }] : []),
    ],
    [go, step, other, before, after, data.direction],
  );
  useKeys(keys);
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 1.5, rowGap: 1, mb: 1 }}>
      <Box sx={{ display: "flex", ml: -1, mr: -1 }}>
        <IconButton
          size="small"
          aria-label={before ? `Step before: ${before.name}` : "No step before"}
          disabled={!before}
          onClick={() => before && go(before.id, data.direction)}
        >
          <ChevronLeftIcon />
        </IconButton>
        <IconButton
          size="small"
          aria-label={after ? `Next step: ${after.name}` : "No next step"}
          disabled={!after}
          onClick={() => after && go(after.id, data.direction)}
        >
          <ChevronRightIcon />
        </IconButton>
      </Box>
      <Typography variant="h1">{stepTitle(step, data.direction)}</Typography>
      <Box component="span" sx={{ fontSize: "0.95rem" }}>
        <StateMark state={data.standing.reviewDue ? "due" : data.standing.state} />{" "}
        {syllabus.stages[skillOf(syllabus, step).stage]}
        {number > 0 ? (
          <>
            , step <b className="num">{number}</b> of <b className="num">{way.length}</b>
          </>
        ) : (
          ", optional"
        )}
        {!data.isCurrent && data.standing.state !== "signed-off" && " · looking ahead"}
      </Box>
      <Box sx={{ flex: 1 }} />
      {step.flownAs && (
        <Button
          component={Link}
          href={hrefFor("/lab", { step: step.id, ...(step.directions.length > 1 && { direction: data.direction }) })}
        >
          In the lab
        </Button>
      )}
      <DirectionToggle step={step} direction={data.direction} onChange={(direction) => go(step.id, direction)} />
    </Box>
  );
}

export function DirectionToggle(props: { step: Step; direction: string; onChange: (id: string) => void }) {
  const { step, direction, onChange } = props;
  if (step.directions.length < 2) return null;
  return (
    <PickOne
      label="Direction"
      value={direction}
      options={step.directions.map(({ id, name }) => [id, name])}
      onPick={onChange}
      buttonSx={{ px: 1.5 }}
    />
  );
}
