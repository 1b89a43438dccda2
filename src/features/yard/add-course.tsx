"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { courseKinds, courseRanges, courses, courseSize, NoRoom, type CourseKind, type CourseParameters } from "@/core";
import { builtInSyllabus, findStep, stepsOfCourse } from "@/syllabus";
import { Option } from "@/ui/forms/options";
import { SelectField } from "@/ui/forms/select-field";
import { Box } from "@/ui/layout/box";
import { Dialog } from "@/ui/layout/opened";
import { usePreferences } from "@/ui/theme/preferences";
import { courseNames, noRoomWords, quantityText, refusedWords, type Quantity } from "@/words";
import { NumberField } from "./number-field";

type Size = Exclude<keyof CourseParameters, "at" | "headingDeg">;

/** What can be said of each kind of course, and what it is unless said otherwise. */
const sizes: Readonly<Record<CourseKind, Partial<Record<Size, number>>>> = {
  "stop-line": { count: 5, spacingM: 9 },
  square: { sideM: 15 },
  slalom: { count: 4, spacingM: 15 },
  eight: { spacingM: 20 },
  "orbit-post": { radiusM: 8 },
  ring: { radiusM: 1 },
  "step-circle": { radiusM: 3.75 },
  "walked-eight": { spacingM: 12 },
  "landing-spot": { heightM: 6 },
  "bail-wall": { heightM: 2 },
  "gap-ladder": { count: 4, spacingM: 15, widths: 5, narrowestWidths: 2, heightM: 3 },
  "knife-edge-pair": { widths: 4, heightM: 4 },
  "loop-bar": { heightM: 3 },
};
const sizeNames: Readonly<Record<Size, readonly [name: string, quantity: Quantity]>> = {
  count: ["How many", "count"],
  spacingM: ["Apart", "length"],
  sideM: ["Side", "length"],
  radiusM: ["Radius", "length"],
  aircraftWidthM: ["Aircraft, tip to tip", "length"],
  widths: ["Widest, in aircraft widths", "count"],
  narrowestWidths: ["Narrowest, in aircraft widths", "count"],
  heightM: ["Height", "length"],
};

/** Picks a course and its sizes; it is then laid into the boundary by itself, or refused with the numbers. */
export function AddCourse(props: {
  open: boolean;
  onClose: () => void;
  /** Puts it there; throws where it finds no room. */
  onAdd: (kind: CourseKind, parameters: CourseParameters) => void;
  aircraftWidthM: number;
  bounded: boolean;
}) {
  const { open, onClose, onAdd, aircraftWidthM, bounded } = props;
  const { units } = usePreferences();
  const [kind, setKind] = useState<CourseKind>("stop-line");
  const [said, setSaid] = useState<CourseParameters>({});
  const [problem, setProblem] = useState<string | null>(null);
  const parameters = { ...sizes[kind], aircraftWidthM, ...said };
  const { lengthM, widthM } = courseSize(courses[kind](parameters));
  const steps = stepsOfCourse[kind].flatMap((id) => findStep(builtInSyllabus, id)?.name ?? []);
  const add = () => {
    try {
      onAdd(kind, parameters);
      onClose();
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      setProblem(error instanceof NoRoom ? noRoomWords(error, units) : refusedWords(error, units));
    }
  };
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="add-course" fullWidth maxWidth="xs">
      <DialogTitle id="add-course">Add a course</DialogTitle>
      <DialogContent>
        <Box sx={{ display: "grid", gap: 2, pt: 1 }}>
          <SelectField
            size="small"
            label="Course"
            value={kind}
            onChange={(event) => {
              setKind(event.target.value as CourseKind);
              setSaid({});
              setProblem(null);
            }}
          >
            {courseKinds.map((one) => (
              <Option key={one} value={one}>
                {courseNames[one]}
              </Option>
            ))}
          </SelectField>
          <Typography sx={{ fontSize: "0.9rem" }}>
            For {steps.join(", ")}. Wants <b className="num">{quantityText(lengthM, "length", units, 0)}</b> by{" "}
            <b className="num">{quantityText(widthM, "length", units, 0)}</b> with its run-out.
          </Typography>
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
            {(Object.keys(sizes[kind]) as Size[]).map((size) => (
              <NumberField
                key={`${kind} ${size}`}
                label={sizeNames[size][0]}
                value={parameters[size] ?? null}
                quantity={sizeNames[size][1]}
                range={courseRanges[size]}
                onChange={(value) => {
                  if (value === null) return;
                  setSaid({ ...said, [size]: size === "count" ? Math.round(value) : value });
                  setProblem(null);
                }}
              />
            ))}
          </Box>
          <Typography sx={{ fontSize: "0.88rem", color: "text.secondary" }}>
            {bounded
              ? "It is laid into the boundary: into the wind, out of a low sun, clear of water, people and road."
              : "There is no boundary yet: it goes into the middle, and nothing is checked. Draw the boundary first if you can."}
          </Typography>
          {problem && (
            <Typography role="alert" color="error.main">
              ▲ {problem}
            </Typography>
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" onClick={add}>
          Add it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
