"use client";

import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useMemo } from "react";

/** Any time zone the browser knows, found by typing. */
export function TimeZoneField(props: { value: string; disabled: boolean; onChange: (timeZone: string) => void }) {
  const zones = useMemo(() => ["UTC", ...Intl.supportedValuesOf("timeZone")], []);
  return (
    <Autocomplete
      size="small"
      options={zones}
      value={props.value}
      disableClearable
      disabled={props.disabled}
      onChange={(_, timeZone) => props.onChange(timeZone)}
      renderInput={(field) => <TextField {...field} label="Time zone" />}
    />
  );
}
