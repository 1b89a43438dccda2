import { JoinScreen } from "@/features/people";
import { currentAccount } from "@/server/accounts";

export const metadata = { title: "Invitation" };

export default async function JoinPage() {
  const who = await currentAccount();
  return <JoinScreen signedInAs={who?.name ?? null} isCoach={who !== null && who.coachId !== null} />;
}
