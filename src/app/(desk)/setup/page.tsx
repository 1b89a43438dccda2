import { loadSetup, SetupScreen } from "@/features/setup";
import { enter, pilotAtHand, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Setup" };

export default async function SetupPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Setup" path="/setup" />;
  return <SetupScreen data={await loadSetup(who, atHand.pilot, atHand.aircraft)} />;
}
