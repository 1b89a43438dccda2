import "server-only";
import { isCoach, listSignIns, secondFactorOf, type SecondFactor, type SignedIn, type SignIn } from "@/server/accounts";

export interface AccountData {
  readonly name: string;
  readonly thisSignInId: string;
  readonly signIns: readonly SignIn[];
  readonly coaches: boolean;
  readonly secondFactor: SecondFactor | null;
}

export async function loadAccount(who: SignedIn): Promise<AccountData> {
  return {
    name: who.name,
    thisSignInId: who.signInId,
    signIns: await listSignIns(who.accountId, new Date()),
    coaches: isCoach(who),
    secondFactor: await secondFactorOf(who.accountId),
  };
}
