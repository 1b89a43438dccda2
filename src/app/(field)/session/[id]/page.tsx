import { notFound } from "next/navigation";
import { TallyScreen } from "@/features/field";
import { loadTally } from "@/server/tally";
import { enter, isUuid, requirePageAccess } from "@/features/shell";
import { need } from "@/server/access";

export const metadata = { title: "Tally" };

export default async function TallyPage({ params }: { params: Promise<{ id: string }> }) {
  const who = await enter();
  const { id } = await params;
  await requirePageAccess(who, [need("reader", "session", isUuid(id) ? id : "")]);
  const data = await loadTally(who, id);
  if (!data) notFound();
  return <TallyScreen key={data.session.id} data={data} />;
}
