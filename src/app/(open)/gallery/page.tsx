import { notFound } from "next/navigation";
import { GalleryScreen } from "@/features/gallery";

export const metadata = { title: "Gallery" };
export const dynamic = "force-dynamic";

/** For those who work on the program: in the development build, and where the server is asked for it. */
export default function GalleryPage() {
  if (process.env.NODE_ENV === "production" && process.env.BATHYGON_GALLERY !== "1") notFound();
  return <GalleryScreen />;
}
