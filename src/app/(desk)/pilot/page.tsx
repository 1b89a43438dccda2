import { loadPilot, PilotScreen } from "@/features/pilot";
import { enter, namedAtHand, parameter, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Pilot" };

export default async function PilotPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await namedAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Pilot" path="/pilot" />;
  return (
    <PilotScreen
      data={await loadPilot(who, atHand.pilot, atHand.aircraftId, {
        stepId: await parameter(searchParams, "step"),
        asList: (await parameter(searchParams, "view")) === "list",
        wholeHistory: (await parameter(searchParams, "history")) === "all",
      })}
    />
  );
}
