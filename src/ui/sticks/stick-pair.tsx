"use client";

import { useTheme } from "@mui/material/styles";
import { stickPairSvg } from "./stick-pair-svg";

/** Where both sticks go sideways, small enough for a table row. */
export function StickPair({
  title,
  ...sticks
}: {
  title: string;
  rollStick: number | null;
  yawStick: number | null;
  stickMode: number;
}) {
  const { tokens } = useTheme();
  const { sheet, ink, rule, shoal } = tokens;
  const svg = stickPairSvg({ ...sticks, colours: { sheet, ink, rule, push: shoal } });
  return (
    // oxlint-disable-next-line nextjs/no-img-element -- a drawing made on the spot; there is nothing to optimise
    <img
      src={`data:image/svg+xml,${encodeURIComponent(svg)}`}
      alt={`Left and right stick: ${title}`}
      width={84}
      height={40}
    />
  );
}
