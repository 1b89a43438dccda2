"use client";

import { AdapterDateFns } from "@mui/x-date-pickers/AdapterDateFns";
import { DesktopDatePicker } from "@mui/x-date-pickers/DesktopDatePicker";
import { DesktopDateTimePicker } from "@mui/x-date-pickers/DesktopDateTimePicker";
import { LocalizationProvider } from "@mui/x-date-pickers/LocalizationProvider";
import { format, isValid, parseISO } from "date-fns";
import { enGB } from "date-fns/locale/en-GB";
import { useState } from "react";

const shapes = { day: "yyyy-MM-dd", minute: "yyyy-MM-dd'T'HH:mm", second: "yyyy-MM-dd'T'HH:mm:ss" } as const;
const views = { minute: ["day", "hours", "minutes"], second: ["day", "hours", "minutes", "seconds"] } as const;
const shown = { minute: "dd MMM yyyy HH:mm", second: "dd MMM yyyy HH:mm:ss" } as const;

const EARLIEST = new Date(2000, 0, 1);

/** A day, or a moment to the minute or second, by the clocks of the device, as text: "2026-12-24T10:00"; empty for none yet. */
export function DatePickers({
  label,
  value,
  to = "day",
  size,
  error,
  helperText,
  onChange,
}: {
  label: string;
  value: string;
  to?: keyof typeof shapes;
  size?: "small";
  error?: boolean;
  helperText?: string;
  onChange: (value: string) => void;
}) {
  // What is typed stays while it is no date yet; a new value from outside takes its place.
  const [typed, setTyped] = useState<{ readonly of: string; readonly date: Date | null } | null>(null);
  const read = parseISO(value);
  // A year that is still being typed is no date yet.
  const textOf = (date: Date | null) => (date && isValid(date) && date >= EARLIEST ? format(date, shapes[to]) : "");
  const common = {
    label,
    value: typed?.of === value ? typed.date : isValid(read) ? read : null,
    onChange: (date: Date | null) => {
      setTyped({ of: textOf(date), date });
      onChange(textOf(date));
    },
    slotProps: { textField: { size, error, helperText } },
  };
  return (
    <LocalizationProvider dateAdapter={AdapterDateFns} adapterLocale={enGB}>
      {to === "day" ? (
        <DesktopDatePicker {...common} format="dd MMM yyyy" />
      ) : (
        <DesktopDateTimePicker {...common} ampm={false} views={views[to]} format={shown[to]} />
      )}
    </LocalizationProvider>
  );
}
