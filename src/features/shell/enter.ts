import "server-only";
import { forbidden, notFound, redirect } from "next/navigation";
import { requireAccess, type Need } from "@/server/access";
import { currentAccount, isCoach, type SignedIn, type SignedInCoach } from "@/server/accounts";
import { Refusal } from "@/server/actions";
import { anyAccount } from "@/server/repositories";

/** Whoever is signed in; a stranger is led to the entrance. Every page but the entrance itself begins with this or with enterAsCoach. */
export async function enter(): Promise<SignedIn> {
  return (await currentAccount()) ?? redirect(await entrance());
}

/** The coach who is signed in; a pilot is turned away. */
export async function enterAsCoach(): Promise<SignedInCoach> {
  const who = await enter();
  return isCoach(who) ? who : forbidden();
}

/** Goes on when every need is met, as decided in server/access; otherwise the page is answered 403 or 404. */
export async function requirePageAccess(who: SignedIn, needs: readonly Need[]): Promise<void> {
  try {
    await requireAccess(who, needs);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    if (error.status === 403) forbidden();
    notFound();
  }
}

/** Where somebody's work begins. */
export const homeOf = (who: SignedIn) => (isCoach(who) ? "/squad" : "/pilot");

/** Leads whoever is at the wrong entrance to the right one, and the signed in inside. */
export async function leadIn(here: "/sign-in" | "/begin"): Promise<void> {
  const who = await currentAccount();
  if (who) redirect(homeOf(who));
  const right = await entrance();
  if (right !== here) redirect(right);
}

async function entrance(): Promise<"/sign-in" | "/begin"> {
  return (await anyAccount()) ? "/sign-in" : "/begin";
}
