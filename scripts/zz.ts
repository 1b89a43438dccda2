import { recipes, briefTrick, airframePresets, firstSettings, CALM_AIR } from "../src/core";
const only = process.argv[2];
const tilt = Number(process.argv[3] ?? 25);
const s = { ...firstSettings, tiltDeg: tilt };
for (const [id, r] of Object.entries(recipes)) {
  if (only && !id.includes(only)) continue;
  if (id.endsWith("-left") || id.endsWith("-front")) continue;
  const row = [];
  for (const [pid, p] of Object.entries(airframePresets)) {
    const t0 = performance.now();
    try {
      const b = briefTrick(r, p.airframe, s, CALM_AIR);
      const m = b.flight.measures;
      row.push(
        (b.problem ? "✗ " + b.problem.slice(0, 70) : "ok") +
          ` [${(performance.now() - t0).toFixed(0)}ms ${m.durationS.toFixed(1)}s low ${b.lowestEntryM?.toFixed(1)} gain ${m.heightGainedM.toFixed(1)} pk ${(m.peakM - m.entryHeightM).toFixed(1)}]`,
      );
    } catch (e) {
      row.push("! " + String(e).slice(0, 90));
    }
  }
  console.log(id.padEnd(26), "\n   ", row.join("\n    "));
}
