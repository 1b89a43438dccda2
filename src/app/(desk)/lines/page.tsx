import { notFound } from "next/navigation";
import { LinesScreen, loadLines } from "@/features/lines";
import { enter, isUuid, parameter, pilotAtHand, requirePageAccess, type SearchParams } from "@/features/shell";
import { need } from "@/server/access";
import { carrying } from "@/server/repositories";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Lines" };

export default async function LinesPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Lines" path="/lines" />;
  const asked = await parameter(searchParams, "line");
  // What it is begun from tells drafts of new lines apart.
  const begun = asked === "new" && who.coachId !== null ? ((await parameter(searchParams, "of")) ?? "") : null;
  const lineId = asked !== null && asked !== "new" ? asked : null;
  if (lineId !== null) {
    if (!isUuid(lineId)) notFound();
    await requirePageAccess(who, [need("reader", "line", lineId)]);
  }
  const data = await loadLines(who, atHand.pilot, atHand.aircraft && carrying(atHand.aircraft, atHand.load), lineId);
  const { aircraft, setup, open } = data;
  return (
    <LinesScreen
      key={`${aircraft?.id} ${setup?.id} ${open?.line.id} ${open?.line.version} ${begun}`}
      data={data}
      begun={begun}
    />
  );
}
