import { enter, parameter, pilotAtHand, type SearchParams } from "@/features/shell";
import { loadTape, TapeScreen } from "@/features/tape";
import { ChoosePilot } from "@/ui/shell/choose-pilot";

export const metadata = { title: "Tape" };

export default async function TapePage({ searchParams }: { searchParams: SearchParams }) {
  const who = await enter();
  const atHand = await pilotAtHand(searchParams, who);
  if (!atHand) return <ChoosePilot screen="Tape" path="/tape" />;
  const data = await loadTape(atHand, await parameter(searchParams, "recording"), who.coachId !== null);
  return <TapeScreen key={`${data.pilot.id} ${data.setup?.id}`} data={data} />;
}
