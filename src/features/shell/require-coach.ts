import "server-only";
import { redirect } from "next/navigation";
import { currentAccount, type SignedIn } from "@/server/accounts";
import { anyAccount } from "@/server/repositories";

/** The coach who is signed in; anybody else is led to the entrance. Every page but the entrance itself calls it first. */
export async function requireCoach(): Promise<SignedIn> {
  return (await currentAccount()) ?? redirect(await entrance());
}

/** Leads whoever is at the wrong entrance to the right one, and the signed in inside. */
export async function leadIn(here: "/sign-in" | "/begin"): Promise<void> {
  if (await currentAccount()) redirect("/squad");
  const right = await entrance();
  if (right !== here) redirect(right);
}

async function entrance(): Promise<"/sign-in" | "/begin"> {
  return (await anyAccount()) ? "/sign-in" : "/begin";
}
