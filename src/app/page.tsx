import { redirect } from "next/navigation";
import { enter, homeOf } from "@/features/shell";

export default async function Home() {
  redirect(homeOf(await enter()));
}
