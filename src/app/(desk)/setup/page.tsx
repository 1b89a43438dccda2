import { loadSetup, SetupScreen } from "@/features/setup";
import { pilotAtHand, requireCoach, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Setup" };

export default async function SetupPage({ searchParams }: { searchParams: SearchParams }) {
  await requireCoach();
  const atHand = await pilotAtHand(searchParams);
  if (!atHand) return <ChoosePilot screen="Setup" path="/setup" />;
  return <SetupScreen data={await loadSetup(atHand.pilot, atHand.aircraft)} />;
}
