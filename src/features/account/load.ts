import "server-only";
import { listSignIns, type SignedIn, type SignIn } from "@/server/accounts";

export interface AccountData {
  readonly name: string;
  readonly thisSignInId: string;
  readonly signIns: readonly SignIn[];
}

export async function loadAccount(who: SignedIn): Promise<AccountData> {
  return {
    name: who.name,
    thisSignInId: who.signInId,
    signIns: await listSignIns(who.accountId, new Date()),
  };
}
