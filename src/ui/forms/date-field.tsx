"use client";

import dynamic from "next/dynamic";
import { Box } from "../layout/box";

/** A date, or a date and time; the picker comes once it is shown. See `date-pickers.tsx`. */
export const DateField = dynamic(() => import("./date-pickers").then((pickers) => pickers.DatePickers), {
  ssr: false,
  loading: () => <Box sx={{ height: 40 }} />,
});
