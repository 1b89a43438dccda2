import { Notice } from "@/ui/layout/notice";

export default function NotFound() {
  return (
    <Notice heading="Page not found">
      <p>The address may be mistyped, or what it pointed to has been deleted.</p>
      <a href="/">To your own page</a>
    </Notice>
  );
}
