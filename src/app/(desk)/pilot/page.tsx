import { loadPilot, PilotScreen } from "@/features/pilot";
import { pilotAtHand, requireCoach, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Pilot" };

export default async function PilotPage({ searchParams }: { searchParams: SearchParams }) {
  await requireCoach();
  const atHand = await pilotAtHand(searchParams);
  if (!atHand) return <ChoosePilot screen="Pilot" path="/pilot" />;
  return <PilotScreen data={await loadPilot(atHand.pilot, atHand.aircraft)} />;
}
