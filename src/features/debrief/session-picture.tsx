"use client";

import { useTheme } from "@mui/material/styles";
import type { LoggedAttempt, TallyPilot } from "@/contract";
import { findStep, stepName } from "@/syllabus";
import { outcomePath } from "@/ui/marks/marks";
import { useSyllabus } from "@/ui/syllabus/use-syllabus";

const WIDTH = 860;
const LEFT = 120;
const ROW = 50;
const MARK = 11;
const MINUTE_MS = 60_000;

/** The session from left to right: each pilot's attempts by shape as they came, the step above where it changes, the pack below. */
export function SessionPicture({
  pilots,
  attempts,
}: {
  pilots: readonly TallyPilot[];
  attempts: readonly LoggedAttempt[];
}) {
  const { tokens } = useTheme();
  const syllabus = useSyllabus();
  if (attempts.length < 2) return null;
  const times = attempts.map(({ atMs }) => atMs);
  const [fromMs, toMs] = [Math.min(...times), Math.max(...times)];
  const scale = (WIDTH - LEFT - 2 * MARK) / Math.max(MINUTE_MS, toMs - fromMs);
  const rows = pilots
    .map((pilot) => ({
      pilot,
      // Close ones stand beside each other, in their order.
      marks: attempts
        .filter(({ pilotId }) => pilotId === pilot.id)
        .sort((a, b) => a.atMs - b.atMs)
        .reduce<{ one: LoggedAttempt; x: number }[]>((placed, one) => {
          const wanted = LEFT + scale * (one.atMs - fromMs);
          const last = placed.at(-1);
          return [...placed, { one, x: last ? Math.max(wanted, last.x + MARK + 1) : wanted }];
        }, []),
    }))
    .filter(({ marks }) => marks.length > 0);
  const width = Math.max(WIDTH, ...rows.map(({ marks }) => marks[marks.length - 1].x + 2 * MARK));
  const height = rows.length * ROW + 20;
  const minutes = Math.round((toMs - fromMs) / MINUTE_MS);
  const every = minutes > 100 ? 30 : minutes > 40 ? 15 : 5;
  const says = rows.map(({ pilot, marks }) => {
    const clean = marks.filter(({ one }) => one.outcome === "clean").length;
    return `${pilot.name} ${clean} clean of ${marks.length}`;
  });
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={`The session over ${minutes} minutes: ${says.join(", ")}`}
      style={{ display: "block", marginTop: 12 }}
    >
      {Array.from({ length: Math.floor(minutes / every) + 1 }, (_, i) => i * every).map((minute) => {
        const x = LEFT + scale * minute * MINUTE_MS + MARK / 2;
        return (
          <g key={minute}>
            <path d={`M${x} 0V${height - 18}`} stroke={tokens.rule} />
            <text x={x} y={height - 5} fontSize={10.5} textAnchor="middle" fill={tokens.inkSoft} className="num">
              {minute === 0 ? "0 min" : minute}
            </text>
          </g>
        );
      })}
      {rows.map(({ pilot, marks }, row) => (
        <g key={pilot.id} transform={`translate(0 ${row * ROW})`}>
          <path d={`M0 ${ROW - 1}H${width}`} stroke={tokens.rule} />
          <text x={0} y={29} fontSize={13} fontWeight={650} fill={tokens.ink}>
            {pilot.name}
          </text>
          {marks.map(({ one, x }, i) => {
            const before = marks.at(i - 1);
            const newStep = i === 0 || before?.one.stepId !== one.stepId;
            const newPack = one.pack !== null && (i === 0 || before?.one.pack !== one.pack);
            const colour = {
              clean: tokens.shoal,
              rough: tokens.ochreText,
              bailed: tokens.slate,
              crashed: tokens.buoyText,
            }[one.outcome];
            return (
              <g key={one.id}>
                {newStep && (
                  <text x={x} y={13} fontSize={10.5} fill={tokens.inkSoft}>
                    {findStep(syllabus, one.stepId)?.short ?? stepName(syllabus, one.stepId)}
                  </text>
                )}
                <svg x={x} y={19} width={MARK} height={MARK} viewBox="0 0 24 24">
                  <path
                    d={outcomePath(one.outcome)}
                    fill={one.outcome === "clean" ? colour : "none"}
                    stroke={colour}
                    strokeWidth={one.outcome === "clean" ? 0 : 4.5}
                  />
                </svg>
                {newPack && (
                  <>
                    <path d={`M${x - 1} 34v8`} stroke={tokens.ink} />
                    <text x={x + 2} y={43} fontSize={9.5} fill={tokens.inkSoft} className="num">
                      pack {one.pack}
                    </text>
                  </>
                )}
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}
