import { notFound } from "next/navigation";
import { LabScreen, loadLab } from "@/features/lab";
import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { carrying } from "@/server/repositories";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Trick lab" };

export default async function LabPage({ searchParams }: { searchParams: SearchParams }) {
  const atHand = await pilotAtHand(searchParams, await enter());
  if (!atHand) return <ChoosePilot screen="Trick lab" path="/lab" />;
  const data = await loadLab(
    atHand.pilot,
    atHand.aircraft && carrying(atHand.aircraft, atHand.load),
    await parameter(searchParams, "step"),
    await parameter(searchParams, "direction"),
  );
  if (!data) notFound();
  return <LabScreen key={`${data.aircraft?.id} ${data.setup?.id} ${data.trickId}`} data={data} />;
}
