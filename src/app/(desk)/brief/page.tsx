import { notFound } from "next/navigation";
import { BriefScreen, loadBrief } from "@/features/brief";
import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { carrying } from "@/server/repositories";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Brief" };

export default async function BriefPage({ searchParams }: { searchParams: SearchParams }) {
  const atHand = await pilotAtHand(searchParams, await enter());
  if (!atHand) return <ChoosePilot screen="Brief" path="/brief" />;
  const [step, direction] = [await parameter(searchParams, "step"), await parameter(searchParams, "direction")];
  const data = await loadBrief(
    atHand.pilot,
    atHand.aircraft && carrying(atHand.aircraft, atHand.load),
    step,
    direction,
  );
  if (!data) notFound();
  return <BriefScreen data={data} />;
}
