import { notFound } from "next/navigation";
import { ChoreographerScreen, loadChoreographer } from "@/features/choreographer";
import { enterAsCoach, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Choreographer" };

export default async function ChoreographerPage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enterAsCoach();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Choreographer" path="/lab/choreographer" />;
  const [step, way, direction, own] = await Promise.all(
    ["step", "way", "direction", "own"].map((name) => parameter(searchParams, name)),
  );
  const data = await loadChoreographer(who, atHand.pilot, atHand.aircraft, { step, way, direction, own });
  if (!data) notFound();
  const { aircraft, setup, trickId, wayId, openId } = data;
  return (
    <ChoreographerScreen
      key={`${aircraft?.id} ${setup?.id} ${trickId} ${wayId} ${data.direction} ${openId}`}
      data={data}
    />
  );
}
