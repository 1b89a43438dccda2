"use client";

import { useTheme } from "@mui/material/styles";
import { groundOutline, groundShare, type InFrame, type Lens, type Quaternion } from "@/core";
import { Box } from "../layout/box";

interface CameraViewProps {
  /** What is shown, such as "rolled half over". */
  readonly title: string;
  readonly attitude: Quaternion;
  readonly tiltDeg: number;
  readonly lens: Lens;
  /** Lines of what stands about, in half picture heights. */
  readonly lines?: readonly (readonly [InFrame, InFrame])[];
}

/** What the camera sees in an attitude: sky, ground and the horizon between, with the share of ground. */
export function CameraView({ title, attitude, tiltDeg, lens, lines = [] }: CameraViewProps) {
  const { tokens } = useTheme();
  const camera = { tiltDeg, verticalFovDeg: lens.verticalFovDeg, aspect: lens.aspect };
  const outline = groundOutline(attitude, camera);
  const share = Math.round(100 * groundShare(attitude, camera));
  const { aspect } = lens;
  const notch = 0.09;
  return (
    <Box component="figure" sx={{ m: 0, minWidth: 0 }}>
      <svg
        viewBox={`${-aspect} -1 ${2 * aspect} 2`}
        width="100%"
        role="img"
        aria-label={`${title}: ${share}\u202f% of the picture is ground`}
        style={{ display: "block", border: `1.5px solid ${tokens.ink}` }}
      >
        <rect x={-aspect} y={-1} width={2 * aspect} height={2} fill={tokens.depths[1]} />
        {outline.length > 0 && (
          <polygon
            points={outline.map(([x, y]) => `${x},${-y}`).join(" ")}
            fill={tokens.depths[4]}
            stroke={tokens.ink}
            strokeWidth={0.03}
          />
        )}
        {lines.map(([[x1, y1], [x2, y2]], i) => (
          <line key={i} x1={x1} y1={-y1} x2={x2} y2={-y2} stroke={tokens.ink} strokeWidth={0.05} />
        ))}
        {/* The middle is told from the edges: nothing stands in the picture that the camera does not see. */}
        <path
          d={`M${-aspect} 0h${notch}M${aspect} 0h${-notch}M0 -1v${notch}M0 1v${-notch}`}
          stroke={tokens.ink}
          strokeWidth={0.04}
          fill="none"
        />
      </svg>
      <Box component="figcaption" sx={{ fontSize: "0.8rem", lineHeight: 1.25, mt: 0.5 }}>
        {title}, <span className="num">{share}&#8239;%</span> ground
      </Box>
    </Box>
  );
}
