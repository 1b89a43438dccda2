import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { KeepHere, loadPractice, PracticeScreen } from "@/features/practice";
import { carrying } from "@/server/repositories";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Practice" };

export default async function PracticePage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Practice" path="/practice" />;
  const aircraft = atHand.aircraft && carrying(atHand.aircraft, atHand.load);
  const flown = { aircraft, loadId: atHand.load?.id ?? null };
  const data = await loadPractice(who, atHand.pilot, flown, await parameter(searchParams, "step"));
  return (
    <>
      <PracticeScreen
        key={`${data.pilot.id} ${data.aircraft?.id} ${data.loadId} ${data.setup?.id}`}
        data={data}
        nowMs={data.nowMs}
      />
      <KeepHere data={data} />
    </>
  );
}
