import { BeginScreen } from "@/features/account";
import { leadIn } from "@/features/shell";

export const metadata = { title: "Create account" };

export default async function BeginPage() {
  await leadIn("/begin");
  return <BeginScreen />;
}
