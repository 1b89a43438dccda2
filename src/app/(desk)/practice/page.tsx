import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { loadPractice, PracticeScreen } from "@/features/practice";
import { carrying } from "@/server/repositories";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Practice" };

export default async function PracticePage({ searchParams }: { searchParams: SearchParams }) {
  const atHand = await pilotAtHand(searchParams, await enter());
  if (!atHand) return <ChoosePilot screen="Practice" path="/practice" />;
  const data = await loadPractice(
    atHand.pilot,
    atHand.aircraft && carrying(atHand.aircraft, atHand.load),
    await parameter(searchParams, "step"),
  );
  return <PracticeScreen key={`${data.aircraft?.id} ${data.setup?.id} ${data.stepId}`} data={data} />;
}
