import { AccountScreen, loadAccount } from "@/features/account";
import { enter } from "@/features/shell";

export const metadata = { title: "Account" };

export default async function AccountPage() {
  return <AccountScreen data={await loadAccount(await enter())} />;
}
