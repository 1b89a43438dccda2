"use client";

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import { useState } from "react";
import { Dialog } from "@/ui/layout/opened";
import { later } from "@/ui/loading/later";
import { useSoon } from "@/ui/loading/use-soon";
import type { FieldPlan } from "@/contract";

const FieldCourses = later(() => import("@/features/yard/client").then((part) => part.FieldCourses));

/** Opens the courses of the site, to be set out from this device; nothing where none are drawn. */
export function CoursesButton({ plan, stepIds }: { plan: FieldPlan | null; stepIds: readonly string[] }) {
  const [open, setOpen] = useState(false);
  useSoon([FieldCourses]);
  if (!plan || plan.plan.courses.length === 0) return null;
  const close = () => setOpen(false);
  return (
    <>
      <Button variant="outlined" onClick={() => setOpen(true)} sx={{ minHeight: 56 }}>
        Set out a course
      </Button>
      <Dialog open={open} fullScreen onClose={close} slotProps={{ paper: { "aria-label": "Courses" } }}>
        <DialogContent sx={{ p: { xs: 1.5, md: 3 } }}>
          <FieldCourses {...plan} stepIds={stepIds} />
        </DialogContent>
        <DialogActions>
          <Button variant="contained" size="large" onClick={close} sx={{ minHeight: 56 }}>
            Back
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
