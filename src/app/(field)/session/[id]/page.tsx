import { notFound } from "next/navigation";
import { loadTally, TallyScreen } from "@/features/session";
import { isUuid, requireCoach } from "@/features/shell";

export const metadata = { title: "Tally" };

export default async function TallyPage({ params }: { params: Promise<{ id: string }> }) {
  await requireCoach();
  const { id } = await params;
  const data = isUuid(id) ? await loadTally(id) : null;
  if (!data) notFound();
  return <TallyScreen key={`${data.session.endedAtMs}`} data={data} />;
}
