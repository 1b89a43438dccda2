import { SignInScreen } from "@/features/account";
import { leadIn } from "@/features/shell";

export const metadata = { title: "Sign in" };

export default async function SignInPage() {
  await leadIn("/sign-in");
  return <SignInScreen />;
}
